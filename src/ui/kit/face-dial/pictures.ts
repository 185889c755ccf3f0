import { trackOfMove } from '@library/tracks';
import { saveFile } from '@/browser/save-file';
import { type Plan, placedSegments } from '@/core/class';
import { faceSheet, keyPose, type SheetFigure } from '@/core/face';
import { doseLabel, type Move, SIDES_NAMES, type Variant, variantText } from '@/core/move';

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
  for (const { segment } of placedSegments(plan)) {
    const move = moves.get(segment.move);
    if (!move) continue;
    const { variant, dose, rounds, sides } = segment;
    const name = variantText(move, plan.language, variant).name;
    const note = [
      doseLabel(dose) + (rounds > 1 ? ` × ${rounds}` : ''),
      ...(sides === 'together' ? [] : [SIDES_NAMES[sides]]),
      ...(variant ? [variant] : []),
    ].join(', ');
    figures.set(`${name} ${note}`, { name, note, poses: posesOf(move, variant) });
  }
  return faceSheet(plan.name, [...figures.values()], FOOT);
}

/** The picture of one move in a version. */
export function pictureOfMove(move: Move, variant: Variant | undefined): string {
  const { name } = variantText(move, 'en', variant);
  const note = [doseLabel(move.dose), ...(variant ? [variant] : [])].join(', ');
  return faceSheet(name, [{ name, note, poses: posesOf(move, variant) }], FOOT);
}

/** Keeps pictures as a file. */
export const savePictures = (name: string, text: string): void =>
  saveFile(name, '.svg', { text, type: 'image/svg+xml' });
