/** Nothing that is sent here lies deeper; a batch file has eight floors. */
const MOST_DEPTH = 100;
const [QUOTE, ESCAPE, OPEN_LIST, CLOSE_LIST, OPEN, CLOSE] = [...'"\\[]{}'].map((c) => c.charCodeAt(0));

/** JSON that is nested so deeply that reading it along would end on the stack. */
export class TooDeep extends Error {
  readonly type = 'too.deep';
}

/** Lists and objects in a file, at most: read, each takes a hundred bytes of memory and more. */
export const MOST_NODES = 3_000_000;

/** Looks at the bytes before they are read: one pass, no recursion. Throws TooDeep, also for more lists and objects than `most`. */
export function refuseDeep(body: Uint8Array, most = Infinity): void {
  let [depth, nodes] = [0, 0];
  let inText = false;
  for (let i = 0; i < body.length; i++) {
    const c = body[i];
    if (inText) {
      if (c === ESCAPE) i++;
      else if (c === QUOTE) inText = false;
    } else if (c === QUOTE) inText = true;
    else if (c === OPEN || c === OPEN_LIST) {
      if (++depth > MOST_DEPTH || ++nodes > most) throw new TooDeep();
    } else if (c === CLOSE || c === CLOSE_LIST) depth--;
  }
}
