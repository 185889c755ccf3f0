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
import type { MovedUp } from '../sessions/bookings';
import { getSession, type Session } from '../sessions/sessions';
import { type NewLetter, type Told, writeLetters } from '../studio/letters';
import type { Post } from '../studio/post';

/** When it is told, and by what. */
interface By {
  now: number;
  post?: Post | null;
}

/** Writes to everybody who is booked or waits that sessions were called off. */
export async function tellCalledOff(
  db: Db,
  teacher: Teacher,
  { sessions, word, ...by }: By & { sessions: readonly Session[]; word: string | null },
): Promise<Told> {
  const rows = await db('session_people')
    .where('studio_id', teacher.studioId)
    .whereIn(
      'session_id',
      sessions.map((s) => s.id),
    )
    .select('participant_id', 'session_id');
  const to = rows.map((row) => ({ participantId: row.participant_id, sessionId: row.session_id }));
  const says = ({ calledOff }: LetterWords) => ({ ...calledOff, word });
  return tell(db, teacher, { to, sessions, says, status: 'cancelled', ...by });
}

/** Writes to whoever waited that there is room for them now. */
export async function tellMovedUp(
  db: Db,
  teacher: Teacher,
  { to, ...by }: By & { to: readonly MovedUp[] },
): Promise<Told> {
  const ids = [...new Set(to.map((one) => one.sessionId))];
  const sessions = await Promise.all(ids.map((id) => getSession(db, teacher, id)));
  const says = ({ movedUp }: LetterWords) => movedUp;
  return tell(db, teacher, { to, sessions, says, status: 'planned', ...by });
}

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
    status,
    now,
    post,
  }: By & {
    to: readonly MovedUp[];
    sessions: readonly Session[];
    says: (words: LetterWords) => { subject: string; first: string; word: string | null };
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
    const dates = theirs.map(
      (s) =>
        `${s.className}, ${dayIn(language ?? MAIN_LANGUAGE, s.startsAt, timeZone)}, ${timeOfDay(s.startsAt, timeZone)}`,
    );
    const words = letterWords(language);
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

function writtenWords({ written, sent, again }: Omit<Told, 'without'>): string {
  if (written === 0) return '';
  const first = written === 1 ? '1 letter was written.' : `${written} letters were written.`;
  if (sent === null) return `${first} No mail server sends letters: ${HAND_ON}`;
  const refused = written - sent - again;
  const later =
    again > 0 && `${again} could not be sent yet, and ${again === 1 ? 'is' : 'are'} tried again.`;
  const never = refused > 0 && `${refused} could not be sent: ${HAND_ON}`;
  return [first, later, never].filter(Boolean).join(' ');
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
