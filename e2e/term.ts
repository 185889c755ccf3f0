import type { Page } from '@playwright/test';
import { emptyPlan } from '@/core/class';
import { createClass } from '@/server/classes/classes';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import { type App, NOON } from './app';
import { ownStudio } from './own-studio';

const DAY = 86_400_000;

/** A studio of its own, signed in, with a choir that has met on some Tuesdays at noon, and people booked on it. */
export async function termOf(
  app: App,
  page: Page,
  { people, weeks }: { people: readonly string[]; weeks: number },
) {
  app.runClock(NOON + 3_600_000);
  const own = await ownStudio(app, 'Ines');
  await own.signIn(page);
  const plan = emptyPlan('Loose jaw before choir', 1200);
  const classId = await createClass(app.db, own.scope, plan, NOON - 100 * DAY);
  const ids: string[] = [];
  for (const name of people) {
    const person = { name, contact: `${name.toLowerCase().replace(/\W/g, '')}@harbour.example` };
    const id = await addParticipant(app.db, own.scope, {
      person,
      joinedOn: '2026-09-01',
      now: NOON,
    });
    await book(app.db, own.scope, { participantId: id, classId, now: NOON - 90 * DAY });
    ids.push(id);
  }
  const sessionIds: string[] = [];
  for (let week = weeks - 1; week >= 0; week--) {
    const startsAt = NOON - 7 * week * DAY;
    sessionIds.push(await planSession(app.db, own.scope, { classId, startsAt, now: NOON }));
  }
  return { ...own, classId, ids, sessionIds };
}
