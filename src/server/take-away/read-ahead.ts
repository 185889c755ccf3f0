import { LRUCache } from 'lru-cache';

export interface ReadAhead {
  /** So many that were not reached yet are asked for before their turn. */
  ahead: number;
  /** So many are kept, since some come again and again; more than `ahead`. */
  most: number;
}

/**
 * Gets one thing after the other, and the next few new ones while whoever reads is still busy with it.
 * @param items in the order in which they are read; some come more than once
 * @returns what gives an item's thing; where it could not be got, it fails once somebody comes to it
 */
export function readAhead<Item, Thing extends object | null>(
  items: readonly Item[],
  keyOf: (item: Item) => string,
  get: (item: Item) => Promise<Thing>,
  { ahead, most }: ReadAhead,
): (item: Item) => Promise<Thing> {
  const turns = [...new Map(items.map((item) => [keyOf(item), item]))];
  const turnOf = new Map(turns.map(([key], turn) => [key, turn]));
  const kept = new LRUCache<string, Promise<Thing>>({ max: most });
  const asked = (key: string, item: Item) => {
    const known = kept.get(key);
    if (known) return known;
    const thing = get(item);
    // Nobody waits for it yet.
    thing.catch(() => {});
    kept.set(key, thing);
    return thing;
  };
  let reached = 0;
  return (item) => {
    const key = keyOf(item);
    const thing = asked(key, item);
    const until = (turnOf.get(key) ?? 0) + 1 + ahead;
    for (; reached < until; reached++) {
      const next = turns[reached];
      if (next) asked(...next);
    }
    return thing;
  };
}
