'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import clsx from 'clsx';
import { ArrowDown, ArrowUp, GripVertical, Trash2 } from 'lucide-react';
import { type Block, type Segment, segmentSchema } from '@/core/class';
import { clock, parseSeconds } from '@/core/formats';
import {
  doseLabel,
  hasVariant,
  inVariant,
  type Language,
  type Move,
  RELEASE_NAMES,
  RELEASES,
  SIDES,
  SIDES_NAMES,
  VARIANTS,
  variantText,
} from '@/core/move';
import type { SegmentSpan } from '@/core/score';
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';
import { KindGlyph } from '../kit/kind-glyph';
import { MoveCautions } from '../kit/move-cautions';
import { CueFields } from './cue-fields';
import { DoseFields } from './dose-fields';

export interface SegmentCardProps {
  block: Block;
  segment: Segment;
  move: Move;
  language: Language;
  span: SegmentSpan | undefined;
  selected: boolean;
  onSelect: () => void;
  onChange: (change: (segment: Segment) => Segment, key: string) => void;
  onSettle: () => void;
  onRemove: () => void;
  /** Moves the block up or down; undefined at the ends. */
  onMove: { up?: () => void; down?: () => void };
}

/** One segment in the running order: a line that opens to its settings. */
export function SegmentCard(props: SegmentCardProps) {
  const { block, segment, move, language, span, selected, onSelect, onMove, onRemove } = props;
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: block.id,
  });
  const name = variantText(move, language, undefined).name;
  const keys = (event: React.KeyboardEvent) => {
    if (event.altKey && event.key === 'ArrowUp') onMove.up?.();
    else if (event.altKey && event.key === 'ArrowDown') onMove.down?.();
    else if (event.key === 'Delete') onRemove();
    else return;
    event.preventDefault();
  };
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={clsx(
        'bg-base-100 rounded-box border',
        selected ? 'border-base-content ring-base-content ring-1' : 'border-base-300',
        isDragging && 'z-10 opacity-80 shadow-lg',
      )}
    >
      <div className="flex items-center gap-1 pr-3">
        <button
          type="button"
          className="btn btn-ghost btn-sm cursor-grab px-1"
          {...attributes}
          {...listeners}
          aria-label={`Drag ${name}`}
        >
          <GripVertical size={18} aria-hidden />
        </button>
        <button
          type="button"
          id={`segment-${segment.id}`}
          aria-expanded={selected}
          aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown Delete"
          onClick={onSelect}
          onKeyDown={keys}
          className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3 gap-y-1 rounded-lg py-2 text-left"
        >
          <span className="figures quiet w-12 text-sm">{clock(span?.startMs ?? 0)}</span>
          <KindGlyph kind={move.kind} />
          <span className="min-w-32 flex-1 font-semibold">{name}</span>
          <span className="flex flex-wrap gap-1.5 text-sm">
            <Chip>{doseLabel(segment.dose)}</Chip>
            {segment.sides !== 'together' && <Chip>{SIDES_NAMES[segment.sides]}</Chip>}
            {segment.rounds > 1 && <Chip>{`× ${segment.rounds}`}</Chip>}
            {segment.releaseSeconds > 0 && <Chip>release {segment.releaseSeconds} s</Chip>}
          </span>
          <span className="figures w-14 text-right text-lg font-bold">
            {clock(span?.durationMs ?? 0)}
          </span>
        </button>
      </div>
      {selected && <SegmentSettings {...props} name={name} />}
    </li>
  );
}

function Chip({ children }: { children: React.ReactNode }) {
  return <span className="border-base-300 rounded-full border px-2.5 py-0.5">{children}</span>;
}

function SegmentSettings(props: SegmentCardProps & { name: string }) {
  const { segment, move, language, onChange, onSettle, onRemove, onMove, name } = props;
  /** Makes a change if the segment stays valid, else says in a sentence why not. */
  const attempt = (change: Partial<Segment>, key: string): string | null => {
    const parsed = segmentSchema.safeParse({ ...segment, ...change });
    if (!parsed.success) return `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
    onChange((s) => ({ ...s, ...change }), `${key} ${segment.id}`);
    return null;
  };
  const seconds = (label: string, field: 'releaseSeconds' | 'restSeconds') => (
    <AmountField
      label={label}
      value={segment[field]}
      unit="s"
      parse={(text) => parseSeconds(text)}
      help="seconds, such as 10"
      onChange={(n) => attempt({ [field]: n }, field)}
      onSettle={onSettle}
    />
  );
  return (
    <div className="border-base-300 border-t px-4 pt-3 pb-4">
      <div className="flex flex-wrap gap-x-5 gap-y-3">
        <DoseFields
          dose={segment.dose}
          onChange={(dose) => attempt({ dose }, 'dose')}
          onSettle={onSettle}
        />
        <Choice
          label="Sides"
          width="w-56"
          value={segment.sides}
          options={SIDES}
          names={SIDES_NAMES}
          onChange={(sides) => attempt({ sides }, 'sides')}
          onSettle={onSettle}
        />
        <AmountField
          label="Rounds"
          value={segment.rounds}
          onChange={(n) => attempt({ rounds: n }, 'rounds')}
          onSettle={onSettle}
        />
        {(hasVariant(move, 'easier') || hasVariant(move, 'harder')) && (
          <Choice
            label="Version"
            width="w-36"
            value={segment.variant ?? ''}
            options={['' as const, ...VARIANTS.filter((v) => hasVariant(move, v))]}
            names={{ '': 'as usual' }}
            onChange={(variant) => attempt({ variant: variant || undefined }, 'variant')}
            onSettle={onSettle}
          />
        )}
        <Choice
          label="Let go by"
          value={segment.release ?? move.release}
          options={RELEASES}
          names={RELEASE_NAMES}
          onChange={(release) => attempt({ release }, 'letGoBy')}
          onSettle={onSettle}
        />
        {seconds('Release', 'releaseSeconds')}
        {seconds('Rest', 'restSeconds')}
      </div>
      <MoveCautions move={inVariant(move, segment.variant)} />
      <details className="mt-4">
        <summary className="cursor-pointer font-medium">Cues</summary>
        <div className="mt-3">
          <CueFields
            segment={segment}
            text={variantText(move, language, segment.variant)}
            onChange={(cues, key) =>
              onChange((s) => {
                const { cues: _, ...rest } = s;
                return cues ? { ...rest, cues } : rest;
              }, key)
            }
            onSettle={onSettle}
          />
        </div>
      </details>
      <div className="mt-4 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" disabled={!onMove.up} onClick={onMove.up}>
          <ArrowUp size={16} aria-hidden /> Earlier{' '}
          <span className="key-cap" aria-hidden>
            Alt ↑
          </span>
        </button>
        <button type="button" className="btn btn-sm" disabled={!onMove.down} onClick={onMove.down}>
          <ArrowDown size={16} aria-hidden /> Later{' '}
          <span className="key-cap" aria-hidden>
            Alt ↓
          </span>
        </button>
        <button type="button" className="btn btn-sm" onClick={onRemove}>
          <Trash2 size={16} aria-hidden /> Remove <span className="sr-only">{name}</span>{' '}
          <span className="key-cap" aria-hidden>
            Del
          </span>
        </button>
      </div>
    </div>
  );
}
