import type { Page } from '@playwright/test';
import { emptyPlan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { SIGN_IN_COOKIE, signInAs } from '@/server/auth/sign-ins';
import { makeStudio } from '@/server/studio/studios';
import { type App, NOON } from './app';

/** A studio with nothing in it, beside the demo. */
export async function ownStudio(app: App, name: string) {
  const email = `${name.toLowerCase()}-${crypto.randomUUID()}@harbour.example`;
  const account = { name, email, password: 'terns over the pier' };
  const newClass = newClassOf(emptyPlan('New classes', 1200));
  const studio = { studioName: `Hall of ${name}`, timeZone: 'Europe/Dublin', ...account, newClass };
  const teacherId = await makeStudio(app.db, studio, NOON);
  const row = await app.db('teachers').where({ id: teacherId }).first('studio_id');
  const signIn = async (page: Page) => {
    const value = await signInAs(app.db, teacherId, NOON);
    await page.context().addCookies([{ name: SIGN_IN_COOKIE, value, url: app.url }]);
  };
  return { email, teacherId, signIn, scope: { studioId: row.studio_id as string } };
}
