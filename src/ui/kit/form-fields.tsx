'use client';

import { type ReactNode, useContext, useId } from 'react';
import { Sent, Wrong } from './form';

/** What an `ActionForm` was filled in with, sent along so that only what was changed of it is. */
export const Shown = ({ was }: { was: Record<string, string> }) => (
  <input type="hidden" name="was" value={JSON.stringify(was)} />
);

/** Some lines to be typed in an `ActionForm`. */
export function Area({ name, label }: { name: string; label: string }) {
  const { values, errors, times } = useContext(Sent);
  const id = useId();
  const wrong = errors[name];
  const value = values[name] ?? '';
  return (
    <div>
      <label className="grid gap-1">
        <span className="font-medium">{label}</span>
        <textarea
          key={times}
          name={name}
          rows={6}
          defaultValue={value}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong && id}
          className={`textarea w-full ${wrong ? 'textarea-error' : ''}`}
        />
      </label>
      <Wrong id={id} says={wrong} />
    </div>
  );
}

/** One choice of a few in an `ActionForm`. */
export function Select<T extends string>({
  name,
  label,
  options,
  names,
  initial,
}: {
  name: string;
  label: string;
  options: readonly T[];
  names: Record<T, string>;
  initial: T;
}) {
  const { values, errors, times } = useContext(Sent);
  const id = useId();
  const wrong = errors[name];
  const value = values[name] ?? initial;
  return (
    <div>
      <label className="grid gap-1">
        <span className="font-medium">{label}</span>
        <select
          key={`${times} ${initial}`}
          name={name}
          defaultValue={value}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong && id}
          className={`select w-full ${wrong ? 'select-error' : ''}`}
        >
          {options.map((option) => (
            <option key={option} value={option}>
              {names[option]}
            </option>
          ))}
        </select>
      </label>
      <Wrong id={id} says={wrong} />
    </div>
  );
}

/** A number from 0 on in an `ActionForm`; none is chosen at first, so that each that is sent was meant. */
export function Scale({ name, label, most }: { name: string; label: string; most: number }) {
  const { values, errors, times } = useContext(Sent);
  const id = useId();
  const wrong = errors[name];
  return (
    <div
      role="radiogroup"
      aria-labelledby={`${id}-label`}
      aria-invalid={wrong !== undefined}
      aria-describedby={wrong && id}
    >
      <p id={`${id}-label`} className="mb-1 font-medium">
        {label}
      </p>
      <div key={times} className="flex max-w-md gap-1">
        {Array.from({ length: most + 1 }, (_, n) => String(n)).map((n) => (
          <input
            key={n}
            type="radio"
            name={name}
            value={n}
            aria-label={n}
            defaultChecked={values[name] === n}
            className="btn btn-sm min-w-0 flex-1 px-0"
          />
        ))}
      </div>
      <Wrong id={id} says={wrong} />
    </div>
  );
}

/** Shows something once the answer has asked about a field, and as long as it was answered. */
export function WhenAsked({ about, children }: { about: string; children: ReactNode }) {
  const { values, errors } = useContext(Sent);
  return errors[about] || values[about] ? children : null;
}

/** Where an answer has asked whether something is really meant: what it says, and a tick that means yes. */
export function Sure({ label }: { label: string }) {
  const { errors } = useContext(Sent);
  return (
    <WhenAsked about="sure">
      <div>
        <Wrong says={errors.sure} />
        <Tick name="sure" label={label} />
      </div>
    </WhenAsked>
  );
}

/** Something to tick in an `ActionForm`. */
export function Tick({
  name,
  label,
  initial = false,
}: {
  name: string;
  label: string;
  /** Whether it is ticked at first. */
  initial?: boolean;
}) {
  const { values, done, times } = useContext(Sent);
  const answered = Object.keys(values).length > 0 && done === null;
  const on = answered ? values[name] === 'on' : initial;
  return (
    <label className="flex items-center gap-2">
      <input
        key={`${times} ${initial}`}
        type="checkbox"
        className="checkbox checkbox-sm"
        name={name}
        defaultChecked={on}
      />
      {label}
    </label>
  );
}
