import { PHRASES } from '@library/phrases';
import { trackOfMove } from '@library/tracks';
import { saveFile } from '@/browser/save-file';
import type { ResolvedClass } from '@/core/class';
import { faceSheet, keyPose, type SheetFigure } from '@/core/face';
import { wordsIn } from '@/core/follow/words';
import { doseIn, doseLabel, type Move, type Variant, variantText } from '@/core/move';
import { sheetWordsIn } from '@/core/run-sheet/words';
import { amountOf, variantsDone } from '@/core/score';

/** Still pictures of moves, in a file to take away: where the work begins, and where its effort is greatest. */

const posesOf = (move: Move, variant: Variant | undefined) => {
  const track = trackOfMove(move, variant);
  return [keyPose(track, { first: true }), keyPose(track)];
};

/** The pictures of a class in its language, each move once for each way in which it is done, in their order. */
export function picturesOfClass(resolved: ResolvedClass): string {
  const { name: title, language } = resolved.plan;
  const words = sheetWordsIn(language);
  const spoken = { phrases: PHRASES[language], words: words.amount };
  const figures = new Map<string, SheetFigure>();
  for (const { turn, doses } of variantsDone(resolved)) {
    const { move, variant } = turn;
    const { name } = variantText(move, language, variant);
    const version = variant ? [wordsIn(language).variant[variant]] : [];
    const note = [amountOf(turn, spoken, { doses }), ...version].join(', ');
    figures.set(`${name} ${note}`, { name, note, poses: posesOf(move, variant) });
  }
  return faceSheet(title, [...figures.values()], words.pictures);
}

/** The picture of one move in a version. */
export function pictureOfMove(move: Move, variant: Variant | undefined): string {
  const { name } = variantText(move, 'en', variant);
  const dose = doseLabel(doseIn(move, variant, move.dose));
  const note = [dose, ...(variant ? [variant] : [])].join(', ');
  return faceSheet(
    name,
    [{ name, note, poses: posesOf(move, variant) }],
    sheetWordsIn('en').pictures,
  );
}

/** Keeps pictures as a file. */
export const savePictures = (name: string, text: string): void =>
  saveFile(name, '.svg', { text, type: 'image/svg+xml' });
