'use client';

import { useId, useState } from 'react';
import type { Segment, SegmentCues } from '@/core/class';
import { segmentCuesSchema } from '@/core/class';
import type { MoveText } from '@/core/move';

export interface CueFieldsProps {
  segment: Segment;
  text: MoveText;
  onChange: (cues: SegmentCues | undefined, key: string) => void;
  onSettle: () => void;
}

type CueField = keyof SegmentCues;
const FIELDS: { field: CueField; label: string; many: boolean; help: string }[] = [
  { field: 'announce', label: 'Announced as', many: false, help: 'Before the first round' },
  { field: 'setup', label: 'Set-up', many: true, help: 'One cue a line, in full the first time' },
  { field: 'short', label: 'Short reminder', many: false, help: 'Before later rounds' },
  {
    field: 'form',
    label: 'Form reminders',
    many: true,
    help: 'One cue a line, spread over the work',
  },
  { field: 'letGo', label: 'Let go', many: false, help: 'When the work ends' },
];

function withField(cues: SegmentCues | undefined, field: CueField, value: SegmentCues[CueField]) {
  const next = { ...cues, [field]: value };
  if (value === undefined) delete next[field];
  return Object.keys(next).length ? next : undefined;
}

/** The words of a segment. Empty a field to go back to the library's words. */
export function CueFields({ segment, text, onChange, onSettle }: CueFieldsProps) {
  const libraryWords = (field: CueField): string => {
    if (field === 'announce') return `${text.name}.`;
    const words = text[field];
    return Array.isArray(words) ? words.join('\n') : words;
  };
  return (
    <div className="grid gap-4">
      {FIELDS.map(({ field, label, many, help }) => (
        <CueField
          key={field}
          label={label}
          help={help}
          many={many}
          own={segment.cues?.[field]}
          words={libraryWords(field)}
          onChange={(value) =>
            onChange(withField(segment.cues, field, value), `cue ${segment.id} ${field}`)
          }
          onSettle={onSettle}
          check={(value) => {
            const parsed = segmentCuesSchema.safeParse({ [field]: value });
            return parsed.success
              ? null
              : `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
          }}
        />
      ))}
    </div>
  );
}

interface CueFieldProps {
  label: string;
  help: string;
  many: boolean;
  own: string | string[] | undefined;
  words: string;
  onChange: (value: string | string[] | undefined) => void;
  onSettle: () => void;
  check: (value: string | string[]) => string | null;
}

function CueField({ label, help, many, own, words, onChange, onSettle, check }: CueFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const stored = own === undefined ? words : Array.isArray(own) ? own.join('\n') : own;
  const type = (typed: string) => {
    setDraft(typed);
    const lines = typed.split('\n').filter((line) => line.trim() !== '');
    if (lines.length === 0 || typed.trim() === words) {
      setError(null);
      onChange(undefined);
      return;
    }
    const value = many ? lines : lines.join(' ');
    const problem = check(value);
    setError(problem);
    if (!problem) onChange(value);
  };
  return (
    <div>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <label htmlFor={id} className="text-sm font-medium">
          {label}
          {own !== undefined && <span className="text-secondary ml-2">your words</span>}
        </label>
        <span className="quiet text-xs">{help}</span>
      </div>
      <textarea
        id={id}
        rows={many ? 3 : 1}
        value={draft ?? stored}
        onChange={(e) => type(e.target.value)}
        onBlur={() => {
          if (!error) setDraft(null);
          onSettle();
        }}
        aria-invalid={error !== null}
        aria-describedby={error ? `${id}-error` : undefined}
        className={`textarea mt-1 min-h-0 w-full leading-snug ${error ? 'textarea-error' : ''}`}
      />
      {error && (
        <p id={`${id}-error`} role="alert" className="text-error mt-1 text-sm">
          {error}
        </p>
      )}
    </div>
  );
}
