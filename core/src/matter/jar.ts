/** What is known of a jar by its readings, best first; a mix of jars is as bad as its worst. */
export const JAR_VERDICTS = ['acid', 'unread', 'doubtful', 'condemned'] as const;
export type JarVerdict = (typeof JAR_VERDICTS)[number];
