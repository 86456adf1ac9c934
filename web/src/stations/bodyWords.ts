import { BODY_STEPS, bodyWord } from '@roskel/core';

/** The seven steps, to choose from. */
export const BODY_CHOICES = BODY_STEPS.map((label, i) => ({ value: i + 1, label }));

/** Least bodies to wish for: each word begins half a step below its own. */
export const LEAST_BODY = [
  { value: 0, label: 'any body' },
  ...BODY_CHOICES.slice(2, 6).map(({ value, label }) => ({ value: value - 0.5, label: `at least ${label}` })),
];

/** How thick it is in the pot and when cold, in words; in pieces where neither is known. */
export function bodySays(facts: { bodyHot: number | null; bodyCold: number | null } | null): string {
  if (!facts || facts.bodyHot === null || facts.bodyCold === null) return 'still in pieces';
  const [hot, cold] = [bodyWord(facts.bodyHot), bodyWord(facts.bodyCold)];
  return hot === cold ? cold : `${hot} now, ${cold} when cold`;
}
