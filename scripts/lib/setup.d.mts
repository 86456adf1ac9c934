/** Path of the Chromium that the browser tests use, installed by apt-get when there is none. */
export function ensureChromium(): string;
/** Builds what is missing or older than its sources. */
export function ensureBuilt(parts?: ('server' | 'web')[]): void;
/** Path of a program of the server, as built. */
export function program(name: 'main' | 'worker' | 'backup' | 'passphrase' | 'line'): string;
/** Words for Node.js before a program that lives for seconds. */
export const BRIEFLY: readonly string[];
