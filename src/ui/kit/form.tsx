'use client';

import {
  createContext,
  type ReactNode,
  useContext,
  useEffect,
  useId,
  useRef,
  useState,
} from 'react';
import { byHand, useAct } from './use-act';

/** What became of a form that was sent. */
export interface FormState {
  /** What was typed, but for passwords, by the name of its field. */
  values: Record<string, string>;
  /** What is wrong, by the name of the field. */
  errors: Record<string, string>;
  /** What is wrong with no field in particular. */
  problem: string | null;
  /** What was done. */
  done: string | null;
}

export type FormAct<S extends FormState = FormState> = (state: S, form: FormData) => Promise<S>;

const FRESH: FormState = { values: {}, errors: {}, problem: null, done: null };
/** The last answer, and how many times the form has done what it is for: each time it begins anew. */
export const Sent = createContext<FormState & { times: number }>({ ...FRESH, times: 0 });

/**
 * A form that keeps what was typed, also while an answer is on its way, says what is wrong beside its field, and goes
 * to the first of them. Its fields are filled anew only once it has done what it is for.
 */
export function ActionForm<S extends FormState = FormState>({
  act,
  submit,
  label,
  danger = false,
  over = false,
  below,
  children,
}: {
  act: FormAct<S>;
  /** What the button says. */
  submit: string;
  /** What the form is for, where no heading says so. */
  label?: string;
  danger?: boolean;
  /** There is nothing to send any more, and only what was done is still to be read. */
  over?: boolean;
  /** What the answer leads on to, within the form. */
  below?: (state: S) => ReactNode;
  children?: ReactNode;
}) {
  const [state, action, pending] = useAct<S>(
    act as (state: Awaited<S>, form: FormData) => Promise<S>,
    {
      initial: FRESH as Awaited<S>,
      unanswered: (before, problem) => ({ ...before, problem, done: null }),
    },
  );
  const form = useRef<HTMLFormElement>(null);
  const times = useTimesDone(state);
  useEffect(() => {
    if (state.problem === null && Object.keys(state.errors).length > 0) {
      const wrong = form.current?.querySelector<HTMLElement>('[aria-invalid="true"]');
      (wrong?.querySelector('input') ?? wrong)?.focus();
    }
  }, [state]);
  return (
    <Sent value={{ ...state, times }}>
      <form
        ref={form}
        action={action}
        onSubmit={byHand(action)}
        aria-label={label}
        className="grid gap-4"
        noValidate
      >
        {!over && children}
        {state.problem && (
          <p role="alert" className="text-error font-medium">
            {state.problem}
          </p>
        )}
        <div className="flex flex-wrap items-center gap-3">
          <button
            type="submit"
            hidden={over}
            className={`btn ${danger ? 'btn-outline btn-error' : 'btn-primary'}`}
            disabled={pending}
          >
            {submit}
          </button>
          <p role="status" className="font-medium wrap-anywhere whitespace-pre-line">
            {state.done}
          </p>
        </div>
        {below?.(state)}
      </form>
    </Sent>
  );
}

function useTimesDone(state: FormState): number {
  const [{ seen, times }, setSeen] = useState({ seen: state, times: 0 });
  if (seen === state) return times;
  const now = state.done === null ? times : times + 1;
  setSeen({ seen: state, times: now });
  return now;
}

/** A form whose only content is what stands in a list with a button each, or a sentence with one. */
export function ButtonForm({
  act,
  label,
  children,
}: {
  act: FormAct;
  label: string;
  children: ReactNode;
}) {
  return <ActionForm act={act} submit="" over label={label} below={() => children} />;
}

/** What is wrong with a field, where it is. */
export function Wrong({ says, id }: { says: string | undefined; id?: string }) {
  if (!says) return null;
  return (
    <p id={id} role="alert" className="text-error mt-1 text-sm font-medium">
      {says}
    </p>
  );
}

export interface FieldProps {
  name: string;
  label: string;
  type?: 'text' | 'email' | 'password' | 'date' | 'time' | 'url';
  autoComplete?: string;
  /** What stands in it at first. */
  initial?: string;
  help?: string;
  /** Id of a list of what may be chosen. */
  list?: string;
  inputMode?: 'numeric';
}

/** What was sent of a field, until the page has something else to begin with: another day, where it stood open. */
function useSent(name: string, initial: string): string {
  const { values } = useContext(Sent);
  const [at, setAt] = useState({ values, initial });
  if (at.values !== values) setAt({ values, initial });
  return at.values === values && at.initial !== initial ? initial : (values[name] ?? initial);
}

/** A line to be typed in an `ActionForm`. */
export function Field({ name, label, type = 'text', initial = '', help, ...rest }: FieldProps) {
  const { errors, times } = useContext(Sent);
  const id = useId();
  const wrong = errors[name];
  const value = useSent(name, initial);
  const described = [help && `${id}-help`, wrong && `${id}-wrong`].filter(Boolean).join(' ');
  return (
    <div>
      <label className="grid gap-1">
        <span className="font-medium">{label}</span>
        <input
          key={`${times} ${initial}`}
          name={name}
          type={type}
          defaultValue={type === 'password' ? '' : value}
          aria-invalid={wrong !== undefined}
          aria-describedby={described || undefined}
          className={`input w-full ${wrong ? 'input-error' : ''}`}
          {...rest}
        />
      </label>
      {help && (
        <p id={`${id}-help`} className="quiet mt-1 text-sm">
          {help}
        </p>
      )}
      <Wrong id={`${id}-wrong`} says={wrong} />
    </div>
  );
}
