import { randomUUID } from 'node:crypto';
import type { Locator, Page } from '@playwright/test';
import { addParticipant, book } from '@/server/people/people';
import { axe, expect, NOON, test } from './harness';
import { hallOf, ownClass, planWeekly } from './planned';

test('a term is planned: a series with closed days, one moved, one led by another, one called off', async ({
  app,
  page,
}) => {
  const { scope } = await hallOf(app, page);
  await app.db('teachers').insert({
    id: randomUUID(),
    studio_id: scope.studioId,
    email: `${randomUUID()}@tern-quay.example`,
    name: 'Bela Swift',
    role: 'teacher',
    password_hash: 'none',
    created_at: new Date(NOON),
  });
  await ownClass(page, 'Net menders');
  await page.goto('/calendar/closed');
  await page.getByLabel('What for').fill('Hall painted');
  await page.getByLabel('From').fill('2027-01-11');
  await page.getByLabel('To, that day included').fill('2027-01-10');
  await page.getByRole('button', { name: 'Close these days' }).click();
  await expect(page.getByText('The last day comes before the first.')).toBeVisible();
  await page.getByLabel('To, that day included').fill('2027-01-17');
  await page.getByRole('button', { name: 'Close these days' }).click();
  await expect(page.getByText('Closed. One session is cancelled.')).toBeVisible();
  expect(await axe(page)).toEqual([]);

  await page.goto('/calendar/plan');
  await page.getByRole('combobox', { name: 'Class', exact: true }).selectOption('Net menders');
  await page.getByLabel('Place').fill('Hall 2');
  await planWeekly(page, { start: '2026-12-29', time: '12:20', count: '10' });
  const coming = page.getByRole('region', { name: 'What would come' });
  await expect(coming.getByRole('listitem')).toHaveCount(10);
  await expect(coming.getByText('Tue 12 Jan 2027, 12:20')).toBeVisible();
  await expect(coming.getByText('Hall painted: cancelled')).toBeVisible();
  await expect(coming.getByText(/Loose jaw before choir at 12:15/).first()).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.getByRole('button', { name: 'Plan these 10 sessions' }).click();
  await page.waitForURL(/\/calendar\?/);
  const chips = page.getByRole('table').getByRole('link', { name: /Net menders/ });
  await expect(chips).toHaveCount(10);
  await expect(chips.nth(2)).toContainText('Hall painted');
  expect(await axe(page)).toEqual([]);

  await chips.nth(1).click();
  await page.getByLabel('Day').fill('2027-01-06');
  await page.getByLabel('At', { exact: true }).fill('19:00');
  await page.getByLabel('Led by').selectOption('Bela Swift');
  await page.getByRole('button', { name: 'Save the changes' }).click();
  await expect(page.getByText('Wed 6 Jan 2027, 19:00')).toBeVisible();
  await expect(page.getByText('moved from Tue 5 Jan 2027, 12:20')).toBeVisible();
  await expect(page.getByText('led by Bela Swift')).toBeVisible();
  expect(await axe(page)).toEqual([]);

  await page.goto('/calendar?view=term&from=2026-12-28');
  await expect(chips.nth(1)).toContainText('from Tue 5 Jan 2027, 12:20');
  await chips.nth(8).click();
  await page.getByLabel('A word to those booked').fill('The boats are out.');
  await page
    .getByRole('region', { name: 'Call it off' })
    .getByRole('combobox', { name: 'For', exact: true })
    .selectOption('after');
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(page.getByText('Cancelled: The boats are out.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('link', { name: 'Lead class' })).toBeVisible();
  await page.goto('/calendar?view=week&from=2027-03-01');
  await expect(page.getByRole('link', { name: /Net menders/ }).first()).toContainText(
    'The boats are out.',
  );
  expect(await axe(page)).toEqual([]);
});

test('a series is planned, found and moved by keyboard alone, on a phone’s screen too', async ({
  app,
  page,
}) => {
  await hallOf(app, page);
  await ownClass(page, 'Harbour pilots');
  await page.goto('/calendar');
  await page.getByRole('link', { name: 'Plan sessions' }).first().press('Enter');
  await page.getByRole('combobox', { name: 'Class', exact: true }).selectOption('Harbour pilots');
  await page.getByLabel('First day').fill('2026-12-03');
  await page.getByLabel('It ends after so many sessions').fill('3');
  await page.getByLabel('It ends after so many sessions').press('Enter');
  await page.getByRole('button', { name: 'Plan these 3 sessions' }).press('Enter');
  await page.waitForURL(/\/calendar\?/);
  await page.setViewportSize({ width: 360, height: 740 });
  const found = page.getByRole('link', { name: /Harbour pilots/ }).filter({ visible: true });
  await expect(found).toHaveCount(3);
  expect(await axe(page)).toEqual([]);
  await found.nth(1).press('Enter');
  await page.waitForURL(/\/sessions\/[-0-9a-f]+$/);
  await expect(page.getByLabel('At', { exact: true })).toBeVisible();
  // Somebody else has found another hall meanwhile, which nobody on this page knows of.
  const id = page.url().split('/').at(-1);
  const there = () => app.db('sessions').where({ id }).first('place', 'starts_at');
  await app.db('sessions').where({ id }).update({ place: 'Boat house' });
  await page.getByLabel('At', { exact: true }).fill('20:00');
  const change = page.getByRole('region', { name: 'Change it' });
  await change.getByRole('combobox', { name: 'For', exact: true }).selectOption('after');
  await page.getByRole('button', { name: 'Save the changes' }).press('Enter');
  await expect(page.getByText('Changed in 2 sessions.')).toBeVisible();
  expect(await there()).toEqual({
    place: 'Boat house',
    starts_at: new Date('2026-12-10T20:00:00Z'),
  });
});

test('a full session has a line of those who wait, and who is next moves up and is written to', async ({
  app,
  page,
}) => {
  const { scope } = await hallOf(app, page);
  for (const name of ['Marit', 'Odile']) {
    const person = { name, contact: `${name.toLowerCase()}@example.org` };
    await addParticipant(app.db, scope, { person, joinedOn: '2026-11-01', now: NOON });
  }
  await ownClass(page, 'Lock keepers');
  await page.goto('/calendar/plan');
  await page.getByRole('combobox', { name: 'Class', exact: true }).selectOption('Lock keepers');
  await page.getByLabel('Room for so many people').fill('none');
  await planWeekly(page, { start: '2026-12-02', time: '08:00', count: '2' });
  await expect(page.getByText('Write a whole number from 1 to 500')).toBeVisible();
  await page.getByLabel('Room for so many people').fill('1');
  await page.getByRole('button', { name: 'See what would come' }).click();
  await page.getByRole('button', { name: 'Plan these 2 sessions' }).click();
  await page
    .getByRole('link', { name: /Lock keepers/ })
    .first()
    .click();
  const who = page.getByRole('region', { name: 'Who comes' });
  const bookOne = async (name: string) => {
    await who.getByLabel('Somebody on the register').selectOption(name);
    await who.getByRole('button', { name: 'Book on this session' }).press('Enter');
    await expect(who.getByText('Booked.', { exact: true })).toBeVisible();
    await expect(who.getByRole('button', { name: `${name}: cannot come` })).toBeVisible();
  };
  await who.getByRole('button', { name: 'Book on this session' }).click();
  await expect(who.getByText('Choose somebody from the list first.')).toBeVisible();
  await bookOne('Marit');
  await expect(page.getByText('1 booked, full')).toBeVisible();
  await bookOne('Odile');
  await expect(page.getByText('1 booked, 1 waiting for room')).toBeVisible();
  await expect(who.getByRole('list').nth(1)).toContainText('Odile');
  expect(await axe(page)).toEqual([]);
  await who.getByRole('button', { name: 'Marit: cannot come' }).press('Enter');
  await expect(who.getByText('Noted. 1 person moves up. 1 letter was written.')).toBeVisible();
  await who.getByRole('button', { name: 'Marit: comes after all' }).press('Enter');
  await expect(who.getByRole('list').nth(1)).toContainText('Marit');
  const letter = await app.db('letters').where({ studio_id: scope.studioId }).first();
  expect(letter).toMatchObject({ recipient: 'odile@example.org' });
  expect(letter.body).toContain('Lock keepers, Wed 2 Dec 2026, 08:00');
});

/** A class of one's own with a session on Tuesday at nine. */
async function planSailMakers(page: Page) {
  await ownClass(page, 'Sail makers');
  await page.goto('/calendar/plan');
  await page.getByRole('combobox', { name: 'Class', exact: true }).selectOption('Sail makers');
  await planWeekly(page, { start: '2026-12-01', time: '09:00', count: '1' });
  await page.getByRole('button', { name: 'Plan this session' }).click();
  await page.waitForURL(/\/calendar\?/);
}

/** Drags a session of a week by so many days and hours. */
async function dragged(page: Page, chip: Locator, by: { days: number; hours: number }) {
  const hour = 4.5 * 16;
  const box = await chip.boundingBox();
  if (!box) throw new Error('the session is not shown');
  const [x, y] = [box.x + 30, box.y + 12];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 10, y + 10, { steps: 3 });
  await page.mouse.move(x + by.days * box.width, y + by.hours * hour, { steps: 8 });
  await page.mouse.up();
}

test('who is booked is written to when a session is moved, called off, closed, and takes place after all', async ({
  app,
  page,
}) => {
  const { scope } = await hallOf(app, page);
  const person = { name: 'Odile', contact: 'odile@example.org' };
  const of = { person, joinedOn: '2026-11-01', now: NOON };
  const participantId = await addParticipant(app.db, scope, of);
  await planSailMakers(page);
  const { id: classId } = await app
    .db('classes')
    .where({ studio_id: scope.studioId })
    .whereRaw("plan->>'name' = 'Sail makers'")
    .first('id');
  await book(app.db, scope, { participantId, classId, now: NOON });

  await page.goto('/calendar?view=week&from=2026-11-30');
  const chip = page.getByRole('link', { name: /Sail makers/ }).filter({ visible: true });
  await dragged(page, chip, { days: 1, hours: 1.5 });
  const asks = page.getByRole('dialog', { name: 'Move it there?' });
  await expect(asks).toContainText('1 person is booked or waiting. Whoever has given an email');
  await asks.getByRole('button', { name: 'Leave it where it was' }).press('Enter');
  await expect(chip).toHaveText(/^09:00/);
  await dragged(page, chip, { days: 1, hours: 1.5 });
  await asks.getByRole('button', { name: 'Move it all the same' }).press('Enter');
  await expect(
    page.getByText('Moved to Wed 2 Dec 2026, 10:30. 1 letter was written.'),
  ).toBeVisible();

  await chip.click();
  await page.getByLabel('Place').fill('Loft');
  await page.getByRole('button', { name: 'Save the changes' }).press('Enter');
  await expect(page.getByText('Changed. 1 letter was written.')).toBeVisible();
  await page.getByRole('button', { name: 'Call it off' }).press('Enter');
  await expect(page.getByText('Called off. 1 letter was written.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).press('Enter');
  await expect(page.getByText('It takes place. 1 letter was written.')).toBeVisible();

  await page.goto('/calendar/closed');
  await page.getByLabel('What for').fill('Boat lift');
  await page.getByLabel('From').fill('2026-12-02');
  await page.getByLabel('To, that day included').fill('2026-12-02');
  await page.getByRole('button', { name: 'Close these days' }).press('Enter');
  await expect(page.getByText('One session is cancelled. 1 letter was written.')).toBeVisible();
  await page.getByRole('button', { name: /^Open again/ }).press('Enter');
  await expect(page.getByText('One session takes place. 1 letter was written.')).toBeVisible();

  // In another time zone the clock shows the same, so that nobody has to be told.
  await page.goto('/studio');
  await page.getByLabel('Time zone').fill('Asia/Kolkata');
  await page.getByRole('button', { name: 'Save name and time' }).press('Enter');
  await expect(page.getByText(/to come stays? at the time that the clock shows\.$/)).toHaveCount(2);
  await page.goto('/calendar?view=week&from=2026-11-30');
  await expect(chip).toHaveText(/^10:30/);
  const letters = await app.db('letters').where({ studio_id: scope.studioId });
  const told = (says: RegExp) => letters.filter(({ body }) => says.test(body)).length;
  expect(letters).toHaveLength(6);
  expect(told(/until now: .*Tue 1 Dec 2026, 09:00\nfrom now on: .*Wed 2 Dec 2026, 10:30$/m)).toBe(
    1,
  );
  expect(told(/from now on: .*, 10:30, Loft$/m)).toBe(1);
  expect([told(/does not take place/), told(/10:30: Boat lift$/m), told(/after all/)]).toEqual([
    2, 1, 2,
  ]);
});

test('a session is dragged to another day and time, asked about where it is in the way, and put back', async ({
  app,
  page,
}) => {
  await hallOf(app, page);
  await planSailMakers(page);
  await page.goto('/calendar?view=week&from=2026-11-30');
  const chip = page.getByRole('link', { name: /Sail makers/ }).filter({ visible: true });
  const drag = (days: number, hours: number) => dragged(page, chip, { days, hours });
  await drag(1, 1.5);
  await expect(page.getByText('Moved to Wed 2 Dec 2026, 10:30.')).toBeVisible();
  await expect(chip).toHaveText(/^10:30/);
  await expect(page).toHaveURL(/view=week/);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(chip).toHaveText(/^09:00/);
  // At 12:15 on that day the choir meets, with the same teacher.
  await drag(0, 3.25);
  const asks = page.getByRole('dialog', { name: 'Move it there?' });
  await expect(asks).toContainText(
    'Loose jaw before choir, Tue 1 Dec 2026, 12:15, is with the same',
  );
  expect(await axe(page)).toEqual([]);
  await asks.getByRole('button', { name: 'Leave it where it was' }).click();
  await expect(chip).toHaveText(/^09:00/);
  await drag(0, 3.25);
  await asks.getByRole('button', { name: 'Move it all the same' }).click();
  await expect(chip).toHaveText(/^12:15/);
  // By hand on its own page it is asked about as well.
  await chip.click();
  await page.getByLabel('Day').fill('2026-12-08');
  await page.getByLabel('At', { exact: true }).fill('12:20');
  await page.getByRole('button', { name: 'Save the changes' }).click();
  await expect(page.getByText(/^This would be in the way: Loose jaw/)).toBeVisible();
  await page.getByLabel('Do it all the same').check();
  await page.getByRole('button', { name: 'Save the changes' }).click();
  await expect(page.getByText('Tue 8 Dec 2026, 12:20')).toBeVisible();
});

test('what no calendar can hold is told beside its field, and what was typed stays', async ({
  app,
  page,
}) => {
  await hallOf(app, page);
  await page.goto('/calendar/plan');
  await page.getByLabel('Place').fill('Hall 2');
  await page.getByLabel('Thu').check();
  await planWeekly(page, { start: '2026-12-01', time: '12:15', count: '10000' });
  await expect(page.getByText('Write how many times, from 1 to 400.')).toBeVisible();
  await expect(page.getByLabel('Place')).toHaveValue('Hall 2');
  await expect(page.getByLabel('Thu')).toBeChecked();
  await page.getByLabel('or on').fill('2026-11-01');
  await page.getByRole('button', { name: 'See what would come' }).click();
  await expect(page.getByText('the series ends before it begins')).toBeVisible();
  await page.getByLabel('It repeats').selectOption('just once');
  await planWeekly(page, { start: '2027-03-28', time: '01:30', count: '1' });
  await expect(page.getByText('The clocks jump over Sun 28 Mar 2027, 01:30.')).toBeVisible();
  await page
    .getByLabel('Where the clocks jump over the time')
    .selectOption('it comes later by as much');
  await page.getByRole('button', { name: 'See what would come' }).click();
  await expect(page.getByText('Sun 28 Mar 2027, 02:30')).toBeVisible();
});

test('a page keeps its title while what was sent draws it anew', async ({ app, page }) => {
  await hallOf(app, page);
  await page.goto('/calendar/closed');
  await expect(page).toHaveTitle('Closed days · Up Beat');
  await page.evaluate(() => {
    const titles = new Set<string>();
    (window as unknown as { titles: Set<string> }).titles = titles;
    new MutationObserver(() => titles.add(document.title)).observe(document, {
      childList: true,
      subtree: true,
      characterData: true,
    });
  });
  for (let closed = 1; closed <= 10; closed += 1) {
    await page.getByLabel('What for').fill(`Painters ${closed}`);
    await page.getByRole('button', { name: 'Close these days' }).click();
    await expect(page.getByRole('button', { name: /^Open again/ })).toHaveCount(closed);
  }
  const titles = await page.evaluate(() => [
    ...(window as unknown as { titles: Set<string> }).titles,
  ]);
  expect(titles).toEqual(['Closed days · Up Beat']);
});
