'use client';

import { parseSeconds } from '@/core/formats';
import { asKind, DOSE_KINDS, type Dose, traitsOf } from '@/core/move';
import { AmountField } from './amount-field';
import { Choice } from './choice';

/** What a dose has at a place, and the dose with another number there. */
const valueAt = (dose: Dose, [first, second]: readonly string[]): number => {
  const outer = (dose as unknown as Record<string, unknown>)[first ?? ''];
  return (second ? (outer as Record<string, number>)[second] : outer) as number;
};
const withValue = (dose: Dose, [first, second]: readonly string[], value: number): Dose => {
  if (!first) return dose;
  const outer = (dose as unknown as Record<string, object>)[first];
  return { ...dose, [first]: second ? { ...outer, [second]: value } : value } as Dose;
};

export interface DoseFieldsProps {
  dose: Dose;
  /** Takes a dose, or says in a sentence why not. */
  onChange: (dose: Dose) => string | null;
  onSettle: () => void;
}

/** The kind of a dose, and a field for each number of it. */
export function DoseFields({ dose, onChange, onSettle }: DoseFieldsProps) {
  return (
    <>
      <Choice
        label="Dose"
        value={dose.kind}
        options={DOSE_KINDS}
        names={Object.fromEntries(DOSE_KINDS.map((kind) => [kind, traitsOf({ kind }).name]))}
        onChange={(kind) => {
          onChange(asKind(dose, kind));
          onSettle();
        }}
      />
      {traitsOf(dose).fields.map(({ label, path, isTime, unit }) => (
        <AmountField
          key={`${dose.kind} ${label}`}
          label={label}
          value={valueAt(dose, path)}
          unit={isTime ? 's' : unit}
          parse={isTime ? (text) => parseSeconds(text) : undefined}
          help={isTime ? 'seconds, such as 30 or 0:30' : undefined}
          onChange={(n) => onChange(withValue(dose, path, n))}
          onSettle={onSettle}
        />
      ))}
    </>
  );
}
