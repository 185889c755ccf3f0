'use client';

import { createContext, type ReactNode, useContext, useMemo } from 'react';
import type { Move } from '@/core/move';

export type MovesById = ReadonlyMap<string, Move>;

const Moves = createContext<MovesById>(new Map());

/** Gives the moves of a class to whatever shows a step or a segment of it. */
export function MovesProvider({
  moves,
  children,
}: {
  moves: readonly Move[];
  children: ReactNode;
}) {
  const byId = useMemo(() => new Map(moves.map((move) => [move.id, move])), [moves]);
  return <Moves value={byId}>{children}</Moves>;
}

/** The moves of the class that is shown, by id. */
export const useMoves = (): MovesById => useContext(Moves);
