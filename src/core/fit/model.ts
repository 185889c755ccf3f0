import {
  type Block,
  PHASES,
  type PhaseName,
  type Plan,
  type ResolvedClass,
  resolve,
  type Segment,
} from '../class';
import { type Area, doseMs, type Move, REGIONS, regionOf, worksOn } from '../move';
import type { Program, Row } from '../program';
import {
  type Book,
  keptFreeMs,
  type LengthOptions,
  type Turn,
  turnLength,
  turnsOfBlock,
} from '../score';
import {
  type BlockOptions,
  choicesOf,
  type FitOptions,
  type Option,
  type SegmentOptions,
} from './choices';

/** What a chosen variable does to the class. */
type Effect =
  | { kind: 'laps'; blockId: string; laps: number }
  | { kind: 'work'; segmentId: string; dose: Segment['dose']; rounds: number }
  | { kind: 'rest'; segmentId: string; seconds: number }
  | { kind: 'release'; segmentId: string; seconds: number }
  | { kind: 'out'; segmentId: string };

export interface Model {
  program: Program;
  effects: Effect[];
  /** Length of each choice in ms. */
  lengths: number[];
  /** Length of what nothing changes. */
  fixedMs: number;
}

/** Least work a region keeps where it has any, in ms: enough to be felt. */
const LEAST_REGION_MS = 10_000;
/** Least share of the work for the focus or the purpose of a class. */
const FOCUS_SHARE = 0.5;

class Builder {
  readonly costs: number[] = [];
  readonly rows: Row[] = [];
  readonly effects: Effect[] = [];
  readonly lengths: number[] = [];
  /** Work of each choice by region, in ms, and on what the class is for. */
  readonly work: { byRegion: Map<string, number>; aimed: number; all: number }[] = [];

  add(effect: Effect, cost: number, lengthMs: number): number {
    this.effects.push(effect);
    this.costs.push(cost);
    this.lengths.push(lengthMs);
    this.work.push({ byRegion: new Map(), aimed: 0, all: 0 });
    return this.costs.length - 1;
  }
}

/** Builds the program of a class: one choice of work for each segment, linked to its pauses and laps. */
export function modelOf(plan: Plan, book: Book, options: FitOptions & LengthOptions): Model {
  const resolved = resolve(plan, book);
  const lengthOfTurn = turnLength(plan, book, options);
  const choices = new Map(choicesOf(resolved, options).map((c) => [c.block.id, c]));
  const builder = new Builder();
  const met = new Set<string>();
  for (const phase of PHASES) {
    for (const block of plan.phases[phase]) {
      const before = new Set(met);
      turnsOfBlock(block, phase, met, resolved.moves);
      const of = choices.get(block.id);
      if (of) {
        addBlock(builder, of, phase, {
          before,
          lengthOfTurn,
          resolved,
        });
      }
    }
  }
  if (!options.without?.includes('balance')) balance(builder, resolved);
  return { ...builder, program: builder, fixedMs: keptFreeMs(plan) };
}

interface Around {
  before: ReadonlySet<string>;
  lengthOfTurn: ReturnType<typeof turnLength>;
  resolved: ResolvedClass;
}

function addBlock(builder: Builder, of: BlockOptions, phase: PhaseName, around: Around): void {
  const { block, laps, segments } = of;
  const byLaps = laps.map(({ value, cost }) => ({
    value,
    at: builder.add({ kind: 'laps', blockId: block.id, laps: value }, cost, 0),
  }));
  builder.rows.push({ of: byLaps.map(({ at }) => [at, 1]), least: 1, most: 1 });
  for (const choices of segments) {
    const out =
      choices.leaveOut === undefined
        ? undefined
        : builder.add({ kind: 'out', segmentId: choices.segment.id }, choices.leaveOut, 0);
    for (const lap of byLaps) {
      const lapsBlock = { ...block, laps: lap.value };
      const works: number[] = [];
      for (const rounds of choices.rounds) {
        const inRounds = addRounds(builder, around, { block: lapsBlock, choices, rounds, phase });
        works.push(...inRounds);
      }
      // Exactly one way to do the segment in this many laps if the block is done in as many, none if not.
      const row: Row['of'] = works.map((at) => [at, 1]);
      row.push([lap.at, -1]);
      if (out !== undefined) row.push([out, 1]);
      builder.rows.push({ of: row, least: 0, most: 0 });
    }
  }
}

