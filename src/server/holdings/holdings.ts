import { MOST_PIECES } from '@/core/music';
import { MOST_SAID_WORDS } from '@/core/speech';
import { MOST_CLOSURES } from '../calendar/closures';
import { MOST_CLASSES, ownClasses } from '../classes/classes';
import type { Db } from '../db';
import { MOST_MOVES } from '../moves/moves';
import { MOST_PEOPLE } from '../people/people';
import type { Scope } from '../scope';
import { MOST_RECORDINGS } from '../speech/recordings';

/** How much a studio has of what has a limit. */
export interface Holding {
  what: string;
  count: number;
  most: number;
}

/** @param teacherId whose recordings are counted: each teacher has a limit of their own */
export async function holdingsOf(
  db: Db,
  { studioId }: Scope,
  teacherId: string,
): Promise<Holding[]> {
  const of = { studio_id: studioId };
  const [people, classes, moves, closures, recordings, words, music] = await Promise.all(
    [
      db('participants').where(of),
      ownClasses(db, { studioId }),
      db('moves').where(of),
      db('closures').where(of),
      db('recordings').where({ ...of, teacher_id: teacherId }),
      db('said_words').where(of),
      db('music').where(of),
    ].map(async (rows) => (await rows.first(db.raw('count(*)::int as n'))).n as number),
  );
  return [
    { what: 'People', count: people ?? 0, most: MOST_PEOPLE },
    { what: 'Classes', count: classes ?? 0, most: MOST_CLASSES },
    { what: 'Moves of your own', count: moves ?? 0, most: MOST_MOVES },
    { what: 'Closed days', count: closures ?? 0, most: MOST_CLOSURES },
    { what: 'Your recordings', count: recordings ?? 0, most: MOST_RECORDINGS },
    { what: 'Words said your way', count: words ?? 0, most: MOST_SAID_WORDS },
    { what: 'Pieces of music', count: music ?? 0, most: MOST_PIECES },
  ];
}
