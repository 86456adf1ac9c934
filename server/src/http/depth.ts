/** Nothing that is sent here lies deeper; a batch file has eight floors. */
const MOST_DEPTH = 100;
const [QUOTE, ESCAPE, OPEN_LIST, CLOSE_LIST, OPEN, CLOSE] = [...'"\\[]{}'].map((c) => c.charCodeAt(0));

/** JSON that is nested so deeply that reading it along would end on the stack. */
export class TooDeep extends Error {
  readonly type = 'too.deep';
}

/** Looks at the bytes before they are read: one pass, no recursion. Throws TooDeep. */
export function refuseDeep(body: Uint8Array): void {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < body.length; i++) {
    const c = body[i];
    if (inText) {
      if (c === ESCAPE) i++;
      else if (c === QUOTE) inText = false;
    } else if (c === QUOTE) inText = true;
    else if (c === OPEN || c === OPEN_LIST) {
      if (++depth > MOST_DEPTH) throw new TooDeep();
    } else if (c === CLOSE || c === CLOSE_LIST) depth--;
  }
}
