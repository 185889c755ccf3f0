import { type Block, PHASES, type Plan, type Segment } from '../class';
import { doseMs } from '../move';
import { estimateSpeech, type SpeechMeter } from '../speech';
import { type Book, lookUp, switchMs, upbeatMs } from './compile';
import { CUE_GAP_MS } from './lane';
import { performedSides, roundsOf, type Turn } from './turns';
import { carriesLetGo, segmentText, upbeatSayings } from './wording';

/**
 * The length of a class in closed form, in ms: sums and products over its segments, without laying
 * out a single step. Equals `compile(...).totalMs`.
 * @throws UnknownMoveError as compile does
 */
export function lengthOf(plan: Plan, book: Book, meter: SpeechMeter = estimateSpeech): number {
  const phrases = book.phrases(plan.language);
  const moveOf = lookUp(book, plan);
  const say = (text: string) => meter(text, plan.language, plan.rules.wordsPerMinute);
  const met = new Set<string>();
  const lastBlock = PHASES.flatMap((phase) => plan.phases[phase]).at(-1);
  let total = 0;
  for (const phase of PHASES) {
    for (const block of plan.phases[phase]) {
      for (const segment of block.segments) {
        const move = moveOf(segment.move, segment.id);
        const text = segmentText({ segment }, move, plan);
        const rounds = roundsOf(block, segment);
        const sides = performedSides(segment.sides).length;
        const two = segment.sides === 'each' || segment.sides === 'directions';
        const change = two ? switchMs(plan, say(phrases.otherSide[segment.sides as 'each'])) : 0;
        total += rounds * (sides * doseMs(segment.dose) + (sides - 1) * change);
        total += rounds * Math.round(segment.releaseSeconds * 1000);
        const rests = rounds - (endsBlock(block, segment) ? 1 : 0);
        total += rests * Math.round(segment.restSeconds * 1000);
        if (segment.releaseSeconds === 0 && carriesLetGo(plan)) {
          const silent = segment.restSeconds === 0 ? rounds : rounds - rests;
          const last = block === lastBlock && endsBlock(block, segment) ? 1 : 0;
          total += (silent - last) * (say(text.letGo) + CUE_GAP_MS);
        }
        for (let round = 1; round <= rounds; round++) {
          const turn: Turn = {
            phase,
            segment,
            round,
            rounds,
            firstOfMove: round === 1 && !met.has(segment.move),
            sameAsBefore: round > 1 && follows(block, segment, round),
            lastInBlock: false,
          };
          const sayings = upbeatSayings(turn, text, plan, phrases);
          total += upbeatMs(sayings, plan.rules, say);
        }
        met.add(segment.move);
      }
    }
  }
  return total;
}

/** Whether a later round comes straight after the round before it of the same segment. */
function follows(block: Block, segment: Segment, round: number): boolean {
  const others = block.segments.filter((s) => s !== segment);
  if (others.length === 0) return true;
  if (block.order === 'straight') return true;
  if (block.order === 'circuit') return (round - 1) % segment.rounds !== 0;
  const at = block.segments.indexOf(segment);
  return block.segments.every(
    (s, i) => s === segment || (i > at ? s.rounds < round - 1 : s.rounds < round),
  );
}

function endsBlock(block: Block, segment: Segment): boolean {
  if (block.order !== 'alternating') return block.segments.at(-1) === segment;
  const most = Math.max(...block.segments.map((s) => s.rounds));
  return block.segments.findLast((s) => s.rounds === most) === segment;
}
