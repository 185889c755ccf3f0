/** How much JSON from outside may hold, before anything looks at it more closely. */
export interface Bounds {
  /** Values in all. */
  values: number;
  /** Entries of one list, or names of one object. */
  entries: number;
  /** Values within values. */
  depth: number;
}

/** Far more than any class, list or event that people make. */
export const MOST_JSON: Bounds = { values: 200_000, entries: 5000, depth: 40 };

/** Half of a pair of signs, which no text has; a database refuses it, as it does the character 0. */
const NO_TEXT = /[\0\p{Surrogate}]/u;

/** Whether a text holds what can neither be stored nor shown. */
export const isNoText = (text: string): boolean => NO_TEXT.test(text);

/**
 * Says what is too much in some JSON, or what is no text in it; null where nothing is. It takes as long as it takes to
 * reach the bounds, and never goes deep.
 */
export function tooMuchIn(json: unknown, most = MOST_JSON): string | null {
  let values = 0;
  const tooMany = `holds more than ${most.values} values`;
  let level: unknown[] = [json];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > most.depth) return `has more than ${most.depth} values within one another`;
    const next: unknown[] = [];
    for (const value of level) {
      if (++values > most.values) return tooMany;
      if (typeof value === 'string') {
        if (isNoText(value)) return 'holds characters that are none';
        continue;
      }
      if (typeof value !== 'object' || value === null) continue;
      const list = Array.isArray(value);
      const entries = list ? value : Object.values(value);
      if (entries.length > most.entries) {
        return `has a list of ${entries.length} entries; at most ${most.entries} are read`;
      }
      if (values + next.length + entries.length > most.values) {
        return tooMany;
      }
      if (!list && Object.keys(value).some(isNoText)) return 'holds characters that are none';
      for (const entry of entries) next.push(entry);
    }
    level = next;
  }
  return null;
}
