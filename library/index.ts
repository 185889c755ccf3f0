import type { Language } from '@/core/language';
import { type Move, type MoveText, moveSchema } from '@/core/move';
import type { Book } from '@/core/score';
import type { Phrases } from '@/core/speech';
import { bodyMoves } from './areas/body';
import { breathMoves } from './areas/breath';
import { cheekMoves } from './areas/cheeks';
import { eyeMoves } from './areas/eyes';
import { foreheadMoves } from './areas/forehead';
import { jawMoves } from './areas/jaw';
import { massageMoves } from './areas/massage';
import { mouthMoves } from './areas/mouth';
import { neckMoves } from './areas/neck';
import { noseMoves } from './areas/nose';
import { pointMoves } from './areas/points';
import { scalpMoves } from './areas/scalp';
import { words as de } from './de';
import { words as en } from './en';
import { PHRASES } from './phrases';
import type { AreaWords, MoveShape } from './shape';

export const SHAPES: readonly MoveShape[] = [
  ...breathMoves,
  ...bodyMoves,
  ...scalpMoves,
  ...neckMoves,
  ...jawMoves,
  ...mouthMoves,
  ...cheekMoves,
  ...noseMoves,
  ...eyeMoves,
  ...foreheadMoves,
  ...massageMoves,
  ...pointMoves,
];

export const WORDS: Record<Language, AreaWords> = { en, de };
export { PHRASES };

function withWords(shape: MoveShape): Move {
  const text: Partial<Record<Language, MoveText>> = {};
  for (const [language, words] of Object.entries(WORDS)) {
    const said = words[shape.id];
    if (said) text[language as Language] = said;
  }
  return moveSchema.parse({ ...shape, text });
}

/** The built-in moves, checked by the same schema as a teacher's own. */
export const LIBRARY: readonly Move[] = SHAPES.map(withWords);

const BY_ID = new Map(LIBRARY.map((move) => [move.id, move]));

export const libraryMove = (id: string): Move | undefined => BY_ID.get(id);
export const phrasesOf = (language: Language): Phrases => PHRASES[language];
export const LIBRARY_BOOK: Book = { move: libraryMove, phrases: phrasesOf };
