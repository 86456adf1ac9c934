import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { normalQuantile } from './normal';

/**
 * The unknowns of one possible world, as standard normals by name ("lot.heat.k3", "strain.loss").
 * The same name always gives the same number within a draw, whatever was asked before.
 */
export interface Draw {
  /** Standard normal, clipped to ±3 (chapter 4, section 2.4). 0 in the typical draw. */
  z(name: string): number;
  readonly typical: boolean;
  /** The same world as `drawAt` sees it, where the world keeps it at hand. */
  at?(stationId: string): Draw;
}

/** The world where every unknown sits at its median: what tables show. */
export const TYPICAL: Draw = { z: () => 0, typical: true };

/** The same world, with unknowns of one station's own: two sieves do not share all their luck. */
export function drawAt(draw: Draw, stationId: string): Draw {
  if (draw.typical) return draw;
  return draw.at?.(stationId) ?? { z: (name) => draw.z(`${stationId}.${name}`), typical: false };
}

/** A whole number of 32 bits from a text (FNV-1a), other ones from other seeds. */
export function hash(text: string, seed: number): number {
  let h = (seed ^ 0x811c9dc5) >>> 0;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return h >>> 0;
}

/** A whole number from a text, to fix the seed of a batch so that its picture does not flicker. */
export function seedOf(text: string): number {
  return hash(text, 0x9e3779b9);
}

/**
 * `count` draws from one seed. Each unknown is stratified: the members' values are one per equal
 * slice of its distribution, in an order shuffled per name (Latin hypercube, McKay et al. 1979), so that
 * 60 members already give steady quantiles. Deterministic for the same seed and count; the latest few are remembered, for a
 * batch that is edited asks for its own again and again.
 */
export function drawEnsemble(seed: number, count: number): readonly Draw[] {
  const key = `${seed}/${count}`;
  let draws = remembered.get(key);
  if (!draws) {
    draws = newEnsemble(seed, count);
    remembered.set(key, draws);
    if (remembered.size > MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
  }
  return draws;
}
const remembered = new Map<string, readonly Draw[]>();
const MOST_REMEMBERED = 4;

function newEnsemble(seed: number, count: number): Draw[] {
  const columns = new Map<string, Float64Array>();
  const column = (name: string): Float64Array => {
    let values = columns.get(name);
    if (!values) {
      const rng = xoroshiro128plus(hash(name, seed) | 0);
      values = new Float64Array(count);
      const order = new Uint32Array(count);
      for (let i = 0; i < count; i++) order[i] = i;
      for (let i = count - 1; i > 0; i--) {
        const j = Math.floor(uniformFloat64(rng) * (i + 1));
        const had = order[i]!;
        order[i] = order[j]!;
        order[j] = had;
      }
      for (let i = 0; i < count; i++) {
        const p = (order[i]! + 0.02 + 0.96 * uniformFloat64(rng)) / count;
        values[i] = Math.max(-3, Math.min(3, normalQuantile(p)));
      }
      columns.set(name, values);
    }
    return values;
  };
  // By station and name: a name is not put together anew for each of the thousands of times it is asked.
  const stations = new Map<string, Map<string, Float64Array>>();
  const columnAt = (own: Map<string, Float64Array>, stationId: string, name: string): Float64Array => {
    let values = own.get(name);
    if (!values) own.set(name, (values = column(`${stationId}.${name}`)));
    return values;
  };
  const at = (stationId: string, i: number): Draw => {
    let own = stations.get(stationId);
    if (!own) stations.set(stationId, (own = new Map()));
    const names = own;
    return { z: (name) => columnAt(names, stationId, name)[i]!, typical: false };
  };
  return Array.from({ length: count }, (_, i) => ({
    z: (name: string) => column(name)[i]!,
    typical: false,
    at: (stationId: string) => at(stationId, i),
  }));
}
