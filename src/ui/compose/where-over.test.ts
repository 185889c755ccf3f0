import type { DroppableContainer } from '@dnd-kit/core';
import { expect, it } from 'vitest';
import { whereOver } from './where-over';

const rect = (top: number, height: number) => ({
  left: 0,
  right: 100,
  width: 100,
  top,
  height,
  bottom: top + height,
});
/** An empty phase above one with two lines and a gap between them. */
const RECTS = new Map([
  ['phase:arrive', rect(0, 60)],
  ['phase:work', rect(70, 200)],
  ['segment:a', rect(90, 50)],
  ['segment:b', rect(160, 50)],
]);

function over(y: number | null): string | undefined {
  const droppableContainers = [...RECTS].map(
    ([id, r]) =>
      ({
        id,
        rect: { current: r },
        data: { current: id.startsWith('segment') ? { sortable: { containerId: 'work' } } : {} },
      }) as unknown as DroppableContainer,
  );
  const [first] = whereOver({
    active: {} as never,
    collisionRect: rect((y ?? 185) - 10, 20),
    droppableRects: RECTS,
    droppableContainers,
    pointerCoordinates: y === null ? null : { x: 50, y },
  });
  return first && String(first.id);
}

it('is the line under the pointer, not the phase around it', () => {
  expect(over(100)).toBe('segment:a');
  expect(over(180)).toBe('segment:b');
});

it('is the nearest line in the gaps of a phase, and the phase itself where it is empty', () => {
  expect(over(143)).toBe('segment:a');
  expect(over(157)).toBe('segment:b');
  expect(over(260)).toBe('segment:b');
  expect(over(50)).toBe('phase:arrive');
});

it('is what is nearest where there is no pointer, as with the keyboard', () => {
  expect(over(null)).toBe('segment:b');
});
