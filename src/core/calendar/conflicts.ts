/** A session as far as it can get in the way of another. */
export interface Taking {
  id: string;
  /** Epoch ms. */
  startsAt: number;
  slotMs: number;
  teacherId: string | null;
  place: string | null;
}

export interface Conflict {
  /** The session that is looked at, and the one in its way. */
  id: string;
  other: string;
  over: 'teacher' | 'place';
}

const samePlace = (a: string | null, b: string | null): boolean =>
  a !== null && b !== null && a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * What gets in the way of some sessions: others at the same time with the same teacher or in the same place,
 * those among themselves included. Each pair once.
 * @param among everything on the calendar; a session that is looked at may be among them
 */
export function conflictsOf(looked: readonly Taking[], among: readonly Taking[]): Conflict[] {
  const ids = new Set(looked.map((s) => s.id));
  const all = [...looked, ...among.filter((s) => !ids.has(s.id))].sort(
    (a, b) => a.startsAt - b.startsAt,
  );
  const found: Conflict[] = [];
  const longest = Math.max(0, ...all.map((s) => s.slotMs));
  all.forEach((a, i) => {
    // What began longer ago than any session lasts is over.
    for (let j = i - 1; j >= 0; j--) {
      const b = all[j];
      if (!b || b.startsAt + longest <= a.startsAt) break;
      if (b.startsAt + b.slotMs <= a.startsAt) continue;
      const [mine, other] = ids.has(a.id) ? [a, b] : [b, a];
      if (!ids.has(mine.id)) continue;
      const pair = { id: mine.id, other: other.id };
      if (a.teacherId !== null && a.teacherId === b.teacherId)
        found.push({ ...pair, over: 'teacher' });
      if (samePlace(a.place, b.place)) found.push({ ...pair, over: 'place' });
    }
  });
  return found;
}
