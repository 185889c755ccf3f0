import { useMemo } from 'react';
import type { Score } from '@/core/score';
import { useMoves } from '../kit/moves';
import type { Roll } from './use-roll';
import { wantsWord } from './watch';

/**
 * Who wants a word before the class starts, and why. Shut at first, since people may be looking over a shoulder, and
 * the names of those who carry something are nobody's business.
 */
export function WantsWord({ roll: { entries }, score }: { roll: Roll; score: Score }) {
  const moves = useMoves();
  const told = useMemo(() => wantsWord(entries, score, moves), [entries, score, moves]);
  if (told.length === 0) return null;
  return (
    <details className="border-warning mt-4 border-l-4 pl-3">
      <summary className="cursor-pointer font-semibold">
        {told.length === 1 ? 'Somebody wants' : `${told.length} people want`} a quiet word before
        you start
      </summary>
      <p className="quiet mt-1 text-sm">
        They carry something that this class goes against. What their clinician says comes first.
      </p>
      <ul className="mt-2 grid gap-2">
        {told.map(({ person: { participantId, name }, words }) => (
          <li key={participantId}>
            <span className="font-semibold">{name}</span>
            <ul>
              {words.map(({ says, moves: names }) => (
                <li key={says} className="leading-snug">
                  {says} <span className="quiet text-sm">{names.join(', ')}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </details>
  );
}
