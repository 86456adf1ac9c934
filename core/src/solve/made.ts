import type { BatchFile } from '../file';
import { endOf, mainEnd, runUpTo, strandIn } from '../line';
import { propsOf } from '../parcel';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';

/** What a strand of a batch makes by plan: heat of the sauce, and the bottles it fills. */
export interface Made {
  massG: number;
  shu: number;
  possible: number;
  pH: number | null;
  /** Step of body, 1 to 7; null for what stays in pieces. */
  body: number | null;
}

export function madeOf(file: BatchFile, strandId: string = mainEnd(file).id): Made {
  const last = runUpTo(file, endOf(strandIn(file, strandId)).id, TYPICAL, false);
  const bottled = last.facts ? stationKind(last.kind).bottled?.(last.facts) : undefined;
  const props = propsOf(last.bowl);
  return { massG: props.massG, shu: props.heatShu, possible: bottled?.possible ?? 0, pH: props.pH, body: props.body };
}
