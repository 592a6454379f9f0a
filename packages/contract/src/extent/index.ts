/** How much a text of JSON holds, without making anything of it. */
export interface Extent {
  /** Lists and objects inside one another. */
  depth: number;
  /** Values: members of lists and objects. */
  values: number;
}

const [QUOTE, BACKSLASH, COMMA] = ['"', '\\', ','].map((sign) => sign.charCodeAt(0));
const OPENS = new Set(['[', '{'].map((sign) => sign.charCodeAt(0)));
const CLOSES = new Set([']', '}'].map((sign) => sign.charCodeAt(0)));

/** Counts in one pass, so that what is too much is refused before it is read. What is no JSON is counted as it comes. */
export function jsonExtent(text: string): Extent {
  let [depth, deepest, values, inText] = [0, 0, 1, false];
  for (let at = 0; at < text.length; at++) {
    const sign = text.charCodeAt(at);
    if (inText) {
      if (sign === BACKSLASH) at++;
      else if (sign === QUOTE) inText = false;
    } else if (sign === QUOTE) inText = true;
    else if (sign === COMMA) values++;
    else if (OPENS.has(sign)) {
      depth++;
      values++;
      deepest = Math.max(deepest, depth);
    } else if (CLOSES.has(sign)) depth--;
  }
  return { depth: deepest, values };
}

/** Why a text cannot be kept: PostgreSQL has no null sign, and half a pair of signs is no text. Null where it can. */
export const unkeepable = (text: string): string | null =>
  text.includes('\0') ? 'must not hold the null sign' : text.isWellFormed() ? null : 'must not hold half a pair of signs';

/** The first text in a value, or name of a field, that cannot be kept, with its path; null where all can. */
export function firstUnkeepable(value: unknown, path: readonly string[] = []): { path: readonly string[]; says: string } | null {
  if (typeof value === 'string') {
    const says = unkeepable(value);
    return says === null ? null : { path, says };
  }
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    const fault = firstUnkeepable(key, path) ?? firstUnkeepable(inner, [...path, key]);
    if (fault !== null) return fault;
  }
  return null;
}
