import type { z } from 'zod';
import { PHASES, type Plan, placedSegments, planSchema } from './plan';

export interface Problem {
  /** The field, as in `phases.work[0].segments[1].rounds`; empty for the whole file. */
  field: string;
  message: string;
}
export type Parsed<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const MAX_PLAN_BYTES = 1_000_000;

export function fieldName(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    '',
  );
}

export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => ({ field: fieldName(issue.path), message: issue.message }));
}

/**
 * Reads a class from already-parsed JSON and makes sure that every move it names is known, either
 * in the library or among the moves it carries.
 */
export function parsePlan(json: unknown, isKnown: (moveId: string) => boolean): Parsed<Plan> {
  const result = planSchema.safeParse(json);
  if (!result.success) return { ok: false, problems: problemsOf(result.error) };
  const plan = result.data;
  const own = new Set(plan.moves?.map((m) => m.id));
  const problems: Problem[] = [];
  for (const phase of PHASES) {
    plan.phases[phase].forEach((block, b) => {
      block.segments.forEach(({ move }, s) => {
        if (own.has(move) || isKnown(move)) return;
        problems.push({
          field: fieldName(['phases', phase, b, 'segments', s, 'move']),
          message: `names the move "${move}", which is neither in the library nor among the file's own moves`,
        });
      });
    });
  }
  return problems.length ? { ok: false, problems } : { ok: true, value: plan };
}

/** Reads a class from the text of a plan file. Never throws. */
export function parsePlanText(text: string, isKnown: (moveId: string) => boolean): Parsed<Plan> {
  const whole = (message: string): Parsed<Plan> => ({
    ok: false,
    problems: [{ field: '', message }],
  });
  if (text.length > MAX_PLAN_BYTES) {
    return whole(`The file holds ${text.length} characters; a plan file has at most 1 000 000.`);
  }
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return whole(`The file is not JSON: ${why}`);
  }
  return parsePlan(json, isKnown);
}

export function hasSegments(plan: Plan): boolean {
  return placedSegments(plan).length > 0;
}
