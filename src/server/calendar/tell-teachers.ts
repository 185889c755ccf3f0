import { grouped } from '@/core/collections';
import { MAIN_LANGUAGE } from '@/core/language';
import type { Session } from '../sessions/sessions';
import type { NewLetter } from '../studio/letters';
import { teachersOf } from '../studio/teachers';
import { isElsewhere } from './change';
import { whenIn, whereToo } from './tell';
import type { Telling } from './telling';

/** What teachers are written of the sessions that they lead, where somebody else changed them. */

/** What becomes of a session for one who leads it, in the order in which a letter tells it. */
const NEWS = [
  ['leads', 'From now on you lead:'],
  ['other', 'This has changed:'],
  ['off', 'This does not take place:'],
  ['again', 'This takes place after all:'],
  ['leadsNoMore', 'You do not lead this any more:'],
] as const;
type News = (typeof NEWS)[number][0];

/** Sessions as they were, and as they are; what is new on the calendar was not before. */
export interface Sessions {
  was: readonly Session[];
  is: readonly Session[];
}

/** What a change of one session is to whom. */
function newsOf(was: Session | undefined, is: Session): [teacherId: string | null, News][] {
  const wasPlanned = was?.status === 'planned';
  if (is.status === 'cancelled') return wasPlanned ? [[was.teacherId, 'off']] : [];
  if (is.status !== 'planned') return [];
  if (!was) return [[is.teacherId, 'leads']];
  if (!wasPlanned) return [[is.teacherId, 'again']];
  if (was.teacherId !== is.teacherId) {
    return [
      [is.teacherId, 'leads'],
      [was.teacherId, 'leadsNoMore'],
    ];
  }
  return isElsewhere(was, is) ? [[is.teacherId, 'other']] : [];
}

/** What stands there of a session under such news. */
function lineOf(news: News, was: Session | undefined, is: Session, timeZone: string): string {
  const when = whenIn(MAIN_LANGUAGE, timeZone);
  const then = was ? whereToo(was, when) : '';
  if (news === 'leadsNoMore') return then;
  const line = whereToo(is, when);
  if (news === 'other') return `until now: ${then}\nfrom now on: ${line}`;
  return news === 'off' && is.closed ? `${line}: ${is.closed}` : line;
}

/**
 * Writes to each teacher but who makes the change what it is for them, in one letter: so that no class waits for a
 * teacher who does not know of it.
 */
export async function tellTeachers(telling: Telling, { was, is }: Sessions): Promise<void> {
  const { teacher, now } = telling;
  const before = new Map(was.map((s) => [s.id, s]));
  const all = is.flatMap((session) => {
    const old = before.get(session.id);
    if (Math.max(session.startsAt, old?.startsAt ?? 0) <= now) return [];
    return newsOf(old, session).map(([id, news]) => {
      return { id, news, session, line: lineOf(news, old, session, teacher.timeZone) };
    });
  });
  const byTeacher = grouped(all, (one) => one.id);
  const letters: NewLetter[] = [];
  const names: string[] = [];
  for (const { id, name, email } of await teachersOf(telling.db, teacher)) {
    const theirs = byTeacher.get(id);
    if (!theirs || id === teacher.id) continue;
    const parts = NEWS.flatMap(([news, first]) => {
      const lines = theirs.filter((one) => one.news === news).map((one) => one.line);
      return lines.length > 0 ? [[first, ...lines].join('\n')] : [];
    });
    const sessions = theirs.map((one) => one.session);
    const [{ word, status }] = sessions as [Session];
    const body = [`Hello ${name},`, `${teacher.name} has changed the calendar.`, ...parts, word];
    names.push(name);
    letters.push({
      recipient: email,
      subject: `${teacher.studioName}: what you lead has changed`,
      body: `${[...body, teacher.studioName].filter(Boolean).join('\n\n')}\n`,
      until: Math.max(...sessions.map((s) => s.startsAt)),
      holds: { sessionIds: sessions.map((s) => s.id), status },
    });
  }
  if (letters.length === 0) return;
  await telling.keep(letters);
  telling.say(`Teachers written to: ${names.join(', ')}.`);
}
