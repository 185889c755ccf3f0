'use client';

import { parseSeconds } from '@/core/formats';
import { type BreathPattern, DOSE_KINDS, type Dose, type DoseKind, doseMs } from '@/core/move';
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';

const NAMES: Record<DoseKind, string> = {
  hold: 'Hold',
  counts: 'Counts',
  breaths: 'Breaths',
  reps: 'Reps',
  passes: 'Passes',
  taps: 'Taps',
  open: 'As long as feels good',
};

const round = (n: number) => Math.max(1, Math.round(n));

/** Another kind of dose of about the same length, so that changing the kind keeps the class in shape. */
function sameLengthAs(dose: Dose, kind: DoseKind): Dose {
  const seconds = doseMs(dose) / 1000;
  const pattern: BreathPattern =
    dose.kind === 'breaths' ? dose.pattern : { in: 4, hold: 0, out: 6, pause: 0 };
  switch (kind) {
    case 'hold':
      return { kind, seconds: round(seconds) };
    case 'counts':
      return { kind, counts: round(seconds), tempo: 60 };
    case 'taps':
      return { kind, taps: round(seconds), tempo: 60 };
    case 'reps':
      return { kind, reps: round(seconds / 4), secondsEach: 4 };
    case 'passes':
      return { kind, passes: round(seconds / 4), secondsEach: 4 };
    case 'breaths':
      return { kind, breaths: round(seconds / 10), pattern };
    case 'open': {
      const open = Math.max(10, round(seconds));
      return { kind, seconds: open, floorSeconds: open / 2, ceilingSeconds: open * 2 };
    }
  }
}

export interface DoseFieldsProps {
  dose: Dose;
  /** Takes a dose, or says in a sentence why not. */
  onChange: (dose: Dose) => string | null;
  onSettle: () => void;
}

export function DoseFields({ dose, onChange, onSettle }: DoseFieldsProps) {
  const amount = (label: string, value: number, change: (n: number) => Dose, unit?: string) => (
    <AmountField
      key={`${dose.kind} ${label}`}
      label={label}
      value={value}
      unit={unit}
      onChange={(n) => onChange(change(n))}
      onSettle={onSettle}
    />
  );
  const seconds = (label: string, value: number, change: (n: number) => Dose) => (
    <AmountField
      key={`${dose.kind} ${label}`}
      label={label}
      value={value}
      unit="s"
      parse={(text) => parseSeconds(text)}
      help="seconds, such as 30 or 0:30"
      onChange={(n) => onChange(change(n))}
      onSettle={onSettle}
    />
  );
  return (
    <>
      <Choice
        label="Dose"
        value={dose.kind}
        options={DOSE_KINDS}
        names={NAMES}
        onChange={(kind) => {
          onChange(sameLengthAs(dose, kind));
          onSettle();
        }}
      />
      {dose.kind === 'hold' && seconds('Hold for', dose.seconds, (n) => ({ ...dose, seconds: n }))}
      {dose.kind === 'open' && (
        <>
          {seconds('Usually', dose.seconds, (n) => ({ ...dose, seconds: n }))}
          {seconds('At least', dose.floorSeconds, (n) => ({ ...dose, floorSeconds: n }))}
          {seconds('At most', dose.ceilingSeconds, (n) => ({ ...dose, ceilingSeconds: n }))}
        </>
      )}
      {dose.kind === 'counts' && (
        <>
          {amount('Count to', dose.counts, (n) => ({ ...dose, counts: n }))}
          {amount('Tempo', dose.tempo, (n) => ({ ...dose, tempo: n }), 'a minute')}
        </>
      )}
      {dose.kind === 'taps' && (
        <>
          {amount('Taps', dose.taps, (n) => ({ ...dose, taps: n }))}
          {amount('Tempo', dose.tempo, (n) => ({ ...dose, tempo: n }), 'a minute')}
        </>
      )}
      {dose.kind === 'reps' && (
        <>
          {amount('Reps', dose.reps, (n) => ({ ...dose, reps: n }), 'times')}
          {seconds('Each takes', dose.secondsEach, (n) => ({ ...dose, secondsEach: n }))}
        </>
      )}
      {dose.kind === 'passes' && (
        <>
          {amount('Passes', dose.passes, (n) => ({ ...dose, passes: n }), 'times')}
          {seconds('Each takes', dose.secondsEach, (n) => ({ ...dose, secondsEach: n }))}
        </>
      )}
      {dose.kind === 'breaths' && (
        <>
          {amount('Breaths', dose.breaths, (n) => ({ ...dose, breaths: n }))}
          {(['in', 'hold', 'out', 'pause'] as const).map((part) =>
            seconds(
              { in: 'In', hold: 'Hold', out: 'Out', pause: 'Pause' }[part],
              dose.pattern[part],
              (n) => ({ ...dose, pattern: { ...dose.pattern, [part]: n } }),
            ),
          )}
        </>
      )}
    </>
  );
}
