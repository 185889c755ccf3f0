import { useEffect, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { CALLS } from '@/core/calls';

/** From so many letters on, people of the studio are looked for who are not on the roll. */
const LETTERS = 3;

interface Known {
  of: string;
  /** With the name by which each is told from others of that name. */
  people: { id: string; name: string; shown: string }[];
  away: boolean;
}

/** Who of the studio may be meant by a name that is not on the roll of a session; nobody for an empty one. */
export function useKnown(sessionId: string, name: string) {
  const [answer, setAnswer] = useState<Known | null>(null);
  const sought = name.length >= LETTERS ? name : '';
  useEffect(() => {
    if (sought === '') return;
    let stale = false;
    ask(CALLS.whoIsIt, { id: sessionId, body: { name: sought } }).then(
      ({ people }) => !stale && setAnswer({ of: sought, people, away: false }),
      (problem) => {
        if (!isExpected(problem)) throw problem;
        if (!stale) setAnswer({ of: sought, people: [], away: true });
      },
    );
    return () => {
      stale = true;
    };
  }, [sessionId, sought]);
  const current = answer !== null && answer.of === sought;
  return { known: current ? answer.people : [], away: current && answer.away };
}
