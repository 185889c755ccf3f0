'use client';

import clsx from 'clsx';
import { Mic, Pin, PinOff, Plus, Undo2, Volume2, VolumeX } from 'lucide-react';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import { hear } from '@/browser/hear';
import {
  type CueRef,
  isMovable,
  isOwn,
  isWritable,
  libraryWords,
  muteCue,
  pinCue,
  printRef,
  type Segment,
  segmentCuesSchema,
  unmuteCue,
  writeCue,
} from '@/core/class';
import { parseSeconds } from '@/core/formats';
import type { Language } from '@/core/language';
import type { MoveText } from '@/core/move';
import type { Cue, CueKind, LeftOut } from '@/core/score';
import { QuickField } from '../kit/quick-field';
import { useAsHigh } from '../kit/use-as-high';

export interface CueListProps {
  segment: Segment;
  text: MoveText;
  /** Cues of this segment in the score, in order. */
  cues: readonly Cue[];
  leftOut: readonly LeftOut[];
  language: Language;
  wordsPerMinute: number;
  onChange: (change: (segment: Segment) => Segment) => void;
  /** Takes what is typed into a field that shows it by itself. */
  onType: (change: (segment: Segment) => Segment, key: string) => void;
  onSettle: () => void;
  onRecord: () => void;
}

const NAMES: Record<CueKind, string> = {
  opening: 'Opening',
  announce: 'Announce',
  setup: 'Set-up',
  short: 'Short',
  side: 'Side',
  dose: 'How much',
  countIn: 'Count-in',
  go: 'Go',
  stage: 'Stage',
  count: 'Counts',
  breath: 'Breath',
  form: 'Reminder',
  letGo: 'Let go',
  release: 'Release',
  questions: 'Questions',
};

interface Line {
  ref: string;
  kind: CueRef['kind'];
  /** Which set-up sentence or reminder it is, from 0 on. */
  index?: number;
  words: string;
  /** How often it is said in the class. */
  times: number;
}

/** Every cue that could be said in the segment, once each, in the order of a round. */
function linesOf({ segment, text, cues }: CueListProps): Line[] {
  const said = new Map<string, Cue[]>();
  for (const cue of cues) {
    if (cue.ref && cue.kind !== 'countIn') said.set(cue.ref, [...(said.get(cue.ref) ?? []), cue]);
  }
  const own = segment.cues;
  const refs: CueRef[] = [
    { kind: 'announce' },
    { kind: 'side' },
    ...(own?.setup ?? text.setup).map((_, index) => ({ kind: 'setup' as const, index })),
    { kind: 'short' },
    { kind: 'dose' },
    ...(own?.form ?? text.form).map((_, index) => ({ kind: 'form' as const, index })),
    { kind: 'breath' },
    { kind: 'count' },
    { kind: 'letGo' },
    { kind: 'release' },
  ];
  const wordsOf = (ref: CueRef): string => {
    const all = said.get(printRef(ref));
    const first = all?.[0]?.text;
    switch (ref.kind) {
      case 'setup':
      case 'form':
        return (own?.[ref.kind] ?? text[ref.kind])[ref.index] ?? '';
      case 'announce':
        return own?.announce ?? first ?? text.name;
      case 'short':
        return own?.short ?? text.short;
      case 'letGo':
        return own?.letGo ?? text.letGo;
      case 'count':
        return (
          all
            ?.map((c) => c.text)
            .slice(0, 5)
            .join(', ') ?? 'counts aloud'
        );
      default:
        return first ?? '';
    }
  };
  const muted = own?.muted ?? [];
  return refs
    .map((ref) => ({
      ...ref,
      ref: printRef(ref),
      words: wordsOf(ref),
      times: said.get(printRef(ref))?.length ?? 0,
    }))
    .filter((line) => line.times > 0 || isWritable(line.ref) || muted.includes(line.ref));
}

