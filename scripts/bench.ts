import { performance } from 'node:perf_hooks';
import { LIBRARY, LIBRARY_BOOK } from '@library';
import { addSegment, emptyPlan, type Plan, segmentOf, updateSegment } from '@/core/class';
import { compile } from '@/core/score';

/** A class of about an hour with at least 300 steps. */
function hourLong(): Plan {
  let plan = emptyPlan('An hour', 3600);
  for (let n = 0; compile(plan, LIBRARY_BOOK).totalMs < 3_600_000; n++) {
    const move = LIBRARY[n % LIBRARY.length];
    if (!move) break;
    const segment = { ...segmentOf(move, `s${n}`), restSeconds: 3 };
    plan = addSegment(plan, { ...segment, rounds: Math.max(2, segment.rounds) }, 'work');
  }
  return plan;
}

function median(runs: number, work: () => void): number {
  const times = Array.from({ length: runs }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  });
  return times.sort((a, b) => a - b)[runs >> 1] ?? 0;
}

const plan = hourLong();
const score = compile(plan, LIBRARY_BOOK);
console.log(
  `A class of ${Math.round(score.totalMs / 60_000)} min: ${score.steps.length} steps, ${score.cues.length} cues`,
);
for (let i = 0; i < 50; i++) compile(plan, LIBRARY_BOOK);
const copy = median(200, () => JSON.parse(JSON.stringify(score)));
const whole = median(200, () => compile(plan, LIBRARY_BOOK));
console.log(
  `compile / copy of the score as JSON: ${(whole / copy).toFixed(2)} (${whole.toFixed(2)} ms)`,
);

let n = 0;
const edited = median(200, () => {
  n++;
  const changed = updateSegment(plan, 's5', (s) => ({ ...s, releaseSeconds: 5 + (n % 5) }));
  compile(changed, LIBRARY_BOOK);
});
console.log(
  `recompile after an edit: ${edited.toFixed(2)} ms, ${(edited / whole).toFixed(2)} of a compile`,
);

const collect = globalThis.gc ?? (() => {});
const heap = () => {
  collect();
  return process.memoryUsage().heapUsed;
};
const before = heap();
for (let i = 0; i < 1000; i++) compile(plan, LIBRARY_BOOK);
console.log(`heap after 1000 compiles / before: ${(heap() / before).toFixed(3)}`);
