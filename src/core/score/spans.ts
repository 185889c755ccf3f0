import type { Score, Step } from './score';

/** Where a segment lies on the clock. In a circuit it may come back; its time is the sum of its turns. */
export interface SegmentSpan {
  segmentId: string;
  startMs: number;
  durationMs: number;
  workMs: number;
  steps: Step[];
}

export function segmentSpans(score: Score): Map<string, SegmentSpan> {
  const spans = new Map<string, SegmentSpan>();
  for (const step of score.steps) {
    let span = spans.get(step.segmentId);
    if (!span) {
      span = {
        segmentId: step.segmentId,
        startMs: step.startMs,
        durationMs: 0,
        workMs: 0,
        steps: [],
      };
      spans.set(step.segmentId, span);
    }
    span.durationMs += step.durationMs;
    if (step.kind === 'work') span.workMs += step.durationMs;
    span.steps.push(step);
  }
  return spans;
}

/** A stretch of a class in which one segment is done without another between. */
export interface SegmentRun {
  segmentId: string;
  steps: [Step, ...Step[]];
  startMs: number;
  endMs: number;
}

/** The class as stretches of one segment each; in a circuit a segment has as many as it has laps. */
export function segmentRuns(score: Score): SegmentRun[] {
  const runs: SegmentRun[] = [];
  for (const step of score.steps) {
    const endMs = step.startMs + step.durationMs;
    const last = runs.at(-1);
    if (last?.segmentId === step.segmentId) {
      last.steps.push(step);
      last.endMs = endMs;
    } else runs.push({ segmentId: step.segmentId, steps: [step], startMs: step.startMs, endMs });
  }
  return runs;
}
