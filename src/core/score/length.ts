import type { Plan } from '../class';
import { estimateSpeech } from '../speech';
import { type Book, type CompileOptions, lengthsOf, lookUp } from './compile';
import { switchMs, talkMs, timesOf, upbeatMs } from './timing';
import { turns } from './turns';
import { carriesLetGo, Wording } from './wording';

/**
 * The length of a class in closed form, in ms: a sum over its turns, without laying out a single
 * step or cue. Equals `compile(...).totalMs`.
 * @throws UnknownMoveError as compile does
 */
export function lengthOf(
  plan: Plan,
  book: Book,
  { meter = estimateSpeech, room }: Pick<CompileOptions, 'meter' | 'room'> = {},
): number {
  const { rules } = plan;
  const moveOf = lookUp(book, plan);
  const length = lengthsOf(plan, meter);
  const order = turns(plan);
  const last = order.at(-1);
  return order.reduce(
    (total, turn) => {
      const move = moveOf(turn.segment.move, turn.segment.id);
      const wording = new Wording(turn, move, plan, book.phrases, room);
      const { workMs, releaseMs, restMs } = timesOf(turn);
      const changes = turn.sides.length - 1;
      const silent = releaseMs + restMs === 0 && carriesLetGo(plan) && turn !== last;
      return (
        total +
        upbeatMs(wording.upbeat(), rules, length) +
        turn.sides.length * workMs +
        (changes ? changes * switchMs(wording.otherSide(), rules, length) : 0) +
        releaseMs +
        restMs +
        (silent ? talkMs(wording.letGo(), length) : 0)
      );
    },
    Math.round(rules.closingSeconds * 1000),
  );
}
