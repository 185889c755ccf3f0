'use client';

import { useDroppable } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import clsx from 'clsx';
import { GripVertical, Ungroup } from 'lucide-react';
import { memo, type ReactNode, useRef } from 'react';
import {
  arrangeBlock,
  BLOCK_ORDERS,
  type Block,
  blockSchema,
  PHASE_NAMES,
  PHASES,
  type PhaseName,
  type Plan,
  type Segment,
  ungroup,
} from '@/core/class';
import { clock } from '@/core/formats';
import type { Score, SegmentSpan } from '@/core/score';
import { useMoves } from '../kit/moves';
import { QuickField } from '../kit/quick-field';
import { useComposeActions } from './actions';
import { GroupFields } from './group-fields';
import { dragId } from './landing';
import { SegmentCard } from './segment-card';
import { SegmentSettings } from './segment-settings';
import { Tick } from './tick';

export interface RunningOrderProps {
  plan: Plan;
  spans: Map<string, SegmentSpan>;
  selected: readonly string[];
  /** The segment that stands open, with the score that its settings show and its part of that. */
  open: { id: string; score: Score; span: SegmentSpan | undefined } | null;
  changed: ReadonlySet<string>;
  playing: string | null;
}

/** The class line by line, phase by phase, with groups of segments that are done together. */
export const RunningOrder = memo(function RunningOrder(props: RunningOrderProps) {
  const { plan } = props;
  const moves = useMoves();
  const card = (block: Block, segment: Segment) => {
    const move = moves.get(segment.move);
    if (!move) return null;
    const open = props.open?.id === segment.id ? props.open : null;
    const span = open ? open.span : props.spans.get(segment.id);
    return (
      <SegmentCard
        key={segment.id}
        segment={segment}
        move={move}
        language={plan.language}
        startMs={span?.startMs ?? 0}
        durationMs={span?.durationMs ?? 0}
        grouped={block.order === 'circuit'}
        selected={props.selected.includes(segment.id)}
        changed={props.changed.has(segment.id)}
        playing={props.playing === segment.id}
      >
        {open ? (
          <SegmentSettings
            block={block}
            segment={segment}
            move={move}
            language={plan.language}
            score={open.score}
            span={span}
          />
        ) : undefined}
      </SegmentCard>
    );
  };
  return (
    <section aria-label="Running order">
      {PHASES.map((phase) => (
        <PhaseList key={phase} phase={phase} blocks={plan.phases[phase]}>
          {plan.phases[phase].map((block) => {
            const [first] = block.segments;
            const alone = block.segments.length === 1 && block.order === 'straight';
            if (alone && first) return card(block, first);
            const ms = block.segments.reduce(
              (sum, s) => sum + (props.spans.get(s.id)?.durationMs ?? 0),
              0,
            );
            return (
              <Group key={block.id} block={block} durationMs={ms}>
                {block.segments.map((segment) => card(block, segment))}
              </Group>
            );
          })}
        </PhaseList>
      ))}
    </section>
  );
});

/** The same array as long as it holds the same ids, so that lines that did not move stay still. */
function useSameIds(ids: string[]): string[] {
  const kept = useRef(ids);
  if (kept.current.join() !== ids.join()) kept.current = ids;
  return kept.current;
}

const idOf = (block: Block): string => {
  const [first] = block.segments;
  return block.segments.length === 1 && block.order === 'straight' && first
    ? dragId.segment(first.id)
    : dragId.block(block.id);
};

function PhaseList(props: { phase: PhaseName; blocks: Block[]; children: ReactNode[] }) {
  const { phase, blocks, children } = props;
  const { setNodeRef, isOver } = useDroppable({ id: dragId.phase(phase) });
  const ids = useSameIds(blocks.map(idOf));
  return (
    <SortableContext id={phase} items={ids} strategy={verticalListSortingStrategy}>
      <div ref={setNodeRef} className={clsx('mt-3 rounded-lg first:mt-0', isOver && 'bg-base-200')}>
        <h2 className="quiet mb-1.5 flex items-center gap-3 text-sm font-medium">
          {PHASE_NAMES[phase]}
          <span className="bg-base-300 h-px flex-1" aria-hidden />
        </h2>
        <ul className="grid gap-1.5">
          {children}
          {blocks.length === 0 && <li className="quiet px-2 py-1 text-sm">Nothing yet</li>}
        </ul>
      </div>
    </SortableContext>
  );
}

const ORDER_NAMES: Record<Block['order'], string> = {
  straight: 'one after the other',
  circuit: 'a circuit',
  alternating: 'in turn, round by round',
};

function Group({
  block,
  durationMs,
  children,
}: {
  block: Block;
  durationMs: number;
  children: ReactNode[];
}) {
  const { edit, settle } = useComposeActions();
  const ids = useSameIds(block.segments.map((s) => dragId.segment(s.id)));
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: dragId.block(block.id),
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={clsx(
        'border-base-content/40 rounded-box border-2 border-dashed p-1.5',
        isDragging && 'z-10 opacity-80',
      )}
    >
      <div className="mb-1.5 flex flex-wrap items-center gap-x-3 gap-y-1 pr-2">
        <button
          type="button"
          className="btn btn-ghost btn-sm cursor-grab touch-none px-1"
          {...attributes}
          {...listeners}
          aria-label="Drag the group"
        >
          <GripVertical size={18} aria-hidden />
        </button>
        <select
          aria-label="Done as"
          className="select select-sm w-48"
          value={block.order}
          onChange={(e) => {
            const order = e.target.value as Block['order'];
            edit((p) => arrangeBlock(p, block.id, { order }));
          }}
        >
          {BLOCK_ORDERS.map((order) => (
            <option key={order} value={order}>
              {ORDER_NAMES[order]}
            </option>
          ))}
        </select>
        {block.order === 'circuit' && (
          <QuickField
            label="Laps of the circuit"
            value={`${block.laps} ${block.laps === 1 ? 'lap' : 'laps'}`}
            onType={(text) => {
              const laps = blockSchema.shape.laps.safeParse(Number.parseInt(text, 10));
              if (!laps.success) return 'Write laps from 1 to 10, such as 3.';
              edit((p) => arrangeBlock(p, block.id, { laps: laps.data }), `laps ${block.id}`);
              return null;
            }}
            onSettle={settle}
          />
        )}
        <Tick
          label="One side first"
          checked={block.oneSideFirst ?? false}
          onChange={(oneSideFirst) => edit((p) => arrangeBlock(p, block.id, { oneSideFirst }))}
        />
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => edit((p) => ungroup(p, block.id))}
        >
          <Ungroup size={16} aria-hidden /> Ungroup
        </button>
        <span className="figures ml-auto font-bold">{clock(durationMs)}</span>
      </div>
      <GroupFields block={block} edit={edit} settle={settle} />
      <SortableContext id={block.id} items={ids} strategy={verticalListSortingStrategy}>
        <ul className="grid gap-1.5">{children}</ul>
      </SortableContext>
    </li>
  );
}
