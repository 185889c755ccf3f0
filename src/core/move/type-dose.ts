import { parseSeconds } from '../formats';
import { type Dose, doseBeats, doseSchema } from './dose';

export type TypedDose = { ok: true; dose: Dose } | { ok: false; message: string };

const HOW = 'Write a dose such as 30, 0:30, 2 min, 5 breaths, 12 reps of 4 s, 3 passes or 20@60.';
const WORDS = {
  breath: 'breaths',
  rep: 'reps',
  time: 'reps',
  pass: 'passes',
  stroke: 'passes',
  tap: 'taps',
  flick: 'taps',
  count: 'counts',
} as const;

/**
 * Reads a dose as a teacher types it into one field. What is not said stays as it was: `5 breaths`
 * keeps the breath's length, a bare number the kind of dose, a time on reps becomes as many as fit.
 * Forms: `30`, `0:30`, `2 min`, `5 breaths`, `5 breaths of 8 s`, `12 reps`, `12 × 4 s`, `3 passes`,
 * `20@60`, `20 taps@60`, `about 30 s`.
 */
export function typeDose(text: string, current: Dose): TypedDose {
  const input = text.trim().toLowerCase().replace(',', '.');
  const dose = read(input, current);
  if (!dose) return { ok: false, message: HOW };
  const parsed = doseSchema.safeParse(dose);
  if (parsed.success) return { ok: true, dose: parsed.data };
  return { ok: false, message: `This ${parsed.error.issues[0]?.message ?? 'is not right'}.` };
}

function read(input: string, current: Dose): Dose | null {
  const beat = /^(\d+)\s*(taps?|flicks?|counts?)?\s*@\s*(\d+)$/.exec(input);
  if (beat) {
    const [count, tempo] = [Number(beat[1]), Number(beat[3])];
    const taps = beat[2] ? /^(tap|flick)/.test(beat[2]) : current.kind === 'taps';
    return taps ? { kind: 'taps', taps: count, tempo } : { kind: 'counts', counts: count, tempo };
  }
  const many =
    /^(\d+)\s*(breath|rep|time|pass|stroke|tap|flick|count)(?:s|es)?(?:\s*(?:of|at|×|x)\s*(.+))?$/.exec(
      input,
    );
  if (many) {
    const kind = WORDS[many[2] as keyof typeof WORDS];
    return amountOf(kind, Number(many[1]), many[3], current);
  }
  const times = /^(\d+)\s*[×x*]\s*(.+)$/.exec(input);
  if (times) {
    const kind = current.kind === 'passes' ? 'passes' : 'reps';
    return amountOf(kind, Number(times[1]), times[2], current);
  }
  const about = /^(?:about|~)\s*(.+)$/.exec(input);
  if (about) {
    const seconds = parseSeconds(about[1] ?? '');
    return seconds === null ? null : openOf(seconds, current);
  }
  const bare = /^\d+(\.\d+)?$/.test(input) && !['hold', 'open'].includes(current.kind);
  if (bare) return countOf(current, Number(input));
  const seconds = parseSeconds(input.replace(/\s*hold$/, ''));
  if (seconds === null) return null;
  if (current.kind === 'open') return openOf(seconds, current);
  if (current.kind === 'hold') return { kind: 'hold', seconds };
  return countOf(current, Math.max(1, Math.round((seconds * 1000) / doseBeats(current).beatMs)));
}

/** The same kind of dose with another number of it. */
export function countOf(dose: Dose, count: number): Dose {
  switch (dose.kind) {
    case 'hold':
      return { ...dose, seconds: count };
    case 'open':
      return openOf(count, dose);
    case 'counts':
      return { ...dose, counts: count };
    case 'taps':
      return { ...dose, taps: count };
    case 'breaths':
      return { ...dose, breaths: count };
    case 'reps':
      return { ...dose, reps: count };
    case 'passes':
      return { ...dose, passes: count };
  }
}

function openOf(seconds: number, current: Dose): Dose {
  const [floor, ceiling] =
    current.kind === 'open'
      ? [current.floorSeconds, current.ceilingSeconds]
      : [seconds / 2, seconds * 2];
  return {
    kind: 'open',
    seconds,
    floorSeconds: Math.min(floor, seconds),
    ceilingSeconds: Math.max(ceiling, seconds),
  };
}

function amountOf(
  kind: (typeof WORDS)[keyof typeof WORDS],
  count: number,
  each: string | undefined,
  current: Dose,
): Dose | null {
  const seconds = each === undefined ? null : parseSeconds(each.replace(/\s*(each|beats?)$/, ''));
  if (each !== undefined && seconds === null) return null;
  switch (kind) {
    case 'breaths': {
      const pattern =
        seconds !== null
          ? { in: 0.4 * seconds, hold: 0, out: 0.6 * seconds, pause: 0 }
          : current.kind === 'breaths'
            ? current.pattern
            : { in: 4, hold: 0, out: 6, pause: 0 };
      return { kind, breaths: count, pattern };
    }
    case 'reps': {
      const usual = current.kind === 'reps' ? current.secondsEach : 4;
      return { kind, reps: count, secondsEach: seconds ?? usual };
    }
    case 'passes': {
      const usual = current.kind === 'passes' ? current.secondsEach : 4;
      return { kind, passes: count, secondsEach: seconds ?? usual };
    }
    case 'taps':
    case 'counts': {
      const usual = current.kind === 'taps' || current.kind === 'counts' ? current.tempo : 60;
      const tempo = seconds ?? usual;
      return kind === 'taps' ? { kind, taps: count, tempo } : { kind, counts: count, tempo };
    }
  }
}
