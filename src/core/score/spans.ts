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
