'use client';

import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import { type ReactNode, useState } from 'react';
import { freeSegmentIds, segmentOf } from '@/core/class';
import { type Move, moveText } from '@/core/move';
import type { Book } from '@/core/score';
import { dropped, landed, movedId } from './landing';
import type { Editing } from './use-history';
import { whereOver } from './where-over';

/** Stable, or every line would be drawn anew at each keystroke. */
const POINTER = { activationConstraint: { distance: 5 } };
const KEYBOARD = { coordinateGetter: sortableKeyboardCoordinates };

export interface DragAndDropProps {
  editing: Editing;
  book: Book;
  select: (ids: readonly string[]) => void;
  children: ReactNode;
}

/** Lets moves be dragged from the shelf into the class, and lines and groups within it. */
export function DragAndDrop({ editing, book, select, children }: DragAndDropProps) {
  const { plan, edit } = editing;
  const [dragged, setDragged] = useState<Move | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, POINTER),
    useSensor(KeyboardSensor, KEYBOARD),
  );
  const dragEnd = ({ active, over }: DragEndEvent) => {
    const move = dragged;
    setDragged(null);
    if (!over) return;
    if (move) {
      const [id = 's'] = freeSegmentIds(plan, 1);
      edit((p) => dropped(p, segmentOf(move, id), String(over.id)));
      select([id]);
    } else edit((p) => landed(p, String(active.id), String(over.id)));
  };
  return (
    <DndContext
      id="compose"
      sensors={sensors}
      collisionDetection={whereOver}
      onDragStart={({ active }) => {
        const moveId = movedId(String(active.id));
        if (moveId) setDragged(book.move(moveId) ?? null);
      }}
      onDragCancel={() => setDragged(null)}
      onDragEnd={dragEnd}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <div className="bg-base-100 border-base-content rounded-box border px-3 py-2 font-semibold shadow-lg">
            {moveText(dragged, plan.language).name}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}
