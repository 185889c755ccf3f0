import { makeLink } from '@/server/studio/links';
import { axe, expect, NOON, test } from './harness';

const PASSWORD = 'cormorants on the slip';

test('from the address of a first start to a planned term, by keyboard alone', async ({
  app,
  browser,
  page,
}) => {
  await page.goto(`/begin/${await makeLink(app.db, 'begin', { of: {}, now: NOON })}`);
  await page.getByLabel('Name of the studio').fill('Slipway Rooms');
  await page.getByLabel('Time zone').fill('Europe/Dublin');
  await page.getByLabel('Your name').fill('Ragna');
  await page.getByLabel('Email').fill('ragna@slipway.example');
  await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await page.getByLabel('Password', { exact: true }).press('Enter');
  await expect(page.getByText('Begin with a class')).toBeVisible();

  await page.getByRole('link', { name: 'Classes', exact: true }).press('Enter');
  await page.getByLabel('Name of a new class').fill('Jaw before the tide');
  await page.getByLabel('Name of a new class').press('Enter');
  await page.waitForURL(/\/classes\/.+/);
  const saved = page.waitForResponse((r) => r.request().method() === 'PUT' && r.ok());
  await page.keyboard.press('/');
  await page.keyboard.type('nose');
  await page.keyboard.press('Enter');
  await saved;

  await page.goto('/studio');
  await page.getByLabel('Email of somebody to invite').fill('sten@slipway.example');
  await page.getByLabel('Email of somebody to invite').press('Enter');
  const invited = page.getByRole('form', { name: 'Invite a teacher' }).getByRole('status');
  await expect(invited).toContainText('/join/');
  const join = new URL((await invited.textContent())?.split('\n').at(-1) ?? '').pathname;
  const other = await (await browser.newContext({ baseURL: app.url })).newPage();
  await other.goto(join);
  await other.getByLabel('Your name').fill('Sten');
  await other.getByLabel('Password', { exact: true }).fill(PASSWORD);
  await other.getByRole('button', { name: 'Make my account' }).press('Enter');
  await expect(other.getByText('No session to lead')).toBeVisible();

  await page.goto('/calendar/closed');
  await page.getByLabel('What for').fill('Boat lift');
  await page.getByLabel('From').fill('2026-12-22');
  await page.getByLabel('To, that day included').fill('2026-12-28');
  await page.getByLabel('To, that day included').press('Enter');
  await expect(page.getByText('Closed. 0 sessions are cancelled.')).toBeVisible();

  await page.goto('/calendar/plan');
  await page.getByLabel('First day').fill('2026-12-01');
  await page.getByLabel('At', { exact: true }).fill('18:30');
  await page.getByLabel('It ends after so many sessions').press('Enter');
  await expect(page.getByText('Boat lift: cancelled')).toBeVisible();
  await page.getByRole('button', { name: 'Plan these 10 sessions' }).press('Enter');
  await page.waitForURL(/\/calendar\?/);
  const term = page.getByRole('table').getByRole('link', { name: /Jaw before the tide/ });
  await expect(term).toHaveCount(10);

  await term.nth(1).press('Enter');
  await page.getByLabel('At', { exact: true }).fill('20:00');
  await page.getByLabel('Led by').selectOption('Sten');
  await page.getByLabel('At', { exact: true }).press('Enter');
  await expect(page.getByText('moved from Tue 8 Dec 2026, 18:30')).toBeVisible();
  await expect(page.getByText('led by Sten')).toBeVisible();

  // The other teacher has it on a phone: moved, theirs, and the closed week told.
  await other.setViewportSize({ width: 360, height: 740 });
  await other.goto('/calendar?from=2026-12-01');
  const agenda = other.getByRole('link', { name: /Jaw before the tide/ }).filter({ visible: true });
  await expect(agenda).toHaveCount(10);
  await expect(agenda.nth(1)).toContainText('20:00');
  await expect(agenda.nth(1)).toContainText('Sten');
  await expect(agenda.nth(3)).toContainText('Boat lift');
  expect(await axe(other)).toEqual([]);

  // They look in every week; a device that is not used for two is signed out.
  app.runClock(Date.UTC(2026, 11, 1, 19, 50));
  await other.goto('/');
  app.runClock(Date.UTC(2026, 11, 8, 19, 50));
  await other.goto('/');
  await expect(other.getByRole('article', { name: 'Jaw before the tide' })).toContainText(
    'in 10 min',
  );
  await other.getByRole('link', { name: 'Lead class' }).press('Enter');
  await expect(other.getByText('Planned for 20:00')).toBeVisible();
  await other.context().close();
});
