import { type CollisionDetection, closestCenter, pointerWithin } from '@dnd-kit/core';
import { dragId } from './landing';

/**
 * What something dragged is over: the line or group under the pointer; in the gaps of a phase, the
 * nearest of its lines; elsewhere, and without a pointer, whatever is nearest.
 */
export const whereOver: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  const isPhase = (id: unknown) => String(id).startsWith(dragId.phase(''));
  const lines = under.filter(({ id }) => !isPhase(id));
  if (lines.length) return lines;
  const phase = under[0];
  if (!phase) return closestCenter(args);
  const inPhase = args.droppableContainers.filter(
    ({ data }) => dragId.phase(String(data.current?.sortable?.containerId)) === phase.id,
  );
  return inPhase.length ? closestCenter({ ...args, droppableContainers: inPhase }) : [phase];
};
