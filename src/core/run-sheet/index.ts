import { kitOf, PHASE_NAMES, type Plan, type ResolvedClass, type Segment } from '../class';
import { shortSeconds } from '../formats';
import { AREA_NAMES, inVariant, KIT_NAMES, type Move, strongAreas, variantText } from '../move';
import { type Cue, firstTurnsOf, OPENING, type Score, segmentRuns, segmentSpans } from '../score';
import { amountDone } from './amount';

export { amountDone };

/** A class as it is read at arm's length: what comes when, what is said, and how it looks. */
export interface RunSheet {
  name: string;
  totalMs: number;
  slotMs: number;
  /** What is needed, in words, clean hands first. */
  kit: string;
  lines: SheetLine[];
}

/** Something that is only said, or a move. Times are from the start of the class, in ms. */
export type SheetLine = { key: string; startMs: number } & (
  | { said: string }
  | {
      move: Move;
      segment: Segment;
      lengthMs: number;
      /** The phase, where this is its first line. */
      phase: string | null;
      name: string;
      /** How much, how often and on which side. */
      dose: string;
      /** How it is done; null where it was told further up. */
      told: Told | null;
    }
);

/** How a move is done, in its parts; what is empty is not there. */
export interface Told {
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

export function runSheetOf(plan: Plan, score: Score, moves: ResolvedClass['moves']): RunSheet {
  const spans = segmentSpans(score);
  const blocks = new Map(
    Object.values(plan.phases).flatMap((all) => all.map((block) => [block.id, block] as const)),
  );
  const firstTurns = firstTurnsOf({ plan, moves });
  const told = new Set<string>();
  let phase = '';
  const lines = segmentRuns(score).map((run): SheetLine => {
    const { startMs, segmentId } = run;
    const [first] = run.steps;
    const turn = firstTurns.get(segmentId);
    const block = turn && blocks.get(turn.blockId);
    if (!block) {
      const words = score.cues.filter((c) => score.steps[c.step] === first);
      const name = segmentId === OPENING ? 'Opening' : 'Time for questions';
      return { key: first.id, startMs, said: [name, ...words.map((c) => `“${c.text}”`)].join(' ') };
    }
    const { segment, move } = turn;
    const heading = first.phase === phase ? null : PHASE_NAMES[first.phase];
    phase = first.phase;
    const again = told.has(segmentId);
    told.add(segmentId);
    const { variant, releaseSeconds } = segment;
    const steps = spans.get(segmentId)?.steps ?? [];
    const cues = score.cues.filter((c) => score.steps[c.step]?.segmentId === segmentId);
    const stages = steps.find((s) => s.stages)?.stages ?? [];
    const upbeat = steps.find((s) => s.kind === 'upbeat')?.durationMs ?? 0;
    const works = strongAreas(inVariant(move, variant))
      .slice(0, 3)
      .map((a) => AREA_NAMES[a])
      .join(', ');
    return {
      key: first.id,
      startMs,
      move,
      segment,
      lengthMs: run.endMs - startMs,
      phase: heading,
      name: variantText(move, plan.language, variant).name + (variant ? ` (${variant})` : ''),
      dose: amountDone(turn, block),
      told: again
        ? null
        : {
            opening: (block.segments[0] === segment && block.opening) || '',
            setup: wordsOf(cues, ['setup']) || wordsOf(cues, ['short']),
            stages: stages.map((s) => `${s.words} ${shortSeconds(s.durationMs)}`).join(' · '),
            form: wordsOf(cues, ['form']),
            letGo: wordsOf(cues, ['letGo', 'release']),
            besides: `Works ${works}; upbeat ${shortSeconds(upbeat)}${releaseSeconds > 0 ? `, release ${releaseSeconds} s` : ''}.`,
          },
    };
  });
  return {
    name: plan.name,
    totalMs: score.totalMs,
    slotMs: score.slotMs,
    kit: ['clean hands', ...kitOf({ plan, moves }).map((k) => KIT_NAMES[k])].join(', '),
    lines,
  };
}
