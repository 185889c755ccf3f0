import { z } from 'zod';
import type { SessionStatus } from '@/core/calendar';
import { grouped } from '@/core/collections';
import { dayIn, timeOfDay } from '@/core/formats';
import { MAIN_LANGUAGE } from '@/core/language';
import { type LetterWords, letterWords } from '@/core/letters';
import { languageSchema } from '@/core/move';
import { emailSchema } from '@/core/studio';
import type { Teacher } from '../auth/sign-ins';
import type { Db } from '../db';
import { awaitedIn, type OnSession } from '../sessions/bookings';
import { type Session, sessionsOfIds } from '../sessions/sessions';
import { type NewLetter, type Told, writeLetters } from '../studio/letters';
import type { Post } from '../studio/post';

/** When it is told, and by what. */
interface By {
  now: number;
  post?: Post | null;
}

/** What a letter says besides the sessions it is about. */
interface Said {
  subject: string;
  first: string;
  word: string | null;
}

/** The class and the time of a session, in the language of whoever reads it. */
type When = (session: Session) => string;

/** Writes to everybody who is booked or waits that sessions were called off, and why, where they are in closed days. */
export async function tellCalledOff(
  db: Db,
  teacher: Teacher,
  { sessions, word, ...by }: By & { sessions: readonly Session[]; word: string | null },
): Promise<Told> {
  const to = await awaitedIn(db, teacher, idsOf(sessions));
  const says = ({ calledOff }: LetterWords) => ({ ...calledOff, word });
  const line = (s: Session, when: When) => (s.closed ? `${when(s)}: ${s.closed}` : when(s));
  return tell(db, teacher, { to, sessions, says, line, status: 'cancelled', ...by });
}

/** Writes to everybody who is booked or waits that sessions take place after all. */
export async function tellOnAgain(
  db: Db,
  teacher: Teacher,
  { sessions, ...by }: By & { sessions: readonly Session[] },
): Promise<Told> {
  const to = await awaitedIn(db, teacher, idsOf(sessions));
  const says = ({ onAgain }: LetterWords) => ({ ...onAgain, word: null });
  return tell(db, teacher, { to, sessions, says, status: 'planned', ...by });
}

/** Sessions as they were, and as they are, and to whom that is told. */
interface ToldChange extends By {
  was: readonly Session[];
  is: readonly Session[];
  to: readonly OnSession[];
}

/** Writes to those concerned how sessions were, and how they are now. */
export const tellChanged = (db: Db, teacher: Teacher, of: ToldChange): Promise<Told> =>
  tellChange(db, teacher, { ...of, says: ({ changed }) => ({ ...changed, word: null }) });

/** Writes to those who cannot come to sessions how these were, and when they are now. */
export const tellAway = (db: Db, teacher: Teacher, of: ToldChange): Promise<Told> =>
  tellChange(db, teacher, { ...of, says: ({ away }) => away });

async function tellChange(
  db: Db,
  teacher: Teacher,
  { was, is, to, says, ...by }: ToldChange & { says: (words: LetterWords) => Said },
): Promise<Told> {
  const before = new Map(was.map((s) => [s.id, s]));
  const full = (s: Session, when: When) => [when(s), s.place, s.link].filter(Boolean).join(', ');
  const line = (s: Session, when: When, { changed }: LetterWords) =>
    `${changed.was}: ${full(before.get(s.id) ?? s, when)}\n${changed.now}: ${full(s, when)}`;
  return tell(db, teacher, { to, sessions: is, says, line, status: 'planned', ...by });
}

/** Writes to whoever waited that there is room for them now. */
export const tellMovedUp = (db: Db, teacher: Teacher, of: By & { to: readonly OnSession[] }) =>
  tellOfRoom(db, teacher, { ...of, says: ({ movedUp }) => movedUp });

/** Writes to whoever had room that there is none for them any more. */
export const tellMovedDown = (db: Db, teacher: Teacher, of: By & { to: readonly OnSession[] }) =>
  tellOfRoom(db, teacher, { ...of, says: ({ movedDown }) => movedDown });

async function tellOfRoom(
  db: Db,
  teacher: Teacher,
  { to, ...by }: By & { to: readonly OnSession[]; says: (words: LetterWords) => Said },
): Promise<Told> {
  const sessions = await sessionsOfIds(db, teacher, [...new Set(to.map((one) => one.sessionId))]);
  return tell(db, teacher, { to, sessions, status: 'planned', ...by });
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
  db: Db,
  teacher: Teacher,
  {
    to,
    sessions,
    says,
    line = (s, when) => when(s),
    status,
    now,
    post,
  }: By & {
    to: readonly OnSession[];
    sessions: readonly Session[];
    says: (words: LetterWords) => Said;
    /** What stands there of a session, where that is more than its class and when it is. */
    line?: (session: Session, when: When, words: LetterWords) => string;
    /** What the sessions are while what is told of them is so. */
    status: SessionStatus;
  },
): Promise<Told> {
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
    const when: When = (s) =>
      `${s.className}, ${dayIn(language ?? MAIN_LANGUAGE, s.startsAt, timeZone)}, ${timeOfDay(s.startsAt, timeZone)}`;
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
  const became = await writeLetters(db, teacher, letters, { now, post });
  return { written: letters.length, ...became, without };
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
