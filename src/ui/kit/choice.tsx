import { useId } from 'react';

export interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: readonly T[];
  /** What the options are called; an option without a name is called as it is. */
  names?: Partial<Record<T, string>>;
  onChange: (value: T) => void;
  onSettle?: () => void;
  /** Width of the field, as a class. */
  width?: string;
}

/** One choice of a few, with its label. */
export function Choice<T extends string>(props: ChoiceProps<T>) {
  const { label, value, options, names, onChange, onSettle, width = 'w-44' } = props;
  const id = useId();
  return (
    <div className="grid content-start">
      <label htmlFor={id} className="text-sm leading-6 font-medium">
        {label}
      </label>
      <select
        id={id}
        className={`select ${width}`}
        value={value}
        onChange={(e) => onChange(e.target.value as T)}
        onBlur={onSettle}
      >
        {options.map((option) => (
          <option key={option} value={option}>
            {names?.[option] ?? option}
          </option>
        ))}
      </select>
    </div>
  );
}
