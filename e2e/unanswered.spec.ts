import type { Page } from '@playwright/test';
import { axe, expect, test } from './harness';
import { ownStudio } from './own-studio';

/** From now on nothing that a page does comes to the server, or what stands before it answers in its place. */
async function away(page: Page, answer?: { status: number; headers?: Record<string, string> }) {
  await page.route('**', (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    return answer ? route.fulfill(answer) : route.abort();
  });
}
/** What a page does from now on is done, but no answer comes. */
const answersLost = (page: Page) =>
  page.route('**', async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    await route.fetch();
    await route.abort();
  });
const back = (page: Page) => page.unroute('**');

const alert = (page: Page, says: string | RegExp) =>
  page.getByRole('alert').filter({ hasText: says });

test('what was typed stays where the server does not answer, and is sent once it does', async ({
  app,
  studio: page,
}) => {
  const { id } = await app.db('participants').where({ name: 'Odile' }).first('id');
  await app.db('participants').where({ id }).update({ cautions: '[]', cautions_consent_on: null });
  const theirs = () =>
    app.db('participants').where({ id }).first('contact', 'cautions', 'cautions_consent_on');
  const before = await theirs();
  await page.goto(`/people/${id}`);
  await page.getByText('Name and contact').click();
  const contact = page.getByLabel(/^Contact/);
  await contact.fill('odile@lighthouse.example');
  await away(page);
  const keep = page.getByRole('button', { name: 'Keep', exact: true });
  await keep.click();
  await expect(alert(page, /does not answer\. What you typed stays here\./)).toBeVisible();
  await expect(contact).toHaveValue('odile@lighthouse.example');

  await page.getByText('Cautions, private').click();
  const skin = page.getByRole('checkbox', { name: /^broken, infected/ });
  const forehead = page.getByRole('group', { name: /^Where/ }).getByLabel('forehead');
  await skin.check();
  await forehead.check();
  await page.getByLabel(/^They agree to have this kept/).check();
  await page.getByRole('button', { name: 'Keep the cautions' }).click();
  await expect(alert(page, 'does not answer')).toHaveCount(2);
  await expect(skin).toBeChecked();
  await expect(forehead).toBeChecked();
  expect(await theirs()).toEqual(before);
  expect(await axe(page)).toEqual([]);

  await back(page);
  await page.getByRole('button', { name: 'Keep the cautions' }).click();
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  // What somebody else has changed meanwhile of what was not touched here stays.
  await app.db('participants').where({ id }).update({ name: 'Odile Roe' });
  await keep.click();
  await expect(alert(page, 'does not answer')).toHaveCount(0);
  await expect.poll(async () => (await theirs()).contact).toBe('odile@lighthouse.example');
  expect(await app.db('participants').where({ id }).first('name')).toEqual({ name: 'Odile Roe' });
  await expect(page.getByRole('heading', { name: 'Odile Roe' })).toBeVisible();
  expect((await theirs()).cautions).toEqual([{ caution: 'skin', areas: ['forehead'] }]);
});

test('a page from before an update, and one that is turned away, say so and keep what was typed', async ({
  studio: page,
}) => {
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add somebody' }).click();
  const name = page.getByLabel('Name, as they like to be called');
  const add = page.getByRole('button', { name: 'Add to the register' });
  await name.fill('Wanda of the ferry');
  await away(page, { status: 404, headers: { 'x-nextjs-action-not-found': '1' } });
  await add.click();
  await expect(alert(page, 'Up Beat was updated since this page was opened.')).toBeVisible();
  await expect(name).toHaveValue('Wanda of the ferry');
  await back(page);
  // The contact is cut short by the page, but not by whoever sends something else.
  await page.getByLabel('Contact, if they wish').evaluate((field: HTMLInputElement) => {
    field.removeAttribute('maxlength');
    field.value = 'x'.repeat(300_000);
  });
  await add.click();
  await expect(alert(page, 'This is too large. What you typed stays here.')).toBeVisible();
  await expect(name).toHaveValue('Wanda of the ferry');
});

