import type { KnownSauce } from '@roskel/core';

/** A middling sauce to begin from, until its maker says what it is. */
export const START_SAUCE: KnownSauce = { massG: 500, pH: 3.6, shu: 3000, saltPct: 2, sugarPct: 4, body: 4, aceticPct: 1.2 };
