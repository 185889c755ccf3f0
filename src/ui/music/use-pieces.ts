import { useCallback, useEffect, useState } from 'react';
import { ask, toldOf } from '@/browser/api';
import { Errands, fileContent } from '@/browser/errand';
import { CALLS, musicNameSchema } from '@/core/calls';
import { LONGEST_NAME, type PieceOfMusic } from '@/core/music';

export interface Pieces {
  /** Null until they are there. */
  pieces: readonly PieceOfMusic[] | null;
  /** Why they are not there. */
  error: string | null;
  /** Each throws as `ask` does. */
  add: (file: File) => Promise<void>;
  rename: (id: string, name: string) => Promise<void>;
  remove: (id: string) => Promise<void>;
}

/** What a file is called at first: as on the disk it came from. */
const nameOf = (file: File): string => {
  const name = file.name.replace(/\.[^.]{1,5}$/, '').slice(0, LONGEST_NAME);
  return musicNameSchema.safeParse(name).data ?? 'Music';
};

/** The music of the studio, and what can be done with it. */
export function usePieces(): Pieces {
  const [pieces, setPieces] = useState<readonly PieceOfMusic[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [errands] = useState(() => new Errands());
  const load = useCallback(async () => {
    setPieces((await ask(CALLS.listMusic)).pieces);
    setError(null);
  }, []);
  useEffect(() => {
    load().catch((problem: unknown) => setError(toldOf(problem)));
  }, [load]);
  return {
    pieces,
    error,
    add: async (file) => {
      await errands.send(fileContent(file), (sentAs) =>
        ask(CALLS.addMusic, { body: { name: nameOf(file), sentAs }, file }),
      );
      await load();
    },
    rename: async (id, name) => {
      await ask(CALLS.renameMusic, { id, body: { name } });
      await load();
    },
    remove: async (id) => {
      await ask(CALLS.removeMusic, { id });
      await load();
    },
  };
}
