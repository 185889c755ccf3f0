import { kitOf, type Plan, resolve, type Segment } from '../class';
import { grouped } from '../collections';
import { wordsIn } from '../follow/words';
import { clock, shortSeconds } from '../formats';
import { filled } from '../language/filled';
import { inVariant, type Move, strongAreas, type Variant, variantText } from '../move';
import {
  amountOf,
  type Book,
  type Cue,
  OPENING,
  printVariant,
  readOfTurn,
  type Score,
  type Step,
  segmentRuns,
  type Turn,
  turnOfStep,
  turns,
} from '../score';
import { type CarriedRow, carriedRows } from './carried';
import { sheetWordsIn } from './words';

export { type CarriedRow, carriedRows } from './carried';
export { type SheetWords, sheetWordsIn } from './words';

/**
 * A class as it is read at arm's length, in its language: what comes when, what is said, how it looks, and what changes
 * for somebody who carries something, so that whoever stands in can lead from it.
 */
export interface RunSheet {
  name: string;
  totalMs: number;
  slotMs: number;
  /** The length, in words. */
  length: string;
  /** What is needed, in words, clean hands first. */
  kit: string;
  lines: SheetLine[];
  carried: CarriedRow[];
  /** The usual caution. */
  caution: string;
}

/** Something that is only said, or a move in one variant. Times are from the start of the class, in ms. */
export type SheetLine = { key: string; startMs: number } & (
  | { said: string }
  | {
      move: Move;
      segment: Segment;
      variant: Variant | undefined;
      lengthMs: number;
      /** The phase, where this is its first line. */
      phase: string | null;
      name: string;
      /** How much of it comes here, and on which side. */
      dose: string;
      /** How it is done; null where it was told further up. */
      told: HowDone | null;
    }
);

/** How a move is done, in its parts; what is empty is not there. */
export interface HowDone {
  opening: string;
  setup: string;
  stages: string;
  form: string;
  letGo: string;
  /** What it works, and how long the upbeat and the release are. */
  besides: string;
}

/** What is said about a segment, each sentence once, in the order of its first round. */
const wordsOf = (cues: readonly Cue[], kinds: readonly Cue['kind'][]): string =>
  [...new Set(cues.filter((c) => kinds.includes(c.kind)).map((c) => c.text))].join(' ');

/** A stretch of a class in which one segment is done in one variant, and its turns; none where it is only said. */
interface Stretch {
  segmentId: string;
  turns: Turn[];
  steps: [Step, ...Step[]];
  endMs: number;
}

function stretchesOf(score: Score, turnOf: (step: Step) => Turn | undefined): Stretch[] {
  return segmentRuns(score).flatMap(({ segmentId, steps }) => {
    const parts: Stretch[] = [];
    for (const step of steps) {
      const turn = turnOf(step);
      const endMs = step.startMs + step.durationMs;
      const last = parts.at(-1);
      if (last && last.turns.at(-1)?.variant === turn?.variant) {
        last.steps.push(step);
        last.endMs = endMs;
        if (turn && last.turns.at(-1) !== turn) last.turns.push(turn);
      } else parts.push({ segmentId, turns: turn ? [turn] : [], steps: [step], endMs });
    }
    return parts;
  });
}

/** The side that a stretch is done on, in a block that is done one side first. */
function onlySide(of: readonly Turn[]): 'left' | 'right' | undefined {
  const [side, ...others] = new Set(of.flatMap((turn) => turn.sides));
  return others.length === 0 && (side === 'left' || side === 'right') ? side : undefined;
}

