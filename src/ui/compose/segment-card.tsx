'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import clsx from 'clsx';
import { GripVertical, Lock } from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { type Segment, segmentSchema } from '@/core/class';
import { clock } from '@/core/formats';
import type { Language } from '@/core/language';
import { doseLabel, KIND_NAMES, type Move, SIDES_NAMES, typeDose, variantText } from '@/core/move';
import { KindGlyph } from '../kit/kind-glyph';
import { QuickField } from '../kit/quick-field';
import { type ComposeActions, useComposeActions } from './actions';
import { dragId } from './landing';

export interface SegmentCardProps {
  segment: Segment;
  move: Move;
  language: Language;
  startMs: number;
  durationMs: number;
  /** Part of a group, which says how often it comes round. */
  grouped: boolean;
  selected: boolean;
  changed: boolean;
  /** Its time has come in a rehearsal. */
  playing: boolean;
  /** The settings of a segment that stands open. */
  children?: ReactNode;
}

/** One segment in the running order: a line that opens to its settings. */
export const SegmentCard = memo(function SegmentCard(props: SegmentCardProps) {
  const { segment, move, language, startMs, durationMs, selected, changed, playing, children } =
    props;
  const actions = useComposeActions();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: dragId.segment(segment.id),
  });
  const name = variantText(move, language, undefined).name;
  const open = children !== undefined;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={clsx(
        'bg-base-100 rounded-box border',
        !open && !isDragging && 'drawn-in-sight [--about-high:2.875rem]',
        selected ? 'border-base-content ring-base-content ring-1' : 'border-base-300',
        isDragging && 'z-10 opacity-80 shadow-lg',
      )}
      data-playing={playing || undefined}
      data-chosen={selected || undefined}
    >
      <div
        className={clsx(
          'rounded-box flex flex-wrap items-center gap-x-1 pr-3',
          changed && 'just-changed',
          playing && 'bg-base-200',
        )}
      >
        <button
          type="button"
          className="btn btn-ghost btn-sm cursor-grab touch-none px-1"
          {...attributes}
          {...listeners}
          aria-label={`Drag ${name}`}
        >
          <GripVertical size={18} aria-hidden />
        </button>
        <button
          type="button"
          id={`segment-${segment.id}`}
          data-segment={segment.id}
          aria-expanded={open}
          aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown Delete Control+D"
          onClick={(event) => {
            if (event.shiftKey) actions.reach(segment.id);
            else if (event.ctrlKey || event.metaKey) actions.toggle(segment.id);
            else actions.open(segment.id);
          }}
          onKeyDown={(event) => lineKeys(event, segment.id, actions)}
          className="flex min-w-48 flex-1 scroll-mt-4 scroll-mb-[45vh] items-center gap-x-3 rounded-lg py-2 text-left"
        >
          <span className="figures quiet w-11 text-sm">{clock(startMs)}</span>
          <KindGlyph kind={move.kind} />
          <span className="min-w-0 flex-1 font-semibold break-words">{name}</span>
          <span className="quiet mr-1 text-sm max-xl:hidden" aria-hidden>
            {KIND_NAMES[move.kind]}
          </span>
          {segment.locked && <Lock size={16} role="img" aria-label="locked" />}
          {selected && !open && <span className="sr-only">selected</span>}
        </button>
        <span className="ml-auto flex flex-wrap items-center justify-end gap-1.5 py-1">
          <QuickDose segment={segment} name={name} actions={actions} />
          {segment.sides !== 'together' && (
            <span className="quiet text-sm max-sm:hidden">{SIDES_NAMES[segment.sides]}</span>
          )}
          <QuickRounds segment={segment} name={name} grouped={props.grouped} actions={actions} />
          <span className="figures w-13 text-right text-lg font-bold">{clock(durationMs)}</span>
        </span>
      </div>
      {children}
    </li>
  );
});

/** The other line in a direction, in the order of the page. */
function lineBeside(from: Element, direction: -1 | 1): HTMLElement | undefined {
  const lines = [...document.querySelectorAll<HTMLElement>('[data-segment]')];
  return lines[lines.indexOf(from as HTMLElement) + direction];
}

function lineKeys(event: React.KeyboardEvent, id: string, actions: ComposeActions): void {
  const direction = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : null;
  if (direction && event.altKey) actions.shift(id, direction);
  else if (direction) {
    const beside = lineBeside(event.currentTarget, direction);
    beside?.focus();
    if (event.shiftKey && beside?.dataset.segment) {
      if (!document.querySelector('[data-chosen] [data-segment]')) actions.toggle(id);
      actions.reach(beside.dataset.segment);
    }
  } else if (event.key === 'Delete') {
    const next = lineBeside(event.currentTarget, 1) ?? lineBeside(event.currentTarget, -1);
    actions.remove(id);
    next?.focus();
  } else if (event.key.toLowerCase() === 'd' && (event.ctrlKey || event.metaKey)) {
    actions.duplicate(id);
  } else return;
  event.preventDefault();
  event.stopPropagation();
}

interface QuickProps {
  segment: Segment;
  name: string;
  actions: ComposeActions;
}

function QuickDose({ segment, name, actions }: QuickProps) {
  return (
    <QuickField
      label={`Dose of ${name}`}
      value={doseLabel(segment.dose)}
      onType={(text) => {
        const { dose } = actions.newest(segment.id) ?? segment;
        if (text === doseLabel(dose)) return null;
        const typed = typeDose(text, dose);
        if (!typed.ok) return typed.message;
        actions.type(segment.id, (s) => ({ ...s, dose: typed.dose }), `dose ${segment.id}`);
        return null;
      }}
      onSettle={actions.settle}
    />
  );
}

function QuickRounds({ segment, name, grouped, actions }: QuickProps & { grouped: boolean }) {
  if (grouped && segment.rounds === 1) return null;
  return (
    <QuickField
      label={`Rounds of ${name}`}
      value={`× ${segment.rounds}`}
      onType={(text) => {
        const rounds = segmentSchema.shape.rounds.safeParse(
          Number(text.replace(/[×x*]/, '').trim()),
        );
        if (!rounds.success) return 'Write rounds from 1 to 10, such as 3.';
        actions.type(segment.id, (s) => ({ ...s, rounds: rounds.data }), `rounds ${segment.id}`);
        return null;
      }}
      onSettle={actions.settle}
    />
  );
}