test('a press that has no answer leaves the page as it is', async ({ app, studio: page }) => {
  const { id } = await app
    .db('classes')
    .whereRaw("plan->>'name' = 'Loose jaw before choir'")
    .first('id');
  await page.goto(`/classes/${id}`);
  const lead = page.getByRole('button', { name: 'Lead class', exact: true });
  await expect(lead).toBeEnabled();
  await away(page);
  await page.getByRole('button', { name: /^Account of|Account of Ines/ }).click();
  await page.getByRole('menuitem', { name: 'Day or night look' }).click();
  await expect(page.getByText('The server does not answer. Try again in a moment')).toBeVisible();
  await lead.click();
  await expect(page.getByText('The server does not answer. Try again in a moment')).toHaveCount(2);
  await expect(page.getByRole('region', { name: 'Running order' })).toBeVisible();
  await expect(lead).toBeEnabled();
});

test('who is signed out meanwhile signs in beside what they typed, and sends it', async ({
  app,
  page,
}) => {
  const { scope, teacherId, signIn } = await ownStudio(app, 'Ottilie');
  await signIn(page);
  await page.goto('/people');
  const name = page.getByLabel('Name, as they like to be called');
  const add = page.getByRole('button', { name: 'Add to the register' });
  await name.fill('Wanda of the ferry');
  await app.db('sign_ins').where({ teacher_id: teacherId }).delete();
  await add.click();
  await expect(alert(page, 'Sign in again in another tab')).toBeVisible();
  await expect(name).toHaveValue('Wanda of the ferry');
  await signIn(page);
  await add.click();
  await expect(page.getByRole('link', { name: 'Wanda of the ferry' })).toBeVisible();
  expect(await app.db('participants').where({ studio_id: scope.studioId })).toHaveLength(1);
});

test('what was done, though its answer was lost, is not done again where it is sent again', async ({
  app,
  studio: page,
}) => {
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add somebody' }).click();
  const form = page.getByRole('form', { name: 'Add somebody' });
  await form.getByLabel(/^Name/).fill('Runa of the ferry');
  const add = form.getByRole('button', { name: 'Add to the register' });
  await answersLost(page);
  await add.click();
  await expect(alert(page, 'it may be done already')).toBeVisible();
  await expect(form.getByLabel(/^Name/)).toHaveValue('Runa of the ferry');
  await back(page);
  await add.click();
  await expect(alert(page, 'it may be done already')).toBeHidden();
  await expect(page.getByRole('link', { name: 'Runa of the ferry' })).toHaveCount(1);
  const runas = () => app.db('participants').where({ name: 'Runa of the ferry' }).pluck('id');
  expect(await runas()).toHaveLength(1);
  // Meant twice, it is done twice.
  await form.getByLabel(/^Name/).fill('Runa of the ferry');
  await add.click();
  await expect.poll(async () => (await runas()).length).toBe(2);

  await page.goto('/classes');
  await page.getByLabel('Name of a new class').fill('Ferry hour');
  const create = page.getByRole('button', { name: 'Make the class' });
  await answersLost(page);
  await create.click();
  await expect(alert(page, 'it may be done already')).toBeVisible();
  await back(page);
  const made = await app.db('classes').whereRaw("plan->>'name' = 'Ferry hour'").pluck('id');
  await create.click();
  await page.waitForURL(`/classes/${made[0]}`);
  expect(made).toHaveLength(1);
});

test('a page that the server could not make is asked for anew by the button that says so', async ({
  app,
  studio: page,
}) => {
  await app.db.schema.renameTable('programmes', 'programmes_away');
  try {
    await page.goto('/people/programmes');
    await expect(page.getByRole('heading', { name: 'Something went wrong here' })).toBeVisible();
    expect(await axe(page)).toEqual([]);
  } finally {
    await app.db.schema.renameTable('programmes_away', 'programmes');
  }
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Programmes' })).toBeVisible();
});
