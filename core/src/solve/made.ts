import type { BatchFile } from '../file';
import { runLine } from '../line/run';
import { propsOf } from '../parcel';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';

/** What a batch makes by plan: heat of the sauce, and the bottles it fills. */
export interface Made {
  massG: number;
  shu: number;
  possible: number;
  pH: number | null;
}

export function madeOf(file: BatchFile): Made {
  const last = runLine(file, TYPICAL, false).at(-1)!;
  const bottled = last.facts ? stationKind(last.kind).bottled?.(last.facts) : undefined;
  const props = propsOf(last.input.stream);
  return { massG: props.massG, shu: props.heatShu, possible: bottled?.possible ?? 0, pH: props.pH };
}
