import { trackOfMove } from '@library/tracks';
import { saveFile } from '@/browser/save-file';
import { type Plan, placedSegments } from '@/core/class';
import { faceSheet, keyPose, type SheetFigure } from '@/core/face';
import { doseIn, doseLabel, type Move, type Variant, variantText } from '@/core/move';
import { amountDone } from '@/core/run-sheet';
import { firstTurnsOf } from '@/core/score';

/** Still pictures of moves, in a file to take away: where the work begins, and where its effort is greatest. */

const FOOT =
  'Seen as in a mirror: your left is on the left. Gentle, not medical care: stop if anything hurts.';

const posesOf = (move: Move, variant: Variant | undefined) => {
  const track = trackOfMove(move, variant);
  return [keyPose(track, { first: true }), keyPose(track)];
};

/** The pictures of a class, each move once for each way in which it is done, in their order. */
export function picturesOfClass(plan: Plan, moves: ReadonlyMap<string, Move>): string {
  const figures = new Map<string, SheetFigure>();
  const firstTurns = firstTurnsOf({ plan, moves });
  for (const { segment, block } of placedSegments(plan)) {
    const turn = firstTurns.get(segment.id);
    if (!turn) continue;
    const { move, variant } = turn;
    const name = variantText(move, plan.language, variant).name;
    const note = [amountDone(turn, block), ...(variant ? [variant] : [])].join(', ');
    figures.set(`${name} ${note}`, { name, note, poses: posesOf(move, variant) });
  }
  return faceSheet(plan.name, [...figures.values()], FOOT);
}

/** The picture of one move in a version. */
export function pictureOfMove(move: Move, variant: Variant | undefined): string {
  const { name } = variantText(move, 'en', variant);
  const dose = doseLabel(doseIn(move, variant, move.dose));
  const note = [dose, ...(variant ? [variant] : [])].join(', ');
  return faceSheet(name, [{ name, note, poses: posesOf(move, variant) }], FOOT);
}

/** Keeps pictures as a file. */
export const savePictures = (name: string, text: string): void =>
  saveFile(name, '.svg', { text, type: 'image/svg+xml' });