/** @param score as the plan compiles with the book, in whatever voice */
export function runSheetOf(plan: Plan, score: Score, book: Book): RunSheet {
  const resolved = resolve(plan, book);
  const words = sheetWordsIn(plan.language);
  const follow = wordsIn(plan.language);
  const phrases = book.phrases(plan.language);
  const turnsByKey = new Map(turns(resolved).map((turn) => [turn.key, turn]));
  const turnsOfSteps = new Map(
    score.steps.map((step) => [step, turnsByKey.get(turnOfStep(step.id))] as const),
  );
  const turnOf = (step: Step | undefined) => step && turnsOfSteps.get(step);
  const stretches = stretchesOf(score, turnOf);
  const cuesByVariant = grouped(score.cues, ({ step }) => {
    const turn = turnOf(score.steps[step]);
    return turn ? printVariant(turn) : '';
  });
  const told = new Set<string>();
  let phase = '';

  const howDone = (turn: Turn, steps: readonly Step[]): HowDone => {
    const { segment, move, variant } = turn;
    const cues = cuesByVariant.get(printVariant(turn)) ?? [];
    const works = strongAreas(inVariant(move, variant))
      .slice(0, 3)
      .map((area) => words.areas[area])
      .join(', ');
    const upbeat = steps.find((s) => s.kind === 'upbeat')?.durationMs ?? 0;
    const { releaseSeconds } = segment;
    const timed = {
      areas: works,
      upbeat: shortSeconds(upbeat),
      release: shortSeconds(releaseSeconds * 1000),
    };
    const said = {
      setup: wordsOf(cues, ['setup']) || wordsOf(cues, ['short']),
      form: wordsOf(cues, ['form']),
      letGo: wordsOf(cues, ['letGo', 'release']),
    };
    // Where a class goes by names, whoever leads from paper has to read how it is done.
    const read =
      said.setup || said.form
        ? null
        : readOfTurn({ ...turn, segment: unstaged(segment) }, plan, book);
    return {
      opening: turn.opening ?? '',
      setup: read ? read.how.join(' ') : said.setup,
      stages: (steps.find((s) => s.stages)?.stages ?? [])
        .map((s) => `${s.words} ${shortSeconds(s.durationMs)}`)
        .join(' · '),
      form: read ? read.mind.join(' ') : said.form,
      letGo: read ? '' : said.letGo,
      besides: `${filled(words.works, timed)}${releaseSeconds > 0 ? filled(words.release, timed) : ''}.`,
    };
  };

  const lines = stretches.map(({ segmentId, turns: [turn, ...more], steps, endMs }): SheetLine => {
    const [first] = steps;
    const { startMs } = first;
    if (!turn) {
      const cues = score.cues.filter((c) => score.steps[c.step] === first);
      const name = segmentId === OPENING ? words.opening : words.questions;
      return { key: first.id, startMs, said: [name, ...cues.map((c) => `“${c.text}”`)].join(' ') };
    }
    const { segment, move, variant } = turn;
    const heading = first.phase === phase ? null : words.phases[first.phase];
    phase = first.phase;
    const again = told.has(printVariant(turn));
    told.add(printVariant(turn));
    // One side first comes twice to the same round.
    const byRound = new Map([turn, ...more].map(({ round, dose }) => [round, dose] as const));
    const [dose = turn.dose, ...later] = byRound.values();
    const only = onlySide([turn, ...more]);
    const { name } = variantText(move, plan.language, variant);
    return {
      key: first.id,
      startMs,
      move,
      segment,
      variant,
      lengthMs: endMs - startMs,
      phase: heading,
      name: variant ? `${name} (${follow.variant[variant]})` : name,
      dose: amountOf(
        turn,
        { phrases, words: words.amount },
        {
          doses: [dose, ...later],
          ...(only && { only }),
        },
      ),
      told: again ? null : howDone(turn, steps),
    };
  });
  const kit = [words.cleanHands, ...kitOf(resolved).map((one) => follow.kit[one])];
  return {
    name: plan.name,
    totalMs: score.totalMs,
    slotMs: score.slotMs,
    length: filled(words.length, { total: clock(score.totalMs), slot: clock(score.slotMs) }),
    kit: kit.join(', '),
    lines,
    carried: carriedRows(plan, book),
    caution: phrases.caution,
  };
}

/** A segment without its stages, which stand by themselves. */
const unstaged = ({ stages: _, ...segment }: Segment): Segment => segment;
