import { notFound } from 'next/navigation';
import { z } from 'zod';
import { isNoText, tooMuchIn } from '@/core/bounded';
import { Refusal } from '@/core/calls';
import { ERRAND } from '@/core/calls/errand';
import { isDataError } from '@/server/db';
import type { Errand } from '@/server/errands';
import { metrics } from '@/server/watch/metrics';
import type { FormState } from '@/ui/kit/form';

const UNREADABLE = 'This holds signs that cannot be stored. Write it anew.';
const NO_VALUE = 'A number or a date in this is out of all bounds. Look at it again.';
/** Whether something was ticked. */
export const tickedSchema = z
  .literal('on')
  .optional()
  .transform((on) => on === 'on');
const NOT_TYPED = new Set(['password', 'current', ERRAND]);

/** What was typed into a form, but for passwords, which are not sent back. */
function typed(form: FormData): Record<string, string> {
  const lines = [...form].filter(
    (entry): entry is [string, string] =>
      typeof entry[1] === 'string' && !NOT_TYPED.has(entry[0]) && !entry[0].startsWith('$'),
  );
  return Object.fromEntries(lines);
}

/** What is said of a form in the language of whoever sends it, where that is not English. */
export interface SaidOfForm {
  /** Why the server says no. */
  refused?: (refusal: Refusal) => string;
  /** What is wrong with a field, by its name. */
  wrong?: Readonly<Record<string, string>>;
  unreadable?: string;
}

/**
 * Reads a form and does what it asks for. What is wrong with it, and what the server says no to, is told
 * beside what was typed.
 * @param work does it; gives what to say when it is done
 */
export async function answerForm<S extends z.ZodType>(
  form: FormData,
  schema: S,
  work: (given: z.output<S>) => Promise<string>,
  { refused = ({ message }) => message, wrong = {}, unreadable = UNREADABLE }: SaidOfForm = {},
): Promise<FormState> {
  const values = typed(form);
  const noText = Object.entries(values).filter(([, text]) => isNoText(text));
  if (noText.length > 0) {
    const errors = Object.fromEntries(noText.map(([name]) => [name, unreadable]));
    return { values, errors, problem: null, done: null };
  }
  const parsed = schema.safeParse(Object.fromEntries(form));
  if (!parsed.success) {
    const errors = z.flattenError(parsed.error).fieldErrors as Record<string, string[]>;
    const first = Object.entries(errors).map(([name, all]) => [
      name,
      wrong[name] ?? all[0] ?? 'This is not right.',
    ]);
    return { values, errors: Object.fromEntries(first), problem: null, done: null };
  }
  try {
    return { values, errors: {}, problem: null, done: await work(parsed.data) };
  } catch (error) {
    if (isDataError(error)) return { values, errors: {}, problem: NO_VALUE, done: null };
    if (!(error instanceof Refusal)) throw error;
    metrics().refusals.inc({ code: error.code });
    const field = FIELD_OF[error.code];
    if (field) return { values, errors: { [field]: refused(error) }, problem: null, done: null };
    return { values, errors: {}, problem: refused(error), done: null };
  }
}

/** Refusals that are about one field. */
const FIELD_OF: Partial<Record<string, string>> = {
  'email-taken': 'email',
  'wrong-password': 'current',
  'time-missing': 'missing',
  'time-twice': 'twice',
  'too-many-sessions': 'count',
  'no-sessions': 'last',
  'nobody-chosen': 'person',
  'in-the-way': 'sure',
  'forgets-now': 'sure',
};

/** What an action was given. No page gives anything else; whoever makes it up finds nothing. */
export function given<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const parsed = tooMuchIn(value) ? undefined : schema.safeParse(value);
  return parsed?.success ? parsed.data : notFound();
}

/** What a form sends along as JSON. */
export const asJson = <S extends z.ZodType>(schema: S) =>
  z
    .string()
    .max(20_000)
    .transform((text, of): unknown => {
      try {
        return JSON.parse(text);
      } catch {
        of.addIssue('This cannot be read.');
        return z.NEVER;
      }
    })
    .pipe(schema);

/** As text, since what was brought in from elsewhere need not be what may be typed here. */
const shownSchema = asJson(z.record(z.string(), z.string()));

/**
 * What was changed of what a form had shown (`Shown`): all else stays as it is by now, since somebody else may have
 * changed it. All of it, where the form does not say what it had shown.
 */
export function touchedIn<T extends object>(form: FormData, wanted: T): Partial<T> {
  if (!form.has('was')) return wanted;
  const was = given(shownSchema, form.get('was'));
  const touched = Object.entries(wanted).filter(
    ([name]) => (form.get(name) ?? '') !== (was[name] ?? ''),
  );
  return Object.fromEntries(touched) as Partial<T>;
}

/** The errand that a form was sent for. */
export const errandIn = (form: FormData, now: number): Errand => ({
  errand: given(z.uuid().optional(), form.get(ERRAND) ?? undefined),
  now,
});

/** An id that an action was given. */
export const idOf = (value: unknown): string => given(z.uuid(), value);