/** The choices of one segment at a number of rounds; returns its choices of dose. */
function addRounds(
  builder: Builder,
  around: Around,
  of: { block: Block; choices: SegmentOptions; rounds: Option<number>; phase: PhaseName },
): number[] {
  const { block, choices, rounds, phase } = of;
  const { segment } = choices;
  const turnsWith = (change: Partial<Segment>): Turn[] => {
    const changed = { ...segment, rounds: rounds.value, ...change };
    return turnsOfBlock(
      { ...block, segments: block.segments.map((s) => (s.id === segment.id ? changed : s)) },
      phase,
      new Set(around.before),
      around.resolved.moves,
    ).filter((t) => t.segment.id === segment.id);
  };
  const measure = (turns: readonly Turn[]): number =>
    turns.reduce((sum, t) => sum + around.lengthOfTurn(t), 0);
  const works = choices.doses.map((dose) => {
    const turns = turnsWith({ dose: dose.value });
    const at = builder.add(
      { kind: 'work', segmentId: segment.id, dose: dose.value, rounds: rounds.value },
      dose.cost + rounds.cost,
      measure(turns),
    );
    for (const t of turns) noteWork(builder, at, t, around.resolved.plan);
    return at;
  });
  const base = measure(turnsWith({}));
  const pauses = (
    list: readonly Option<number>[],
    kind: 'rest' | 'release',
    field: 'restSeconds' | 'releaseSeconds',
  ) => {
    if (list.length === 1) return;
    const chosen = list.map(({ value, cost }) =>
      builder.add(
        { kind, segmentId: segment.id, seconds: value },
        cost,
        measure(turnsWith({ [field]: value })) - base,
      ),
    );
    const row: Row['of'] = chosen.map((at) => [at, 1]);
    row.push(...works.map((at): [number, number] => [at, -1]));
    builder.rows.push({ of: row, least: 0, most: 0 });
  };
  pauses(choices.rests, 'rest', 'restSeconds');
  pauses(choices.releases, 'release', 'releaseSeconds');
  return works;
}

const workOf = (turn: Turn): number => turn.sides.length * doseMs(turn.dose);

const serves = (plan: Plan, move: Move): boolean =>
  plan.aim.kind === 'focus'
    ? worksOn(move, plan.aim.areas)
    : plan.aim.kind === 'purpose' && move.purposes.includes(plan.aim.purpose);

function noteWork(builder: Builder, at: number, turn: Turn, plan: Plan): void {
  const work = builder.work[at];
  const { done: move } = turn;
  const ms = workOf(turn);
  if (!work || move.kind === 'breath') return;
  work.all += ms;
  if (serves(plan, move)) work.aimed += ms;
  for (const [area, weight] of Object.entries(move.areas)) {
    const region = regionOf(area as Area);
    work.byRegion.set(region, (work.byRegion.get(region) ?? 0) + ms * weight);
  }
}

/** What the class is for has to survive the fit: no part of the face lost, the focus kept. */
function balance(builder: Builder, resolved: ResolvedClass): void {
  const { plan } = resolved;
  const now = currentWork(resolved);
  if (plan.aim.kind === 'whole') {
    for (const region of REGIONS) {
      const least = Math.min(LEAST_REGION_MS, now.byRegion.get(region) ?? 0);
      if (least <= 0) continue;
      const of = builder.work.flatMap((w, at): Row['of'] => {
        const ms = w.byRegion.get(region);
        return ms ? [[at, ms / 1000]] : [];
      });
      builder.rows.push({ of, least: Math.floor(least) / 1000 });
    }
    return;
  }
  if (now.all === 0) return;
  const share = Math.min(FOCUS_SHARE, now.aimed / now.all) - 1e-6;
  const of = builder.work.flatMap((w, at): Row['of'] =>
    w.all ? [[at, (w.aimed - share * w.all) / 1000]] : [],
  );
  builder.rows.push({ of, least: 0 });
}

/** Work of a class by region, and on what it is for, in ms. */
export function currentWork({ plan, moves }: ResolvedClass) {
  const builder = new Builder();
  for (const phase of PHASES) {
    for (const block of plan.phases[phase]) {
      for (const turn of turnsOfBlock(block, phase, new Set(), moves)) {
        const at = builder.add({ kind: 'out', segmentId: turn.segment.id }, 0, 0);
        noteWork(builder, at, turn, plan);
      }
    }
  }
  const sum = { byRegion: new Map<string, number>(), aimed: 0, all: 0 };
  for (const work of builder.work) {
    sum.all += work.all;
    sum.aimed += work.aimed;
    for (const [region, ms] of work.byRegion) {
      sum.byRegion.set(region, (sum.byRegion.get(region) ?? 0) + ms);
    }
  }
  return sum;
}

/** Carries out what was chosen. */
export function planOf(plan: Plan, effects: readonly Effect[]): Plan {
  const laps = new Map<string, number>();
  const changes = new Map<string, Partial<Segment>>();
  const out = new Set<string>();
  for (const effect of effects) {
    if (effect.kind === 'laps') laps.set(effect.blockId, effect.laps);
    else if (effect.kind === 'out') out.add(effect.segmentId);
    else {
      const before = changes.get(effect.segmentId) ?? {};
      const change =
        effect.kind === 'work'
          ? { dose: effect.dose, rounds: effect.rounds }
          : effect.kind === 'rest'
            ? { restSeconds: effect.seconds }
            : { releaseSeconds: effect.seconds };
      changes.set(effect.segmentId, { ...before, ...change });
    }
  }
  return {
    ...plan,
    phases: Object.fromEntries(
      PHASES.map((phase) => [
        phase,
        plan.phases[phase].flatMap((block) => {
          const segments = block.segments
            .filter((s) => !out.has(s.id))
            .map((s) => ({ ...s, ...changes.get(s.id) }));
          return segments.length
            ? [{ ...block, laps: laps.get(block.id) ?? block.laps, segments }]
            : [];
        }),
      ]),
    ) as Plan['phases'],
  };
}
