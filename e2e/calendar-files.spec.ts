import { axe, expect, signIn, test } from './harness';
import { hallOf } from './planned';

test('a calendar file of a hall becomes a series and closed days', async ({ app, page }) => {
  await hallOf(app, page);
  const text = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Slipway hall//EN',
    'BEGIN:VEVENT',
    'UID:evening@slipway.example',
    'SUMMARY:Face hour, big hall',
    'LOCATION:Big hall',
    'DTSTART;TZID=Europe/Dublin:20270105T190000',
    'RRULE:FREQ=WEEKLY;COUNT=4',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:regatta@slipway.example',
    'SUMMARY:Winter regatta',
    'DTSTART;VALUE=DATE:20270111',
    'DTEND;VALUE=DATE:20270114',
    'END:VEVENT',
    'END:VCALENDAR',
  ].join('\r\n');
  const choose = (name: string, content: string) =>
    page
      .getByLabel('Calendar file')
      .setInputFiles({ name, mimeType: 'text/calendar', buffer: Buffer.from(content) });
  const readIt = page.getByRole('button', { name: 'Read the file' });
  await page.goto('/calendar');
  await page.getByRole('link', { name: 'Bring in' }).click();
  await readIt.click();
  await expect(page.getByText('Choose a file that ends in .ics first.')).toBeVisible();
  await choose('notes.ics', 'not a calendar');
  await readIt.click();
  await expect(page.getByText(/^This is no calendar file/)).toBeVisible();
  await choose('vast.ics', 'x'.repeat(1_500_000));
  await readIt.click();
  await expect(page.getByText(/^This file is larger than 1 MB/)).toBeVisible();
  await choose('slipway.ics', text);
  await readIt.press('Enter');
  const has = page.getByRole('region', { name: 'What it has' });
  await expect(has.getByText('4 times, from Tue 5 Jan 2027, 19:00, Big hall')).toBeVisible();
  await expect(has.getByLabel(/^Winter regatta, Mon 11 Jan 2027 to Wed 13 Jan/)).toBeChecked();
  expect(await axe(page)).toEqual([]);
  await has.getByLabel('Class for Face hour, big hall').selectOption('Loose jaw before choir');
  await has.getByRole('button', { name: 'Put it on the calendar' }).press('Enter');
  await page.waitForURL(/\/calendar\?view=term/);
  const chips = page.getByRole('link', { name: /^19:00 Loose jaw/ }).filter({ visible: true });
  await expect(chips).toHaveCount(4);
  await expect(chips.nth(1)).toContainText('Winter regatta');
});

test('the feed is followed by its address until it is revoked; a traveller sees both times', async ({
  app,
  browser,
  studio: page,
}) => {
  await page.goto('/calendar/feed');
  expect(await axe(page)).toEqual([]);
  await page.getByRole('button', { name: 'Make an address' }).click();
  const status = page.getByRole('form', { name: 'Make' }).getByRole('status');
  await expect(status).toContainText('/feed/');
  const path = new URL((await status.textContent())?.split('\n').at(-1) ?? '').pathname;
  const context = await browser.newContext({ baseURL: app.url, timezoneId: 'Asia/Tokyo' });
  const stranger = await context.newPage();
  const answer = await stranger.request.get(path);
  expect(answer.headers()['content-type']).toContain('text/calendar');
  expect(await answer.text()).toContain('SUMMARY:Loose jaw before choir');
  await page.reload();
  await page.getByRole('button', { name: 'Revoke the address' }).click();
  await expect(page.getByRole('button', { name: 'Make an address' })).toBeVisible();
  expect((await stranger.request.get(path)).status()).toBe(404);

  await signIn(app, stranger);
  await stranger.goto('/calendar');
  await expect(
    stranger.getByText(/All times are those of the studio \(Europe\/Dublin\)/),
  ).toContainText('where you are (Asia/Tokyo)');
  await context.close();
});
