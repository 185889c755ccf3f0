import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ask, isExpected, toldOf } from '@/browser/api';
import { CALLS, type DoorAnswer } from '@/core/calls';

/** How often who follows is looked at while the door stands, in ms. */
const LOOK_EVERY_MS = 5000;

/** The door by which people come in to follow a class, as its teacher sees it. */
export interface FollowDoor extends DoorAnswer {
  /** How many are there now; null where nobody can follow. */
  count: number | null;
  error: string | null;
  /** Asks how things stand; another device may have opened it. */
  look: () => Promise<void>;
  open: () => Promise<void>;
  shut: () => Promise<void>;
  turnAway: (followerId: string) => Promise<void>;
  letTakeHome: (takeHome: boolean) => Promise<void>;
}

const NONE: DoorAnswer = { door: null, followers: [] };

export function useDoor(sessionId: string): FollowDoor {
  const [answer, setAnswer] = useState(NONE);
  const [error, setError] = useState<string | null>(null);

  /** Grows as something is changed, and again once that was answered. */
  const changes = useRef(0);

  const hear = useCallback(async (answered: Promise<DoorAnswer>) => {
    changes.current++;
    try {
      setAnswer(await answered);
      setError(null);
    } catch (problem) {
      setError(toldOf(problem));
    } finally {
      changes.current++;
    }
  }, []);
  const look = useCallback(async () => {
    const since = changes.current;
    try {
      const seen = await ask(CALLS.readDoor, { id: sessionId });
      // What was asked before a change may be of before it: a door that is shut would look open.
      if (changes.current === since) setAnswer(seen);
    } catch (problem) {
      // Who follows is looked at again in a moment; the class goes on without.
      if (!isExpected(problem)) throw problem;
    }
  }, [sessionId]);

  const stands = answer.door !== null;
  useEffect(() => {
    void look();
  }, [look]);
  useEffect(() => {
    if (!stands) return;
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [stands, look]);

  return useMemo(() => {
    const change = (shut: boolean, takeHome?: boolean) =>
      hear(ask(CALLS.changeDoor, { id: sessionId, body: { shut, takeHome } }));
    return {
      ...answer,
      count: answer.door && answer.followers.filter((f) => f.there).length,
      error,
      look,
      open: () => change(false),
      shut: () => change(true),
      letTakeHome: (takeHome) => {
        const { door } = answer;
        // As it was asked for, until the server has answered.
        if (door) setAnswer({ ...answer, door: { ...door, takeHome } });
        return change(door?.shut ?? false, takeHome);
      },
      turnAway: (followerId) => hear(ask(CALLS.turnAway, { id: sessionId, body: { followerId } })),
    };
  }, [answer, error, hear, look, sessionId]);
}
