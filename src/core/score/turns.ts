import { type Block, PHASES, type PhaseName, type Plan, type Segment } from '../class';
import type { Sides } from '../move';
import type { Side } from './score';

/** One round of one segment, where it stands in the running order. */
export interface Turn {
  phase: PhaseName;
  segment: Segment;
  /** Counted on through the laps of a circuit. */
  round: number;
  rounds: number;
  /** The class meets this move for the first time. */
  firstOfMove: boolean;
  /** The turn before was the same segment, so its name need not be said again. */
  sameAsBefore: boolean;
  lastInBlock: boolean;
}

export const roundsOf = (block: Block, segment: Segment): number => segment.rounds * block.laps;

function* blockOrder(block: Block): Generator<{ segment: Segment; round: number }> {
  const { segments } = block;
  if (block.order === 'alternating') {
    const most = Math.max(...segments.map((s) => s.rounds));
    for (let round = 1; round <= most; round++) {
      for (const segment of segments) if (round <= segment.rounds) yield { segment, round };
    }
    return;
  }
  for (let lap = 0; lap < block.laps; lap++) {
    for (const segment of segments) {
      for (let r = 1; r <= segment.rounds; r++) yield { segment, round: lap * segment.rounds + r };
    }
  }
}

/** Every turn of a class in running order. */
export function turns(plan: Plan): Turn[] {
  const met = new Set<string>();
  const all: Turn[] = [];
  for (const phase of PHASES) {
    for (const block of plan.phases[phase]) {
      let before: Segment | undefined;
      for (const { segment, round } of blockOrder(block)) {
        all.push({
          phase,
          segment,
          round,
          rounds: roundsOf(block, segment),
          firstOfMove: !met.has(segment.move),
          sameAsBefore: before === segment,
          lastInBlock: false,
        });
        met.add(segment.move);
        before = segment;
      }
      const last = all.at(-1);
      if (last) last.lastInBlock = true;
    }
  }
  return all;
}

const PERFORMED: Record<Sides, readonly Side[]> = {
  together: ['both'],
  each: ['left', 'right'],
  directions: ['one', 'other'],
  alternating: ['alternating'],
};

/** The work parts of one round, in order. */
export const performedSides = (sides: Sides): readonly Side[] => PERFORMED[sides];
