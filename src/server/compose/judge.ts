import { type Checked, check, type Finding } from '@/core/checks';
import type { Plan } from '@/core/class';
import type { Move } from '@/core/move';
import { factorOf, type Talk } from '@/core/run';
import { type Book, type CompileOptions, compile } from '@/core/score';
import { estimateSpeech, measuredMeter } from '@/core/speech';
import type { Speaker } from '../speech/compile-measured';
import { knownLengths } from '../speech/compile-measured';
import type { Room } from './room';

/** What a class is judged with: moves and words, who speaks, and how much the teacher talks. */
export interface Means {
  book: Book;
  /** Moves that a repair may bring in. */
  shelf: readonly Move[];
  speaker: Speaker;
  talk: Talk;
}

/** A class as Compose sees it, with the same lengths and the same people. */
export async function judged(
  plan: Plan,
  room: Pick<Room, 'people' | 'sessionsAWeek'>,
  { book, shelf, speaker, talk }: Means,
): Promise<{ checked: Checked; findings: Finding[] }> {
  const options: CompileOptions = {
    room: room.people.map((p) => p.met),
    talkingFactor: factorOf(talk, plan.rules.say),
  };
  const { meter } = measuredMeter(await knownLengths(plan, book, speaker, options), estimateSpeech);
  const score = (of: Plan) => compile(of, book, { ...options, meter });
  const checked: Checked = {
    ...room,
    plan,
    book,
    shelf,
    score: score(plan),
    compile: score,
    talk: talk.samples,
  };
  return { checked, findings: check(checked) };
}
