'use client';

import { type CSSProperties, useId, useState } from 'react';

export interface QuickFieldProps {
  /** What the field is called, for those who do not see where it stands. */
  label: string;
  value: string;
  /** Takes what was typed, or says in a sentence why not. */
  onType: (text: string) => string | null;
  onSettle?: () => void;
  /** Shown where it is empty. */
  placeholder?: string;
}

/**
 * A value in a line that can be typed over. Good input takes effect at once; bad input stays as typed,
 * with a sentence that says what to do. Escape gives the stored value back.
 */
export function QuickField({ label, value, onType, onSettle, placeholder }: QuickFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const id = useId();
  const shown = draft ?? value;
  const leave = () => {
    if (error === null) setDraft(null);
    onSettle?.();
  };
  return (
    <span className="inline-block">
      <input
        type="text"
        autoComplete="off"
        aria-label={label}
        placeholder={placeholder}
        value={shown}
        style={{ '--characters': (shown || placeholder || '').length } as CSSProperties}
        onFocus={(e) => {
          if (error === null) setDraft(value);
          e.target.select();
        }}
        onChange={(e) => {
          setDraft(e.target.value);
          setError(onType(e.target.value));
        }}
        onBlur={leave}
        onKeyDown={(e) => {
          if (e.key === 'Enter') e.currentTarget.blur();
          else if (e.key === 'Escape') {
            setDraft(null);
            setError(null);
          } else return;
          e.preventDefault();
          e.stopPropagation();
        }}
        aria-invalid={error !== null}
        aria-describedby={error ? id : undefined}
        className={`quick-field ${error ? 'border-error' : ''}`}
      />
      {error && (
        <span id={id} role="alert" className="text-error mt-1 block w-56 text-sm">
          {error}
        </span>
      )}
    </span>
  );
}
