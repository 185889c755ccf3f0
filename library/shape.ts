import type { z } from 'zod';
import type { MoveText, moveSchema } from '@/core/move';

/** A move without its words; those stand in a folder a language. */
export type MoveShape = Omit<z.input<typeof moveSchema>, 'text'>;
/** The words of the moves of one area, by move id. */
export type AreaWords = Record<string, MoveText>;
