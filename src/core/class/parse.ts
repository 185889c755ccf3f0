import type { z } from 'zod';
import { tooMuchIn } from '../bounded';
import { type Move, moveSchema } from '../move';
import { segmentOf } from './edit';
import { overfull, PHASES, type Plan, placedSegments, planSchema } from './plan';

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

/** Nobody reads more complaints than these at once. */
export const MOST_PROBLEMS = 40;

/** What is wrong, the first of it where there is much. */
export function problemsOf(error: z.ZodError): Problem[] {
  const { issues } = error;
  const problems = issues
    .slice(0, MOST_PROBLEMS)
    .map((issue) => ({ field: fieldName(issue.path), message: issue.message }));
  const more = issues.length - problems.length;
  if (more > 0) problems.push({ field: '', message: `and ${more} more of this kind` });
  return problems;
}

/** Why a class cannot be kept as it is, as a sentence; null where it can. */
export function problemOfPlan(plan: Plan): string | null {
  const { error } = planSchema.safeParse(plan);
  if (!error) return null;
  const { field, message } = problemsOf(error)[0] ?? { field: '', message: 'is not right' };
  return overfull(plan) ?? `This class cannot be kept: ${field} ${message}.`;
}

type Json = Record<string, unknown>;
const isObject = (json: unknown): json is Json =>
  typeof json === 'object' && json !== null && !Array.isArray(json);
/** As many as a phase or a block may hold; what is longer is refused as it is. */
const MOST_FILLED = 60;

/**
 * A plan file with what its author may leave out: of a segment all that its move has a usual way for, and
 * ids; and a segment may stand in a phase without a block around it.
 */
function filledIn(json: unknown, moveOf: (id: string) => Move | undefined): unknown {
  if (!isObject(json) || !isObject(json.phases)) return json;
  const own = new Map(
    (Array.isArray(json.moves) ? json.moves : []).flatMap((move) => {
      const parsed = moveSchema.safeParse(move);
      return parsed.success ? [[parsed.data.id, parsed.data] as const] : [];
    }),
  );
  const taken = new Set<unknown>();
  const objectsIn = (list: unknown) =>
    Array.isArray(list) && list.length <= MOST_FILLED ? list.filter(isObject) : [];
  for (const blocks of Object.values(json.phases)) {
    for (const block of objectsIn(blocks)) {
      for (const { id } of [block, ...objectsIn(block.segments)]) taken.add(id);
    }
  }
  const free = (prefix: string): string => {
    let n = 1;
    while (taken.has(`${prefix}${n}`)) n++;
    taken.add(`${prefix}${n}`);
    return `${prefix}${n}`;
  };
  const segment = (given: unknown): unknown => {
    if (!isObject(given)) return given;
    const move =
      typeof given.move === 'string' ? (own.get(given.move) ?? moveOf(given.move)) : null;
    const { id, ...usual } = move ? segmentOf(move, '') : { id: '' };
    return { ...usual, id: free('s'), ...given };
  };
  const block = (given: unknown): unknown => {
    if (!isObject(given)) return given;
    if ('move' in given && !('segments' in given)) {
      return { id: free('block-'), order: 'straight', segments: [segment(given)] };
    }
    const { segments } = given;
    return {
      id: free('block-'),
      order: 'straight',
      ...given,
      ...(Array.isArray(segments) && {
        segments: segments.length <= MOST_FILLED ? segments.map(segment) : segments,
      }),
    };
  };
  const phases = Object.fromEntries(
    Object.entries(json.phases).map(([name, blocks]) => [
      name,
      Array.isArray(blocks) && blocks.length <= MOST_FILLED ? blocks.map(block) : blocks,
    ]),
  );
  return { ...json, phases };
}

/** Makes sure that every move a class names is known, either in the library or among the moves it carries. */
function unknownMoves(plan: Plan, isKnown: (moveId: string) => boolean): Problem[] {
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
  return problems;
}

/** Reads a class from already-parsed JSON, as the application keeps it. */
export function parsePlan(json: unknown, isKnown: (moveId: string) => boolean): Parsed<Plan> {
  const result = planSchema.safeParse(json);
  if (!result.success) return { ok: false, problems: problemsOf(result.error) };
  const problems = unknownMoves(result.data, isKnown);
  return problems.length
    ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
    : { ok: true, value: result.data };
}

/**
 * Reads a class from the text of a plan file, which a person may have written: what has a usual way may be
 * left out. What cannot be done as it is written is told by the checks. Never throws.
 */
export function parsePlanText(
  text: string,
  moveOf: (moveId: string) => Move | undefined,
): Parsed<Plan> {
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
  const tooMuch = tooMuchIn(json);
  if (tooMuch) return whole(`The file ${tooMuch}.`);
  return parsePlan(filledIn(json, moveOf), (id) => moveOf(id) !== undefined);
}

export function hasSegments(plan: Plan): boolean {
  return placedSegments(plan).length > 0;
}
