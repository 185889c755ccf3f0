import { z } from 'zod';
import { type Copied, PHASES, type Plan, placedSegments, segmentSchema } from '@/core/class';
import { type Move, moveSchema } from '@/core/move';

/** Copied segments lie in this browser's storage, so that they can be put into another class. */
const KEY = 'upbeat-copied-segments';

const copiedSchema = z.object({
  segments: z.array(z.object({ phase: z.enum(PHASES), segment: segmentSchema })),
  /** Moves that the class of origin brought along in its file. */
  moves: z.array(moveSchema),
});

export function copySegments(plan: Plan, ids: readonly string[]): number {
  const segments = placedSegments(plan)
    .filter((p) => ids.includes(p.segment.id))
    .map(({ phase, segment }) => ({ phase, segment }));
  const used = new Set(segments.map((s) => s.segment.move));
  const moves = (plan.moves ?? []).filter((m) => used.has(m.id));
  localStorage.setItem(KEY, JSON.stringify({ segments, moves }));
  return segments.length;
}

/** What was copied last, here or in another class; empty where nothing can be read. */
export function copiedSegments(): { segments: Copied[]; moves: Move[] } {
  const text = localStorage.getItem(KEY);
  const parsed = copiedSchema.safeParse(text === null ? null : JSON.parse(text));
  return parsed.success ? parsed.data : { segments: [], moves: [] };
}
