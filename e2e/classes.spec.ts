import { createClass } from '@/server/classes/classes';
import { planSession } from '@/server/sessions/sessions';
import type { App } from './app';
import { twoMinutes } from './counted';
import { axe, expect, NOON, test } from './harness';
import { ownStudio } from './own-studio';

const classNamed = (app: App, name: string) =>
  app.db('classes').whereRaw("plan->>'name' = ?", [name]).first('plan');

test('a class is copied, put away, brought back and removed for good, by keyboard', async ({
  app,
  page,
}) => {
  const { scope, signIn } = await ownStudio(app, 'Nela');
  const names = ['Low tide', 'High tide', ...Array.from({ length: 8 }, (_, n) => `Pier ${n + 1}`)];
  const ids: string[] = [];
  for (const name of names) {
    ids.push(await createClass(app.db, scope, { ...twoMinutes(), name }, NOON));
  }
  const [low = ''] = ids;
  const startsAt = NOON + 3_600_000;
  await planSession(app.db, scope, { classId: ids[1] ?? '', startsAt, now: NOON });
  await signIn(page);
  await page.goto('/classes');
  const chosen = async (of: string, entry: string) => {
    await page.getByRole('button', { name: `More for ${of}`, exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('menuitem', { name: entry })).toBeVisible();
    await page.getByRole('menuitem', { name: entry }).press('Enter');
  };

  await chosen('Low tide', 'Make a copy');
  await page.waitForURL(/\/classes\/[0-9a-f-]{36}$/);
  expect(page.url()).not.toContain(low);
  await expect(page.getByLabel('Name of the class')).toHaveValue('Copy of Low tide');
  // And from where it is put together, with what was typed a moment ago.
  const copied = page.url();
  await page.getByLabel('Name of the class').fill('Ebb');
  await page.getByLabel('Name of the class').press('Enter');
  await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
  await page.getByRole('menuitem', { name: 'Make a copy' }).press('Enter');
  await expect(page.getByLabel('Name of the class')).toHaveValue('Copy of Ebb');
  expect(page.url()).not.toBe(copied);
  for (const name of ['Ebb', 'Copy of Ebb']) {
    expect((await classNamed(app, name)).plan.phases).toEqual(twoMinutes().phases);
  }
  await app
    .db('classes')
    .where({ id: copied.split('/').at(-1) })
    .delete();
  await app
    .db('classes')
    .whereRaw("plan->>'name' = 'Copy of Ebb'")
    .update({ plan: app.db.raw("jsonb_set(plan, '{name}', '\"Copy of Low tide\"')") });

  await page.goto('/classes');
  // One that still meets stays where it is.
  await chosen('High tide', 'Put it away');
  await expect(page.getByText(/^The class “High tide” still has sessions to come/)).toBeVisible();
  await chosen('Copy of Low tide', 'Put it away');
  await expect(page.getByText('Copy of Low tide is put away. What it was stays.')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Copy of Low tide/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(page.getByRole('button', { name: 'More for Copy of Low tide' })).toBeVisible();

  await chosen('Copy of Low tide', 'Put it away');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
  await page.goto('/calendar/plan');
  const offered = page.getByRole('combobox', { name: 'Class', exact: true }).getByRole('option');
  await expect(offered).toHaveCount(names.length);
  await page.goto('/classes');
  await page.getByText('Put away (1)').press('Enter');
  expect(await axe(page)).toEqual([]);
  await page.getByRole('link', { name: 'Copy of Low tide' }).press('Enter');
  await expect(page.getByText(/^This class is put away/)).toBeVisible();
  await page.getByRole('button', { name: 'Lead class' }).press('Enter');
  await expect(
    page.getByText('This class is put away. Bring it back first, in Classes.'),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Bring it back in Classes' }).press('Enter');

  // Found by its name, wherever it stands.
  await page.getByLabel('Find a class by its name').fill('copy');
  await expect(page.getByRole('button', { name: /^More for/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Remove for good: Copy of Low tide' }).press('Enter');
  const asked = page.getByRole('dialog', { name: 'Remove Copy of Low tide for good?' });
  expect(await axe(page)).toEqual([]);
  await asked.getByRole('button', { name: 'Remove it for good' }).press('Enter');
  await expect(asked).toBeHidden();
  await expect(page.getByText(/^Put away/)).toHaveCount(0);
  await page.getByLabel('Find a class by its name').fill('');
  await expect(page.getByRole('button', { name: /^More for/ })).toHaveCount(names.length);
});
