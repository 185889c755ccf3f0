import { useCallback, useEffect, useRef, useState } from 'react';
import { ask, toldOf } from '@/browser/api';
import { Errands } from '@/browser/errand';
import { CALLS } from '@/core/calls';
import type { FilmOptions, FilmToTake } from '@/core/film';

/** How often one looks how far a film is, in ms. */
const LOOK_MS = 2000;

const isUnderWay = ({ state }: FilmToTake) => state === 'waiting' || state === 'making';

export interface Films {
  /** The latest first; null until they were asked for. */
  films: readonly FilmToTake[] | null;
  /** Why they cannot be shown now. */
  error: string | null;
  order: (options: FilmOptions) => Promise<void>;
  change: (id: string, does: 'stop' | 'goOn') => Promise<void>;
  remove: (id: string) => Promise<void>;
}

/** The films of a class, looked at again as long as one is under way. */
export function useFilms(classId: string): Films {
  const [films, setFilms] = useState<readonly FilmToTake[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [errands] = useState(() => new Errands());
  /** Grows with each change: what was asked before it says nothing any more. */
  const turn = useRef(0);
  const look = useCallback(async () => {
    const mine = turn.current;
    try {
      const answer = await ask(CALLS.listFilms, { id: classId });
      if (mine !== turn.current) return;
      setFilms(answer.films);
      setError(null);
    } catch (problem) {
      setError(toldOf(problem));
    }
  }, [classId]);

  useEffect(() => {
    void look();
  }, [look]);
  const underWay = (films ?? []).some(isUnderWay) || error !== null;
  useEffect(() => {
    if (!underWay) return;
    let timer: ReturnType<typeof setTimeout>;
    let over = false;
    const next = () => {
      // What was asked before it was closed may come after.
      if (!over) timer = setTimeout(() => void look().finally(next), LOOK_MS);
    };
    next();
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [underWay, look]);

  const changed = (change: (all: readonly FilmToTake[]) => readonly FilmToTake[]) => {
    turn.current++;
    setFilms((all) => change(all ?? []));
  };
  return {
    films,
    error,
    order: async (options) => {
      const { film } = await errands.send(JSON.stringify(options), (sentAs) =>
        ask(CALLS.orderFilm, { id: classId, body: { ...options, sentAs } }),
      );
      changed((all) => [film, ...all.filter((f) => f.id !== film.id)]);
    },
    change: async (id, does) => {
      const { film } = await ask(CALLS.changeFilm, { id, body: { does } });
      changed((all) => all.map((f) => (f.id === id ? film : f)));
    },
    remove: async (id) => {
      await ask(CALLS.removeFilm, { id });
      changed((all) => all.filter((f) => f.id !== id));
    },
  };
}
