import { z } from 'zod';
import type { SessionStatus } from '@/core/calendar';
import { grouped } from '@/core/collections';
import { dayIn, timeOfDay } from '@/core/formats';
import { type Language, MAIN_LANGUAGE } from '@/core/language';
import { type LetterWords, letterWords } from '@/core/letters';
import { languageSchema } from '@/core/move';
import { emailSchema } from '@/core/studio';
import { awaitedIn, type OnSession } from '../sessions/bookings';
import { type Session, sessionsOfIds } from '../sessions/sessions';
import type { NewLetter } from '../studio/letters';
import type { Telling } from './telling';

/** What people on the register are written of sessions. */

/** What a letter says besides the sessions it is about. */
interface Said {
  subject: string;
  first: string;
  word: string | null;
}

/** The class and the time of a session, in the language of whoever reads it. */
type When = (session: Session) => string;
export const whenIn =
  (language: Language, timeZone: string): When =>
  ({ className, startsAt }) =>
    `${className}, ${dayIn(language, startsAt, timeZone)}, ${timeOfDay(startsAt, timeZone)}`;
/** The same with where it is. */
export const whereToo = (session: Session, when: When): string =>
  [when(session), session.place, session.link].filter(Boolean).join(', ');

/** Writes to everybody who is booked or waits that sessions were called off, and why, where they are in closed days. */
export async function tellCalledOff(
  telling: Telling,
  { sessions, word }: { sessions: readonly Session[]; word: string | null },
): Promise<void> {
  const to = await awaitedIn(telling.db, telling.teacher, idsOf(sessions));
  const says = ({ calledOff }: LetterWords) => ({ ...calledOff, word });
  const line = (s: Session, when: When) => (s.closed ? `${when(s)}: ${s.closed}` : when(s));
  await tell(telling, { to, sessions, says, line, status: 'cancelled' });
}

/** Writes to everybody who is booked or waits that sessions take place after all. */
export async function tellOnAgain(telling: Telling, sessions: readonly Session[]): Promise<void> {
  const to = await awaitedIn(telling.db, telling.teacher, idsOf(sessions));
  const says = ({ onAgain }: LetterWords) => ({ ...onAgain, word: null });
  await tell(telling, { to, sessions, says, status: 'planned' });
}

/** Sessions as they were, and as they are, and to whom that is told. */
interface ToldChange {
  was: readonly Session[];
  is: readonly Session[];
  to: readonly OnSession[];
}

/** Writes to those concerned how sessions were, and how they are now. */
export const tellChanged = (telling: Telling, of: ToldChange): Promise<void> =>
  tellChange(telling, { ...of, says: ({ changed }) => ({ ...changed, word: null }) });

/** Writes to those who cannot come to sessions how these were, and when they are now. */
export const tellAway = (telling: Telling, of: ToldChange): Promise<void> =>
  tellChange(telling, { ...of, says: ({ away }) => away });

async function tellChange(
  telling: Telling,
  { was, is, to, says }: ToldChange & { says: (words: LetterWords) => Said },
): Promise<void> {
  const before = new Map(was.map((s) => [s.id, s]));
  const line = (s: Session, when: When, { changed }: LetterWords) =>
    `${changed.was}: ${whereToo(before.get(s.id) ?? s, when)}\n${changed.now}: ${whereToo(s, when)}`;
  await tell(telling, { to, sessions: is, says, line, status: 'planned' });
}

/** Writes to whoever waited that there is room for them now. */
export const tellMovedUp = (telling: Telling, to: readonly OnSession[]) =>
  tellOfRoom(telling, { to, says: ({ movedUp }) => movedUp });

/** Writes to whoever had room that there is none for them any more. */
export const tellMovedDown = (telling: Telling, to: readonly OnSession[]) =>
  tellOfRoom(telling, { to, says: ({ movedDown }) => movedDown });

async function tellOfRoom(
  telling: Telling,
  { to, says }: { to: readonly OnSession[]; says: (words: LetterWords) => Said },
): Promise<void> {
  const ids = [...new Set(to.map((one) => one.sessionId))];
  const sessions = await sessionsOfIds(telling.db, telling.teacher, ids);
  await tell(telling, { to, sessions, says, status: 'planned' });
}

const idsOf = (sessions: readonly Session[]) => sessions.map((s) => s.id);

const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  contact: z.string().nullable(),
  language: languageSchema.nullable(),
});

/** One letter a person who has given an email, in their language, whatever number of sessions it is about. */
async function tell(
  { db, teacher, keep }: Telling,
  {
    to,
    sessions,
    says,
    line = (s, when) => when(s),
    status,
  }: {
    to: readonly OnSession[];
    sessions: readonly Session[];
    says: (words: LetterWords) => Said;
    /** What stands there of a session, where that is more than its class and when it is. */
    line?: (session: Session, when: When, words: LetterWords) => string;
    /** What the sessions are while what is told of them is so. */
    status: SessionStatus;
  },
): Promise<void> {
  const { timeZone, studioName, studioId } = teacher;
  const sessionsOf = grouped(to, (one) => one.participantId);
  const people = await db('participants')
    .where({ studio_id: studioId })
    .whereIn('id', [...sessionsOf.keys()])
    .orderByRaw('lower(name)')
    .select('id', 'name', 'contact', 'language');
  const letters: NewLetter[] = [];
  const without: string[] = [];
  for (const { id, name, contact, language } of z.array(personSchema).parse(people)) {
    const email = emailSchema.safeParse(contact);
    if (!email.success) {
      without.push(name);
      continue;
    }
    const ids = new Set(sessionsOf.get(id)?.map((one) => one.sessionId));
    const theirs = sessions.filter((s) => ids.has(s.id));
    const words = letterWords(language);
    const when = whenIn(language ?? MAIN_LANGUAGE, timeZone);
    const dates = theirs.map((s) => line(s, when, words));
    const { subject, first, word } = says(words);
    const body = `${words.hello(name)}\n\n${first}\n${dates.join('\n')}\n${word ? `\n${word}\n` : ''}\n${studioName}\n`;
    letters.push({
      recipient: email.data,
      subject: `${studioName}: ${subject}`,
      body,
      until: Math.max(...theirs.map((s) => s.startsAt)),
      holds: { sessionIds: theirs.map((s) => s.id), status },
    });
  }
  await keep(letters, without);
}
