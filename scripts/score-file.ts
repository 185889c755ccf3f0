import { readFileSync } from 'node:fs';
import { LIBRARY, LIBRARY_BOOK, libraryMove } from '@library';
import { z } from 'zod';
import { check, type Finding } from '@/core/checks';
import { type Plan, parsePlanText } from '@/core/class';
import { compile, type Score } from '@/core/score';

/** What the checks say of a class, without what a button would do about it. */
export type Told = Pick<Finding, 'check' | 'severity' | 'says' | 'why' | 'segments'>;
export type Scored = { ok: true; score: Score; checks: Told[] } | { ok: false; problems: string[] };

export interface ScoreOptions {
  /** How many times as long as its cues the talk takes, as it was typed. */
  talkingFactor?: string;
  /** A JSON file with the ids of the moves that each person in the room has met, a list a person. */
  room?: string;
}

const USAGE = `Name a plan file: npm run -s score -- examples/five-minutes-cameras-on.upbeat.json
With --talking-factor 1.2 talk takes so many times as long as its cues; with --room met.json the moves that
each person in the room has met are known, as in [["smile-pulses"], []].`;
/** Talk is never shorter than its cues, and hardly longer than three times as long. */
const [LEAST_TALKING, MOST_TALKING] = [0.5, 3];
const factorSchema = z.coerce.number().min(LEAST_TALKING).max(MOST_TALKING);
const roomSchema = z.array(z.array(z.string().max(64)).max(1000)).max(500);

/** The score of a plan file, or what is wrong with the file, one sentence a problem. Never throws. */
export function scoreFile(file: string | undefined, options: ScoreOptions = {}): Scored {
  const wrong = (...problems: string[]): Scored => ({ ok: false, problems });
  if (!file) return wrong(USAGE);
  const factor = factorSchema.safeParse(options.talkingFactor ?? 1);
  if (!factor.success) {
    return wrong(`--talking-factor must be a number from ${LEAST_TALKING} to ${MOST_TALKING}.`);
  }
  const text = contentOf(file);
  if (!text.ok) return wrong(text.problem);
  let met: string[][] = [];
  if (options.room) {
    const room = contentOf(options.room);
    if (!room.ok) return wrong(room.problem);
    try {
      met = roomSchema.parse(JSON.parse(room.value));
    } catch {
      return wrong(
        `${options.room} must be a list of lists of move ids, such as [["smile-pulses"]].`,
      );
    }
  }
  const parsed = parsePlanText(text.value, libraryMove);
  if (!parsed.ok) {
    return wrong(
      ...parsed.problems.map(({ field, message }) =>
        field ? `${file}: ${field} ${message}` : `${file}: ${message}`,
      ),
    );
  }
  const plan = parsed.value;
  const room = met.map((ids) => new Set(ids));
  const compiled = (p: Plan) =>
    compile(p, LIBRARY_BOOK, {
      talkingFactor: factor.data,
      ...(options.room && { room }),
    });
  const score = compiled(plan);
  const people = room.map((ids, i) => {
    const id = `person ${i + 1}`;
    return { id, name: id, cautions: [], met: ids };
  });
  const found = check({
    plan,
    score,
    book: LIBRARY_BOOK,
    shelf: LIBRARY,
    people,
    sessionsAWeek: 1,
    compile: compiled,
  });
  const checks = found.map(({ check: id, severity, says, why, segments }): Told => {
    return { check: id, severity, says, why, segments };
  });
  return { ok: true, score, checks };
}

function contentOf(file: string): { ok: true; value: string } | { ok: false; problem: string } {
  try {
    return { ok: true, value: readFileSync(file, 'utf8') };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, problem: `${file} cannot be read: ${why}` };
  }
}
