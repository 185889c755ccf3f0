import { performance } from 'node:perf_hooks';
import { LIBRARY, LIBRARY_BOOK } from '@library';
import { checkedOf } from '@testing/checked';
import { eventId, planOf } from '@testing/plans';
import { solver } from '@testing/solver';
import { check } from '@/core/checks';
import type { Aim, Plan } from '@/core/class';
import { draft } from '@/core/draft';
import { fitToSlot } from '@/core/fit';
import { PURPOSES } from '@/core/move';
import { type NewRunEvent, ready, replay, replayer } from '@/core/run';
import { compile, lengthOf } from '@/core/score';
import { quantile } from './hour-long';

/** What the solver and the folds of the core take: as a ratio to a budget, or to half of the work. */

const DRAFT_BUDGET_MS = 2000;
const FIT_BUDGET_MS = 2000;
const T0 = 1_790_000_000_000;

const timed = (job: () => void): number => {
  const begun = performance.now();
  job();
  return performance.now() - begun;
};
const median = (times: number[]): number =>
  quantile(
    times.toSorted((a, b) => a - b),
    0.5,
  );
const several = (runs: number, job: (run: number) => void): number =>
  median(Array.from({ length: runs }, (_, run) => timed(() => job(run))));

/** A class of so many segments, over the library again and again. */
function classOf(segments: number): Plan {
  const lines = Array.from({ length: segments }, (_, i) => ({
    move: LIBRARY[i % LIBRARY.length]?.id ?? '',
    rounds: 1,
  }));
  return planOf(lines, {}, 4 * 3600);
}

/** A run of so many bends, one every half second. */
const logOf = (bends: number): NewRunEvent[] =>
  Array.from({ length: bends + 1 }, (_, i): NewRunEvent => {
    const event = { id: eventId(i), at: T0 + 500 * i };
    if (i === 0) return { ...event, type: 'started' };
    const types = ['extended', 'next', 'again', 'restChanged', 'eased', 'roundAdded'] as const;
    return { ...event, type: types[i % types.length], ms: 1000 } as NewRunEvent;
  });

function drafting(): void {
  const aims: Aim[] = [
    { kind: 'whole' },
    { kind: 'focus', areas: ['jaw'] },
    ...PURPOSES.map((purpose): Aim => ({ kind: 'purpose', purpose })),
  ];
  const ms = several(20, (run) => {
    const wish = {
      name: 'Bench',
      slotSeconds: 1200,
      language: 'en' as const,
      aim: aims[run % aims.length] as Aim,
      kit: ['mirror' as const, 'oil' as const],
      rules: {},
      people: [],
      recent: [],
      shown: [],
      seed: run,
    };
    draft(wish, { shelf: LIBRARY, book: LIBRARY_BOOK }, solver);
  });
  console.log(
    `a draft of 20 minutes from ${LIBRARY.length} moves / ${DRAFT_BUDGET_MS} ms: ${(ms / DRAFT_BUDGET_MS).toFixed(2)} (median of 20 aims and seeds, ${Math.round(ms)} ms)`,
  );
}

function fitting(): void {
  const plan = classOf(100);
  const lengthSeconds = lengthOf(plan, LIBRARY_BOOK) / 1000;
  const shares = [0.9, 0.95, 1.03, 1.06, 1.1];
  const ms = several(shares.length, (run) => {
    const slotSeconds = Math.round(lengthSeconds * (shares[run] ?? 1));
    fitToSlot({ ...plan, slotSeconds }, LIBRARY_BOOK, solver);
  });
  console.log(
    `a fit of 100 segments / ${FIT_BUDGET_MS} ms: ${(ms / FIT_BUDGET_MS).toFixed(2)} (median of ${shares.length} slots, ${Math.round(ms)} ms)`,
  );
}

/** Twice the work should take twice the time: the ratio says how far from a straight line it is. */
function growing(): void {
  const checking = (plan: Plan) => {
    const people = [
      { id: 'p', name: 'p', cautions: [{ caution: 'neck' as const }], met: new Set<string>() },
    ];
    const checked = checkedOf(plan, { people });
    return () => check(checked);
  };
  const [half, whole] = [checking(classOf(400)), checking(classOf(800))];
  const [fewMs, manyMs] = [several(7, half), several(7, whole)];
  console.log(
    `checks of 800 segments / twice those of 400: ${(manyMs / (2 * fewMs)).toFixed(2)} (${Math.round(manyMs)} ms)`,
  );
  const score = compile(classOf(100), LIBRARY_BOOK);
  const fold = (bends: number) => {
    const events = logOf(bends);
    return several(5, () => replay(ready(score), events));
  };
  const [some, all] = [fold(1500), fold(3000)];
  console.log(
    `a run of 3,000 events folded / twice one of 1,500: ${(all / (2 * some)).toFixed(2)} (${Math.round(all)} ms)`,
  );
  const events = logOf(3000);
  const replayed = replayer(ready(score));
  replayed(events.slice(0, 2999));
  const one = timed(() => replayed(events));
  console.log(
    `the 3,000th event of a run whose place is kept / all of them: ${(one / all).toFixed(4)}`,
  );
}

drafting();
fitting();
growing();