/** What is said in a segment, cue by cue: written, moved, muted and heard here. */
export function CueList(props: CueListProps) {
  const { segment, text, onChange, onSettle } = props;
  const add = (kind: 'setup' | 'form') => {
    const list = segment.cues?.[kind] ?? text[kind];
    const words = kind === 'setup' ? 'And then …' : 'Breathe on.';
    onChange((s) => writeCue(s, text, printRef({ kind, index: list.length }), words));
  };
  return (
    <div>
      <ul className="divide-base-300 divide-y" aria-label="Cues">
        {linesOf(props).map((line) => (
          <CueLine key={line.ref} line={line} {...props} />
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        {(['setup', 'form'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn btn-sm"
            disabled={(segment.cues?.[kind] ?? text[kind]).length >= 8}
            onClick={() => {
              add(kind);
              onSettle();
            }}
          >
            <Plus size={16} aria-hidden />
            {kind === 'setup' ? 'A set-up sentence' : 'A reminder'}
          </button>
        ))}
        <button type="button" className="btn btn-sm" onClick={props.onRecord}>
          <Mic size={16} aria-hidden />
          Record in your voice
        </button>
      </div>
    </div>
  );
}

function CueLine({ line, ...props }: CueListProps & { line: Line }) {
  const { segment, text, leftOut, language, wordsPerMinute, onChange, onType, onSettle } = props;
  const { ref, kind, index, words, times } = line;
  const muted = segment.cues?.muted?.includes(ref) ?? false;
  const pin = segment.cues?.pins?.find((p) => p.cue === ref);
  const missing = leftOut.some((l) => l.ref === ref);
  const own = isOwn(segment, ref);
  return (
    <li className="grid grid-cols-[5rem_minmax(0,1fr)_auto] items-start gap-x-2 py-1">
      <span className={clsx('pt-1 text-sm', muted && 'quiet line-through')}>
        {NAMES[kind]}
        {times > 1 && <span className="quiet"> ×{times}</span>}
      </span>
      {isWritable(ref) ? (
        <CueText
          label={index === undefined ? NAMES[kind] : `${NAMES[kind]} ${index + 1}`}
          words={words}
          muted={muted}
          onChange={(typed) => {
            const value = index === undefined ? typed : [typed];
            const parsed = segmentCuesSchema.safeParse({ [kind]: value });
            if (typed.trim() && !parsed.success) {
              return `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
            }
            onType((s) => writeCue(s, text, ref, typed), `cue ${segment.id} ${ref}`);
            return null;
          }}
          onSettle={onSettle}
        />
      ) : (
        <span className={clsx('quiet px-2 pt-1 text-sm', muted && 'line-through')}>{words}</span>
      )}
      <span className="flex items-center gap-0.5">
        {missing && !muted && <span className="text-error mr-1 text-xs">no room</span>}
        {pin && (
          <QuickField
            label={`Said at, in seconds of the work: ${words}`}
            value={`${pin.atSeconds} s`}
            onType={(typed) => {
              const seconds = parseSeconds(typed);
              if (seconds === null || seconds > 600)
                return 'Write seconds from 0 to 600, such as 12.';
              onType((s) => pinCue(s, ref, seconds), `pin ${segment.id} ${ref}`);
              return null;
            }}
            onSettle={onSettle}
          />
        )}
        {isMovable(ref) && (
          <LineButton
            name={pin ? `Let the score place: ${words}` : `Say at a time of its own: ${words}`}
            onClick={() => {
              const at = props.cues.find((c) => c.ref === ref)?.offsetMs ?? 5000;
              onChange((s) => pinCue(s, ref, pin ? null : Math.round(at / 1000)));
              onSettle();
            }}
          >
            {pin ? <PinOff size={16} aria-hidden /> : <Pin size={16} aria-hidden />}
          </LineButton>
        )}
        {own && (
          <LineButton
            name={`Back to the words of the library: ${NAMES[kind]}`}
            onClick={() => {
              onChange((s) => libraryWords(s, ref));
              onSettle();
            }}
          >
            <Undo2 size={16} aria-hidden />
          </LineButton>
        )}
        <LineButton
          name={`Hear: ${words}`}
          onClick={async () => {
            const speaking = await hear({ text: words, language, wordsPerMinute });
            if (!speaking) toast.error('Nothing on this machine can speak at the moment.');
          }}
        >
          <Volume2 size={16} aria-hidden />
        </LineButton>
        <LineButton
          name={muted ? `Say again: ${words}` : `Mute: ${words}`}
          pressed={muted}
          onClick={() => {
            onChange((s) => (muted ? unmuteCue(s, ref) : muteCue(s, ref)));
            onSettle();
          }}
        >
          <VolumeX size={16} aria-hidden />
        </LineButton>
      </span>
    </li>
  );
}

function LineButton(props: {
  name: string;
  pressed?: boolean;
  onClick: () => void;
  children: React.ReactNode;
}) {
  const { name, pressed, onClick, children } = props;
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      aria-pressed={pressed}
      onClick={onClick}
      className={clsx('btn btn-ghost btn-xs btn-square', pressed && 'bg-base-300')}
    >
      {children}
    </button>
  );
}

interface CueTextProps {
  label: string;
  words: string;
  muted: boolean;
  onChange: (typed: string) => string | null;
  onSettle: () => void;
}

function CueText({ label, words, muted, onChange, onSettle }: CueTextProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const asHigh = useAsHigh(draft ?? words);
  return (
    <span>
      <textarea
        ref={asHigh}
        rows={1}
        aria-label={label}
        value={draft ?? words}
        onFocus={() => setDraft((d) => d ?? words)}
        onChange={(e) => {
          const typed = e.target.value.replaceAll('\n', ' ');
          setDraft(typed);
          // An emptied line stays until it is left, so that it can be written anew.
          setError(typed.trim() ? onChange(typed) : null);
        }}
        onBlur={() => {
          if (draft !== null && !draft.trim()) onChange('');
          if (error === null) setDraft(null);
          onSettle();
        }}
        aria-invalid={error !== null}
        aria-describedby={error ? id : undefined}
        className={clsx(
          'field-sizing-content hover:border-base-300 focus:border-base-300 block w-full resize-none rounded-md border border-transparent bg-transparent px-2 py-1 text-sm leading-snug',
          muted && 'quiet line-through',
          error && 'border-error',
        )}
      />
      {error && (
        <span id={id} role="alert" className="text-error text-sm">
          {error}
        </span>
      )}
    </span>
  );
}
