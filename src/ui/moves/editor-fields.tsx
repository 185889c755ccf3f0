import { useId, useState } from 'react';
import { type Control, type UseFormRegisterReturn, useController } from 'react-hook-form';
import type { Move } from '@/core/move';
import { Wrong } from '../kit/form';

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

interface TextProps {
  label: string;
  wrong: string | undefined;
}

export function TextLine({ label, wrong, ...field }: TextProps & UseFormRegisterReturn) {
  const id = useId();
  return (
    <div>
      <label className="grid gap-1">
        <span className="text-sm font-medium">{label}</span>
        <input
          className={`input w-full ${wrong ? 'input-error' : ''}`}
          maxLength={240}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong && id}
          {...field}
        />
      </label>
      <Wrong id={id} says={wrong} />
    </div>
  );
}

interface TextAreaProps extends TextProps {
  control: Control<Move>;
  name: 'text.en.setup' | 'text.en.form';
}

/** Cues, one a line. What is typed stays as it is; empty lines and spaces around are no cues. */
export function TextArea({ label, wrong, control, name }: TextAreaProps) {
  const id = useId();
  const { field } = useController({ control, name });
  const [typed, setTyped] = useState((field.value ?? []).join('\n'));
  return (
    <div>
      <label className="grid gap-1">
        <span className="text-sm font-medium">{label}</span>
        <textarea
          ref={field.ref}
          className={`textarea w-full ${wrong ? 'textarea-error' : ''}`}
          rows={3}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong && id}
          value={typed}
          onBlur={field.onBlur}
          onChange={(e) => {
            setTyped(e.target.value);
            field.onChange(linesOf(e.target.value));
          }}
        />
      </label>
      <Wrong id={id} says={wrong} />
    </div>
  );
}

interface ChecksProps<T extends string> {
  label: string;
  all: readonly T[];
  names?: Record<T, string>;
  chosen: readonly T[];
  onChange: (chosen: T[]) => void;
}

export function Checks<T extends string>({ label, all, names, chosen, onChange }: ChecksProps<T>) {
  return (
    <fieldset>
      <legend className="text-sm font-medium">{label}</legend>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1.5">
        {all.map((value) => (
          <label key={value} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={chosen.includes(value)}
              onChange={(e) =>
                onChange(e.target.checked ? [...chosen, value] : chosen.filter((c) => c !== value))
              }
            />
            {names?.[value] ?? value}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
