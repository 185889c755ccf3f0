import { useCallback, useMemo } from 'react';
import type { Checked } from '@/core/checks';
import { type Plan, placedSegments } from '@/core/class';
import { type Move, moveText } from '@/core/move';
import { factorOf } from '@/core/run';
import { type Book, type Score, type SegmentSpan, segmentSpans } from '@/core/score';
import { bookOf, type ToJudge } from './at-first';
import { type Findings, type Found, useFindings } from './use-findings';
import type { Editing } from './use-history';
import { type MeasuredScore, useScore } from './use-score';
import { useSettled } from './use-settled';

export interface Judged extends MeasuredScore {
  /** Every move the class may name, the class's own included. */
  moves: readonly Move[];
  book: Book;
  /** Moves that each person booked has met. */
  met: readonly ReadonlySet<string>[];
  /**
   * The class as ribbon, balance and checks show it. What is typed and how long the class then is are
   * shown at once; these follow in the next pause.
   */
  seen: { plan: Plan; score: Score };
  spans: Map<string, SegmentSpan>;
  /** Ids of the moves that the class has. */
  inClass: ReadonlySet<string>;
  /** How many times as long as its cues the talk of this class is planned. */
  talkingFactor: number;
  checked: Checked;
  found: Found;
  nameOf: (moveId: string) => string;
}

/**
 * All that is worked out of a class while it is edited: its score and what is to be known of it.
 * @param first what was found before the class was sent
 * @param isTyping what takes long to draw waits until nobody does
 */
export function useJudged(of: ToJudge, first: Findings, isTyping: Editing['isTyping']): Judged {
  const { plan, library, room, lengths, voices, talk } = of;
  const moves = useMemo(() => [...library, ...(plan.moves ?? [])], [library, plan.moves]);
  const book = useMemo(() => bookOf(moves), [moves]);
  const met = useMemo(() => room.people.map((p) => p.met), [room.people]);
  const talkingFactor = factorOf(talk, plan.rules.say);
  const measured = useScore({ plan, book, room: met, lengths, voices, talkingFactor });
  const { score, compileAlso, unsaid } = measured;
  const seen = useSettled(
    useMemo(() => ({ plan, score }), [plan, score]),
    isTyping,
  );
  const spans = useMemo(() => segmentSpans(seen.score), [seen]);
  const used = [...new Set(placedSegments(seen.plan).map((p) => p.segment.move))].sort().join(' ');
  const inClass = useMemo(() => new Set(used.split(' ')), [used]);
  const checked = useMemo(
    (): Checked => ({
      ...seen,
      book,
      shelf: library,
      people: room.people,
      sessionsAWeek: room.sessionsAWeek,
      compile: compileAlso,
      talk: talk.samples,
      unsaid,
    }),
    [seen, book, library, room, compileAlso, talk, unsaid],
  );
  const found = useFindings(checked, first);
  const nameOf = useCallback(
    (moveId: string) => {
      const move = book.move(moveId);
      return move ? moveText(move, plan.language).name : '';
    },
    [book, plan.language],
  );
  return {
    ...measured,
    talkingFactor,
    moves,
    book,
    met,
    seen,
    spans,
    inClass,
    checked,
    found,
    nameOf,
  };
}
