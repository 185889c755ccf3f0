import { PHRASES } from '@library/phrases';
import { useCallback, useMemo } from 'react';
import { type Checked, check, type Finding } from '@/core/checks';
import { type Plan, placedSegments } from '@/core/class';
import { type Move, moveText } from '@/core/move';
import { factorOf, type Talk } from '@/core/run';
import { type Book, type Score, type SegmentSpan, segmentSpans } from '@/core/score';
import type { Room } from './room';
import { type MeasuredScore, useScore, type Voices } from './use-score';
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
  findings: readonly Finding[];
  nameOf: (moveId: string) => string;
}

export interface ToJudge {
  plan: Plan;
  library: readonly Move[];
  room: Room;
  /** What was known of the lengths of its words when the page was opened, in ms by utterance key. */
  lengths: ReadonlyMap<string, number>;
  voices: Voices;
  talk: Talk;
}

/** All that is worked out of a class while it is edited: its score and what is to be known of it. */
export function useJudged({ plan, library, room, lengths, voices, talk }: ToJudge): Judged {
  const moves = useMemo(() => [...library, ...(plan.moves ?? [])], [library, plan.moves]);
  const book = useMemo((): Book => {
    const byId = new Map(moves.map((m) => [m.id, m]));
    return { move: (id) => byId.get(id), phrases: (language) => PHRASES[language] };
  }, [moves]);
  const met = useMemo(() => room.people.map((p) => p.met), [room.people]);
  const talkingFactor = factorOf(talk, plan.rules.say);
  const measured = useScore({ plan, book, room: met, lengths, voices, talkingFactor });
  const { score, compileAlso, unsaid } = measured;
  const seen = useSettled(useMemo(() => ({ plan, score }), [plan, score]));
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
  const findings = useMemo(() => check(checked), [checked]);
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
    findings,
    nameOf,
  };
}
