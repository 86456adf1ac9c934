import { MIXED_UNKNOWN, VARIETIES, type Variety } from '../matter/variety';

/** A variety that every kitchen has, and that burns; undefined for others. */
export const commonVariety = (id: string): Variety | undefined =>
  id === MIXED_UNKNOWN.id ? undefined : VARIETIES.find((v) => v.id === id && v.shuDry.low > 0);
