'use client';

import { useId, useState } from 'react';

export interface AmountFieldProps {
  label: string;
  value: number;
  /** Shown after the field, as in "s" or "times". */
  unit?: string;
  /** Reads what was typed; null where it cannot. */
  parse?: (text: string) => number | null;
  /** Takes a value, or says in a sentence why not. */
  onChange: (value: number) => string | null;
  onSettle?: () => void;
  help?: string;
  className?: string;
}

const plainNumber = (text: string): number | null => {
  const number = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(number) ? number : null;
};

/**
 * A field for an amount. Good input takes effect at once; bad input stays as typed, with a sentence
 * that says what to do, until it is put right.
 */
export function AmountField(props: AmountFieldProps) {
  const { label, value, unit, parse = plainNumber, onChange, onSettle, help, className } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const id = useId();
  const type = (text: string) => {
    setDraft(text);
    const read = parse(text);
    setError(read === null ? `Write ${help ?? 'a number'}.` : onChange(read));
  };
  const leave = () => {
    if (error === null) setDraft(null);
    onSettle?.();
  };
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm leading-6 font-medium">
        {label}
      </label>
      <div className="flex items-center gap-2">
        <input
          id={id}
          type="text"
          inputMode="text"
          autoComplete="off"
          value={draft ?? String(Math.round(value * 100) / 100)}
          onChange={(e) => type(e.target.value)}
          onBlur={leave}
          aria-invalid={error !== null}
          aria-describedby={error ? `${id}-error` : undefined}
          className={`input w-24 ${error ? 'input-error' : ''}`}
        />
        {unit && <span className="quiet text-sm">{unit}</span>}
      </div>
      {error && (
        <p id={`${id}-error`} role="alert" className="text-error mt-1 max-w-60 text-sm">
          {error}
        </p>
      )}
    </div>
  );
}
