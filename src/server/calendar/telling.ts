import type { Teacher } from '../auth/sign-ins';
import type { Db } from '../db';
import type { Waiting } from '../studio/carry';
import { keepLetters, type NewLetter, sendKept, type Told } from '../studio/letters';
import { type Post, postFrom } from '../studio/post';

/** Changes of sessions, and who is told of them: both are certain at once, or neither is. */

/** What is told of a change while it is made. */
export interface Telling {
  /** The transaction in which the change is made. Nothing is kept of it while one within it is open: that would wait for itself. */
  db: Db;
  /** Who makes it. */
  teacher: Teacher;
  /** Epoch ms. */
  now: number;
  /** Keeps letters of it, beside the names of those concerned who have given no email. */
  keep: (letters: readonly NewLetter[], without?: readonly string[]) => Promise<void>;
  /** Something that is said of it on screen. */
  say: (sentence: string) => void;
}

/**
 * Makes a change and keeps the letters that tell of it, all of it or nothing: nobody is told what is not so, and no
 * change is made of which nobody would hear since this process or the database failed in between. The letters go out
 * once it is made.
 * @returns what the change gives, and what to say of it after a space; nothing where it concerns nobody
 * @throws what `work` throws; nothing is changed then, and nobody is told
 */
export async function changeAndTell<T>(
  db: Db,
  teacher: Teacher,
  { now, post = postFrom(process.env) }: { now: number; post?: Post | null },
  work: (telling: Telling) => Promise<T>,
): Promise<{ done: T; told: string }> {
  const said: string[] = [];
  const kept: Waiting[] = [];
  const names = new Set<string>();
  let concerns = false;
  const done = await db.transaction((trx) =>
    work({
      db: trx,
      teacher,
      now,
      keep: async (letters, without = []) => {
        concerns = true;
        kept.push(...(await keepLetters(trx, teacher, { letters, now, post })));
        for (const name of without) names.add(name);
      },
      say: (sentence) => said.push(sentence),
    }),
  );
  if (concerns) {
    const became = await sendKept(db, teacher, kept, { now, post });
    said.push(toldWords({ written: kept.length, ...became, without: [...names] }));
  }
  return { done, told: said.map((sentence) => ` ${sentence}`).join('') };
}

/** So many people are named who have to be told by hand. */
const MOST_NAMED = 6;

/** Where letters wait that nobody has sent. */
const HAND_ON = 'hand them on from the letters of the studio, which owners open.';

function writtenWords({ written, sent, again, soon }: Omit<Told, 'without'>): string {
  if (written === 0) return '';
  const first = written === 1 ? '1 letter was written.' : `${written} letters were written.`;
  if (sent === null) return `${first} No mail server sends letters: ${HAND_ON}`;
  const refused = written - sent - again - soon;
  const rest = soon > 0 && `${soon} of them ${soon === 1 ? 'goes' : 'go'} out within minutes.`;
  const later =
    again > 0 && `${again} could not be sent yet, and ${again === 1 ? 'is' : 'are'} tried again.`;
  const never = refused > 0 && `${refused} could not be sent: ${HAND_ON}`;
  return [first, rest, later, never].filter(Boolean).join(' ');
}

/** What is said on screen of letters that were written. */
export function toldWords({ without, ...told }: Told): string {
  const letters = writtenWords(told);
  if (without.length === 0) return letters || 'Nobody had to be told.';
  const more = without.length - MOST_NAMED;
  const names = without.slice(0, MOST_NAMED).join(', ');
  const who =
    more > 0
      ? `${names} and ${more} more have`
      : `${names} ${without.length === 1 ? 'has' : 'have'}`;
  return `${letters} ${who} given no email: tell them yourself.`.trim();
}
