import type { Page } from '@playwright/test';
import { makeLink } from '@/server/studio/links';
import { axe, expect, NOON, test } from './harness';

const OWNER = 'nela@gull-pier.example';
const PASSWORD = 'herring gulls at noon';

async function fillAccount(page: Page, account: { name: string; email?: string }) {
  await page.getByLabel('Your name').fill(account.name);
  if (account.email) await page.getByLabel('Email').fill(account.email);
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
}

/** Makes a studio beside the demo, as its first teacher does on the machine itself. */
async function begin(page: Page) {
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'Make a studio of your own' }).click();
  await page.getByLabel('Name of the studio').fill('Gull Pier');
  await page.getByLabel('Time zone').fill('Pacific/Auckland');
  await page.getByLabel('Language of your classes').selectOption('German');
  await fillAccount(page, { name: 'Nela', email: OWNER });
  await page.getByRole('button', { name: 'Make the studio' }).click();
  await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
}

test('a studio is made, a teacher invited and removed, and the studio deleted', async ({
  app,
  browser,
  page,
}) => {
  await begin(page);
  await page.goto('/classes');
  await page.getByLabel('Name of a new class').fill('Am Kai');
  await page.getByRole('button', { name: 'Make the class' }).click();
  await expect(page.getByRole('button', { name: /German/ }).first()).toBeVisible();

  await page.goto('/studio');
  expect(await axe(page)).toEqual([]);
  await page.getByLabel('Email of somebody to invite').fill('two@gull-pier.example');
  await page.getByRole('button', { name: 'Invite', exact: true }).click();
  const status = page.getByRole('form', { name: 'Invite a teacher' }).getByRole('status');
  await expect(status).toContainText('/join/');
  const path = new URL((await status.textContent())?.split('\n').at(-1) ?? '').pathname;
  await page.getByRole('link', { name: 'Letters of the studio' }).click();
  await expect(page.getByText('To two@gull-pier.example')).toBeVisible();
  await expect(page.getByText(path)).toBeVisible();

  const theirs = await (await browser.newContext({ baseURL: app.url })).newPage();
  await theirs.goto(path);
  expect(await axe(theirs)).toEqual([]);
  await fillAccount(theirs, { name: 'Two' });
  await theirs.getByRole('button', { name: 'Make my account' }).click();
  await expect(theirs.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
  await theirs.goto('/classes');
  await expect(theirs.getByText('Am Kai')).toBeVisible();
  await theirs.goto('/studio');
  await expect(theirs).toHaveURL(/\/account$/);
  await theirs.goto(path);
  await expect(theirs.getByRole('heading')).toHaveText('This link no longer works');

  await page.goto('/studio');
  await page.getByRole('button', { name: 'Remove Two; their classes stay' }).click();
  await page.getByRole('button', { name: 'Remove Two', exact: true }).click();
  await expect(page.getByText('two@gull-pier.example')).toBeHidden();
  await theirs.goto('/');
  await expect(theirs).toHaveURL(/\/sign-in$/);
  await theirs.context().close();

  await page.getByLabel('Type “Gull Pier” to go on').fill('Gull');
  await page.getByLabel('Your password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Delete everything' }).click();
  await expect(page.getByText('Type the name just as it stands: Gull Pier')).toBeVisible();
  await page.getByLabel('Type “Gull Pier” to go on').fill('Gull Pier');
  await page.getByLabel('Your password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Delete everything' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
});

test('what is wrong is told beside its field, and what was typed stays', async ({ app, page }) => {
  const token = await makeLink(app.db, 'begin', { of: {}, now: NOON });
  await page.goto(`/begin/${token}`);
  expect(await axe(page)).toEqual([]);
  await page.getByLabel('Name of the studio').fill('Gull Pier');
  await page.getByLabel('Time zone').fill('Atlantis/Harbour');
  await fillAccount(page, { name: 'Nela', email: 'nobody' });
  await page.getByLabel('Password', { exact: true }).fill('short');
  await page.getByRole('button', { name: 'Make the studio' }).click();
  await expect(page.getByText('There is no such time zone.')).toBeVisible();
  await expect(page.getByText('Write an email address, such as')).toBeVisible();
  await expect(page.getByText('Use at least 10 characters')).toBeVisible();
  await expect(page.getByLabel('Time zone')).toBeFocused();
  await expect(page.getByLabel('Time zone')).toHaveValue('Atlantis/Harbour');
  await expect(page.getByLabel('Name of the studio')).toHaveValue('Gull Pier');
  expect(await axe(page)).toEqual([]);

  // Corrected, the same link still works; once.
  await page.getByLabel('Time zone').fill('Europe/Dublin');
  await fillAccount(page, { name: 'Nela', email: OWNER });
  await page.getByRole('button', { name: 'Make the studio' }).click();
  await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
  await page.goto(`/begin/${token}`);
  await expect(page.getByRole('heading')).toHaveText('This link no longer works');
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await expect(page.getByRole('link', { name: 'Make a studio of your own' })).toBeHidden();
});

test('a forgotten password is chosen anew by keyboard, and an account changed', async ({
  app,
  page,
}) => {
  await begin(page);
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'Forgotten your password?' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await page.getByLabel('Email').fill(OWNER);
  await page.keyboard.press('Enter');
  await expect(page.getByText('a letter with a link is on its way')).toBeVisible();
  // The page does not wait for it, so that nobody learns whose email it knows.
  const letter = () => app.db('letters').where({ recipient: OWNER }).first('body');
  await expect.poll(letter).toBeDefined();
  const { body } = await letter();
  await page.goto(new URL(body.match(/http\S+/)[0]).pathname);
  await page.getByLabel('New password').fill('oystercatchers at dusk');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();

  await page.goto('/account');
  expect(await axe(page)).toEqual([]);
  await page.getByLabel('Your name').fill('Nela Brook');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Changed.', { exact: true })).toBeVisible();
  const email = page.getByRole('textbox', { name: 'Email' });
  await email.fill('brook@gull-pier.example');
  await page.getByLabel('Your password now').first().fill('not this one');
  await page.keyboard.press('Enter');
  await expect(page.getByText('This is not your password.')).toBeVisible();
  await expect(email).toHaveValue('brook@gull-pier.example');
  await page.getByLabel('Your password now').first().fill('oystercatchers at dusk');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Sign in with it from now on.')).toBeVisible();
});
