import { PHRASES } from '@library/phrases';
import { check, type ToldFinding, told } from '@/core/checks';
import { blocksOf, expansionOf, type Plan } from '@/core/class';
import type { Move } from '@/core/move';
import { factorOf, type Talk } from '@/core/run';
import { type Book, recompiler } from '@/core/score';
import { estimateIn } from '@/core/speech';
import type { Room } from './room';
import type { Voices } from './use-score';

export interface ToJudge {
  plan: Plan;
  library: readonly Move[];
  room: Room;
  /** What was known of the lengths of its words when the page was opened, in ms by utterance key. */
  lengths: ReadonlyMap<string, number>;
  voices: Voices;
  talk: Talk;
}

/** A longer class than this is worked out by the browser alone: on the server others would wait for it. */
const MOST_BEATS_ON_SERVER = 4000;

export const isLong = (plan: Plan): boolean =>
  expansionOf(blocksOf(plan)).beats > MOST_BEATS_ON_SERVER;

/** Every move that a class may name, its own included, and how they are told. */
export function bookOf(moves: readonly Move[]): Book {
  const byId = new Map(moves.map((m) => [m.id, m]));
  return { move: (id) => byId.get(id), phrases: (language) => PHRASES[language] };
}

/**
 * What is to be known of a class when it is opened, worked out before it is sent, so that the page need
 * not do it before anything can be pressed; null for a class that is too long for that.
 */
export function firstFindings(of: ToJudge): ToldFinding[] | null {
  const { plan, library, room, lengths, voices, talk } = of;
  if (isLong(plan)) return null;
  const book = bookOf([...library, ...(plan.moves ?? [])]);
  const recompile = recompiler(book, {
    lengths,
    estimate: estimateIn(voices),
    room: room.people.map((p) => p.met),
    talkingFactor: factorOf(talk, plan.rules.say),
  });
  const compile = (other: Plan) => recompile(other).score;
  const { people, sessionsAWeek } = room;
  const seen = { plan, score: compile(plan), book, shelf: library, talk: talk.samples };
  return told(check({ ...seen, people, sessionsAWeek, compile }));
}
