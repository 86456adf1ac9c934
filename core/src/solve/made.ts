import type { BatchFile } from '../file';
import { endOf, mainEnd, runUpTo, strandIn } from '../line';
import { volumeMl } from '../matter/density';
import { propsOf } from '../parcel';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';

/** What a strand of a batch makes by plan: heat of the sauce, and the bottles it fills. */
export interface Made {
  massG: number;
  shu: number;
  possible: number;
  /** The same with the part of the last one. */
  share: number;
  pH: number | null;
  /** Step of body, 1 to 7; null for what stays in pieces. */
  body: number | null;
}

export function madeOf(file: BatchFile, strandId: string = mainEnd(file).id): Made {
  const strand = strandIn(file, strandId);
  const last = runUpTo(file, endOf(strand).id, TYPICAL, false);
  const bottled = last.facts ? stationKind(last.kind).bottled?.(last.facts) : undefined;
  const each = strand.goal ? (stationKind(last.kind).wantsMl?.(endOf(strand).params, { ...strand.goal, bottles: 1 }) ?? 0) : 0;
  const props = propsOf(last.bowl);
  return {
    massG: props.massG,
    shu: props.heatShu,
    possible: bottled?.possible ?? 0,
    share: each > 0 ? volumeMl(last.bowl.stream) / each : 0,
    pH: props.pH,
    body: props.body,
  };
}
