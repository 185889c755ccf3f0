import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { placedSegments, resolve } from '../class';
import { compile } from '../score';
import { runSheetOf } from '.';

it('has each segment told once, in the order of its first time, and lines that end where the next begins', () => {
  fc.assert(
    fc.property(smallPlan(8), (plan) => {
      const score = compile(plan, LIBRARY_BOOK);
      const { lines, totalMs } = runSheetOf(plan, score, resolve(plan, LIBRARY_BOOK).moves);
      const told = lines.flatMap((line) => ('said' in line || !line.told ? [] : [line.segment.id]));
      const known = new Set(score.steps.map((s) => s.segmentId));
      const wanted = placedSegments(plan).map(({ segment }) => segment.id);
      expect(told.toSorted()).toEqual(wanted.filter((id) => known.has(id)).toSorted());
      lines.forEach((line, i) => {
        if ('said' in line) return;
        expect(line.startMs + line.lengthMs).toBe(lines[i + 1]?.startMs ?? totalMs);
      });
      // A phase is named where it begins, and nowhere else.
      const phases = lines.flatMap((line) => ('said' in line ? [] : (line.phase ?? [])));
      expect(new Set(phases).size).toBe(phases.length);
    }),
    { numRuns: RUNS / 4 },
  );
});
