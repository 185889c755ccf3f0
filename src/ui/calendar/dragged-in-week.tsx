'use client';

import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import clsx from 'clsx';
import { type CSSProperties, type ReactNode, useRef, useState } from 'react';
import { toast } from 'sonner';
import { Dialog } from '../kit/dialog';
import { UNTIL_SHUT } from '../kit/toast-done';
import { toldOfAct } from '../kit/use-act';
import { droppedAt } from './dropped-at';
import type { Shown } from './types';

/** Moves a session to where it was dropped; it may ask first whether that is meant. */
export type Drop = (to: {
  id: string;
  at: string;
  sure: boolean;
}) => Promise<{ done: string; told: string } | { asked: string } | { problem: string }>;

const POINTER = { activationConstraint: { distance: 6 } };

export interface DraggedInWeekProps {
  /** The Monday. */
  from: string;
  sessions: readonly Shown[];
  /** How high a minute is, in rem. */
  minuteRem: number;
  drop: Drop;
  className: string;
  children: ReactNode;
}

/**
 * A week in which sessions can be dragged with a mouse. By keyboard a session is opened and moved there, so
 * nothing hangs on dragging.
 */
export function DraggedInWeek(props: DraggedInWeekProps) {
  const { from, sessions, minuteRem, drop, className, children } = props;
  const grid = useRef<HTMLDivElement>(null);
  const [asked, setAsked] = useState<{ id: string; at: string; says: string } | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, POINTER));

  const move = async (to: { id: string; at: string; sure: boolean }, back?: string) => {
    const answer = await drop(to).catch((problem) => ({ problem: toldOfAct(problem) }));
    if ('asked' in answer) setAsked({ ...to, says: answer.asked });
    else if ('problem' in answer) toast.error(answer.problem);
    else {
      const undo = back && {
        label: 'Undo',
        onClick: () => void move({ ...to, at: back, sure: true }),
      };
      const { done, told } = answer;
      toast.success(`${done}${told}`, { ...(told && UNTIL_SHUT), ...(undo && { action: undo }) });
    }
  };
  const dragEnd = ({ active, delta }: DragEndEvent) => {
    stayHere();
    const session = sessions.find((s) => s.id === active.id);
    const wide = grid.current?.lastElementChild?.getBoundingClientRect().width ?? 0;
    const rem = Number.parseFloat(getComputedStyle(document.documentElement).fontSize);
    if (!session || wide === 0) return;
    const days = Math.round(delta.x / wide);
    const at = droppedAt(session.at, { days, minutes: delta.y / (minuteRem * rem), from });
    if (at !== session.at) void move({ id: session.id, at, sure: false }, session.at);
  };
  return (
    <DndContext id="week" sensors={sensors} onDragEnd={dragEnd}>
      <div ref={grid} className={className}>
        {children}
      </div>
      {asked && (
        <Dialog
          title="Move it there?"
          onClose={() => setAsked(null)}
          actions={
            <>
              <button type="button" className="btn btn-ghost" onClick={() => setAsked(null)}>
                Leave it where it was
              </button>
              <button
                type="button"
                className="btn btn-primary"
                onClick={() => {
                  setAsked(null);
                  const back = sessions.find((s) => s.id === asked.id)?.at;
                  void move({ id: asked.id, at: asked.at, sure: true }, back);
                }}
              >
                Move it all the same
              </button>
            </>
          }
        >
          <p>{asked.says}</p>
        </Dialog>
      )}
    </DndContext>
  );
}

/** The press that ends a drag is no press on the link that was dragged. */
function stayHere(): void {
  const stay = (event: Event) => event.preventDefault();
  window.addEventListener('click', stay, { capture: true, once: true });
  setTimeout(() => window.removeEventListener('click', stay, { capture: true }), 0);
}

/** A session in its week; one that is planned can be dragged. */
export function InWeek({
  session,
  style,
  children,
}: {
  session: Shown;
  style: CSSProperties;
  children: ReactNode;
}) {
  const movable = session.status === 'planned';
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: session.id,
    disabled: !movable,
  });
  const by = transform && `translate(${transform.x}px, ${transform.y}px)`;
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      className={clsx(
        'bg-base-100 border-base-300 absolute overflow-hidden rounded-lg border',
        movable && 'cursor-grab',
        isDragging && 'border-base-content z-10 shadow-lg',
      )}
      style={{ ...style, ...(by && { transform: by }) }}
      // The link in it would be dragged as a link.
      onDragStart={(event) => event.preventDefault()}
    >
      {children}
    </li>
  );
}
