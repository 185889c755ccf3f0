import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { whileSeen } from '@/browser/while-seen';
import { CALLS } from '@/core/calls';
import type { Move } from '@/core/move';
import type { Room } from './room';

/** What Compose knows besides the class itself. */
export interface Surroundings {
  room: Room;
  /** The studio's own moves. */
  own: readonly Move[];
  /** Another word when any of it changes. */
  stamp: string;
}

/** How often it is asked whether any of it has changed, in ms. */
const EVERY_MS = 60_000;

/**
 * Who is booked, what they carry and what the studio's moves are, as it is by now: all of it is changed elsewhere while
 * a class stands open here, and what a class is checked against is not to be of yesterday.
 */
export function useSurroundings(
  classId: string,
  atFirst: Surroundings,
  builtIn: readonly Move[],
): { room: Room; library: Move[] } {
  const [around, setAround] = useState(atFirst);
  const known = useRef(atFirst.stamp);
  useEffect(() => {
    const look = async () => {
      try {
        const body = { known: known.current };
        const { stamp, news } = await ask(CALLS.readRoom, { id: classId, body });
        known.current = stamp;
        if (!news) return;
        const { room, own } = news;
        const people = room.people.map((p) => ({ ...p, met: new Set(p.met) }));
        startTransition(() =>
          setAround((before) => ({ room: { ...before.room, ...room, people }, own, stamp })),
        );
      } catch (problem) {
        // Where it cannot be asked, saving tells that the server is away.
        if (!isExpected(problem)) throw problem;
      }
    };
    return whileSeen(look, EVERY_MS);
  }, [classId]);
  const library = useMemo(() => [...around.own, ...builtIn], [around.own, builtIn]);
  return { room: around.room, library };
}
