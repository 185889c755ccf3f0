import { type Plan, resolve } from '../class';
import { estimateSpeech } from '../speech';
import { type Book, type CompileOptions, lengthsOf } from './compile';
import { releaseMs, switchMs, timesOf, upbeatMs, workMs } from './timing';
import { type Turn, turns } from './turns';
import { Wording } from './wording';

export type LengthOptions = Pick<CompileOptions, 'meter' | 'room' | 'talkingFactor'>;

/**
 * The length of single turns of a class in closed form, in ms, without laying out a step or a cue.
 * What is said in a turn depends on the class's rules alone, so turns that are not in the class can be
 * asked for as well.
 */
export function turnLength(
  plan: Plan,
  book: Book,
  { meter = estimateSpeech, room, talkingFactor = 1 }: LengthOptions = {},
): (turn: Turn) => number {
  const length = lengthsOf(plan, meter);
  return (turn) => {
    const wording = new Wording(turn, plan, book.phrases, room);
    const { restMs } = timesOf(turn);
    const changes = turn.sides.length - 1;
    const saysIt = wording.alwaysLetsGo;
    const change = () =>
      switchMs(wording.otherSide(), wording.pace('switch'), length, talkingFactor);
    return (
      upbeatMs(wording.upbeat(), wording.pace('upbeat'), length, talkingFactor) +
      workMs(turn) +
      (changes ? changes * change() : 0) +
      releaseMs(turn, { letGo: wording.letGo(), saysIt, length, talkingFactor }) +
      restMs
    );
  };
}

/** Length of the time kept free for opening words and for questions, in ms. */
export const keptFreeMs = ({ rules }: Plan): number =>
  Math.round(rules.openingSeconds * 1000) + Math.round(rules.closingSeconds * 1000);

/**
 * The length of a class in closed form, in ms: a sum over its turns. Equals `compile(...).totalMs`.
 * @throws UnknownMoveError as compile does
 */
export function lengthOf(plan: Plan, book: Book, options: LengthOptions = {}): number {
  const lengthOfTurn = turnLength(plan, book, options);
  return turns(resolve(plan, book)).reduce(
    (total, turn) => total + lengthOfTurn(turn),
    keptFreeMs(plan),
  );
}
