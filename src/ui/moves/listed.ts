import { doseLabel, type Move } from '@/core/move';
import type { ListedMove } from './find';

/** The line of a move in the list; worked out on the server. */
export function listedMove(move: Move, own: boolean): ListedMove {
  const { id, kind, areas, muscles, purposes, hands, surface, props, head } = move;
  const names = Object.entries(move.text).map(([language, { name }]) => [language, { name }]);
  return {
    ...{ id, kind, areas, muscles, purposes, hands, surface, props, head, own },
    variants: { easier: { head: move.variants.easier?.head } },
    text: Object.fromEntries(names),
    dose: doseLabel(move.dose),
  };
}
