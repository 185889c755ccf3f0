'use client';

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import {
  moveBlock,
  neighbour,
  PHASE_NAMES,
  PHASES,
  type PhaseName,
  type Place,
  type Plan,
  removeSegment,
  updateSegment,
} from '@/core/class';
import type { Move } from '@/core/move';
import type { SegmentSpan } from '@/core/score';
import { SegmentCard } from './segment-card';
import type { Editing } from './use-history';

export interface RunningOrderProps {
  editing: Editing;
  moveOf: (id: string) => Move | undefined;
  spans: Map<string, SegmentSpan>;
  selected: string | null;
  onSelect: (segmentId: string | null) => void;
}

/** Where a dragged block lands when it is let go over another block or an empty phase. */
function landing(plan: Plan, over: string): Place | null {
  for (const phase of PHASES) {
    if (over === phase) return { phase, index: plan.phases[phase].length };
    const index = plan.phases[phase].findIndex((b) => b.id === over);
    if (index >= 0) return { phase, index };
  }
  return null;
}

/** The class line by line, phase by phase; blocks are moved by dragging or with Alt and the arrows. */
export function RunningOrder({ editing, moveOf, spans, selected, onSelect }: RunningOrderProps) {
  const { plan, edit, settle } = editing;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dragEnd = ({ active, over }: DragEndEvent) => {
    const to = over && over.id !== active.id ? landing(plan, String(over.id)) : null;
    if (to) edit((p) => moveBlock(p, String(active.id), to));
  };
  const stepper = (blockId: string, direction: -1 | 1) => {
    const to = neighbour(plan, blockId, direction);
    return to ? () => edit((p) => moveBlock(p, blockId, to)) : undefined;
  };
  return (
    <section aria-label="Running order">
      <DndContext
        id="running-order"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={dragEnd}
      >
        {PHASES.map((phase) => (
          <PhaseList key={phase} phase={phase} blockIds={plan.phases[phase].map((b) => b.id)}>
            {plan.phases[phase].flatMap((block) =>
              block.segments.map((segment) => {
                const move = moveOf(segment.move);
                if (!move) return null;
                return (
                  <SegmentCard
                    key={segment.id}
                    block={block}
                    segment={segment}
                    move={move}
                    language={plan.language}
                    span={spans.get(segment.id)}
                    selected={segment.id === selected}
                    onSelect={() => onSelect(segment.id === selected ? null : segment.id)}
                    onChange={(change, key) =>
                      edit((p) => updateSegment(p, segment.id, change), key)
                    }
                    onSettle={settle}
                    onRemove={() => {
                      edit((p) => removeSegment(p, segment.id));
                      onSelect(null);
                    }}
                    onMove={{ up: stepper(block.id, -1), down: stepper(block.id, 1) }}
                  />
                );
              }),
            )}
          </PhaseList>
        ))}
      </DndContext>
    </section>
  );
}

function PhaseList({
  phase,
  blockIds,
  children,
}: {
  phase: PhaseName;
  blockIds: string[];
  children: React.ReactNode[];
}) {
  const { setNodeRef, isOver } = useDroppable({ id: phase, disabled: blockIds.length > 0 });
  return (
    <SortableContext id={phase} items={blockIds} strategy={verticalListSortingStrategy}>
      <h2 className="quiet mt-3 mb-1.5 flex items-center gap-3 text-sm font-medium first:mt-0">
        {PHASE_NAMES[phase]}
        <span className="bg-base-300 h-px flex-1" aria-hidden />
      </h2>
      <ul ref={setNodeRef} className={`grid gap-1.5 rounded-lg ${isOver ? 'bg-base-200' : ''}`}>
        {children}
        {blockIds.length === 0 && <li className="quiet px-2 py-1 text-sm">Nothing yet</li>}
      </ul>
    </SortableContext>
  );
}
