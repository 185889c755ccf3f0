import type { Page } from '@playwright/test';
import type { Rule } from '@/core/calendar';
import { emptyPlan } from '@/core/class';
import { planSessions } from '@/server/calendar/plan';
import { createClass } from '@/server/classes/classes';
import { type App, NOON } from './app';
import { ownStudio } from './own-studio';

/** A studio of its own, signed in, where a choir meets on eight Tuesdays at 12:15 from 1 December on. */
export async function hallOf(app: App, page: Page) {
  const own = await ownStudio(app, 'Ines');
  await own.signIn(page);
  const plan = emptyPlan('Loose jaw before choir', 1200);
  const classId = await createClass(app.db, own.scope, plan, NOON);
  const end = { by: 'number' as const, count: 8 };
  const rule: Rule = { repeats: 'weekly', every: 1, days: [], end };
  const where = { teacherId: own.teacherId, place: 'Hall 2', link: null, roomFor: null };
  const wish = { start: '2026-12-01', time: '12:15', rule, classIds: [classId], ...where };
  await planSessions(app.db, own.scope, { wish, zone: 'Europe/Dublin', now: NOON });
  return own;
}

/** Makes a class, as a teacher does. */
export async function ownClass(page: Page, name: string): Promise<void> {
  await page.goto('/classes');
  await page.getByLabel('Name of a new class').fill(name);
  await page.getByRole('button', { name: 'Make the class' }).click();
  await page.waitForURL(/\/classes\/.+/);
}

/** Asks what a weekly series would be. */
export async function planWeekly(page: Page, of: { start: string; time: string; count: string }) {
  await page.getByLabel('First day').fill(of.start);
  await page.getByLabel('At', { exact: true }).fill(of.time);
  await page.getByLabel('It ends after so many sessions').fill(of.count);
  await page.getByRole('button', { name: 'See what would come' }).click();
}
