import { type Move, type MoveText, moveSchema } from '@/core/move';
import type { Book } from '@/core/score';
import { body } from './areas/body';
import { cheeksAndNose } from './areas/cheeks-and-nose';
import { eyesAndBrow } from './areas/eyes-and-brow';
import { jawAndMouth } from './areas/jaw-and-mouth';
import { neck } from './areas/neck';
import { words as en } from './en';
import { phrases } from './en/phrases';
import type { MoveShape } from './shape';

const SHAPES: MoveShape[] = [...body, ...neck, ...jawAndMouth, ...cheeksAndNose, ...eyesAndBrow];

function withWords(shape: MoveShape): Move {
  const text: Partial<Record<'en' | 'de', MoveText>> = {};
  const english = en[shape.id];
  if (english) text.en = english;
  return moveSchema.parse({ ...shape, text });
}

/** The built-in moves, checked by the same schema as a teacher's own. */
export const LIBRARY: readonly Move[] = SHAPES.map(withWords);

const BY_ID = new Map(LIBRARY.map((move) => [move.id, move]));

export const libraryMove = (id: string): Move | undefined => BY_ID.get(id);
export const LIBRARY_BOOK: Book = { move: libraryMove, phrases: () => phrases };
