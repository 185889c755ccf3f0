import { readFileSync } from 'node:fs';
import { addParticipant } from '@/server/people/people';
import { axe, expect, NOON, test } from './harness';
import { termOf } from './term';

const PEOPLE = ['Aino', 'Brannoc', 'Ciska', 'Dorrit', '=Eskil'];

test('a term is marked by keyboard, and its totals, its file and its people say the same', async ({
  app,
  page,
}) => {
  const { classId, scope } = await termOf(app, page, { people: PEOPLE, weeks: 6 });
  await page.goto(`/people/register/${classId}`);
  const grid = page.getByRole('grid', { name: 'The register' });
  await grid.getByRole('gridcell', { name: /^=Eskil, Tue 24 Nov 2026/ }).click();
  await page.keyboard.press('Home');
  // A letter marks and goes one down; each column is one session, =Eskil being the first by name.
  for (const [column, letters] of [
    'hhhhh',
    'hlhhn',
    'hhehh',
    'nhhhh',
    'hhhll',
    'hhhhn',
  ].entries()) {
    if (column > 0) {
      for (let up = 0; up < PEOPLE.length; up++) await page.keyboard.press('ArrowUp');
      await page.keyboard.press('ArrowRight');
    }
    for (const letter of letters) await page.keyboard.press(letter);
  }
  await expect
    .poll(() => app.db('attendance').where({ studio_id: scope.studioId }).count())
    .toEqual([{ count: '30' }]);
  const rowOf = (name: string) => grid.getByRole('row').filter({ hasText: name });
  await expect(rowOf('Eskil')).toContainText('5 of 6');
  await expect(rowOf('Dorrit')).toContainText('4 of 6');
  // Excused once, so five were asked, and none was missed.
  await expect(rowOf('Brannoc')).toContainText('5 of 5');
  const came = await grid.getByRole('row').last().getByRole('gridcell').allTextContents();
  expect(came.slice(0, 6)).toEqual(['5', '4', '4', '4', '5', '4']);
  const held = await app
    .db('sessions')
    .where({ studio_id: scope.studioId, status: 'held' })
    .count();
  expect(held).toEqual([{ count: '6' }]);

  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  const csv = readFileSync(await (await coming).path(), 'utf8');
  expect(csv.split('\r\n')[0]).toMatch(/^\ufeffName,2026-10-20,.*2026-11-24,Came,Of,Row$/);
  // What a spreadsheet would take for a formula is made harmless.
  expect(csv).toContain("\r\n'=Eskil,here,here,here,not here,here,here,5,6,2\r\n");
  // The class itself is taken away from here too; this one has nothing in it.
  await page.getByRole('link', { name: 'Sound, captions, sheet' }).click();
  await expect(page.getByText('This class is still empty.')).toBeVisible();
  await page.goto('/people');
  await expect(page.getByRole('row', { name: /=Eskil/ })).toContainText('5 of 6');
});

test('a correction changes a streak, says why and who made it, and is taken back', async ({
  app,
  page,
}) => {
  const { classId, scope } = await termOf(app, page, { people: PEOPLE.slice(0, 2), weeks: 3 });
  await page.goto(`/people/register/${classId}`);
  const grid = page.getByRole('grid', { name: 'The register' });
  const cell = (name: string, day: string) =>
    grid.getByRole('gridcell', { name: new RegExp(`^${name}, Tue ${day}`) });
  await cell('Aino', '10 Nov').click();
  for (const letter of ['h', 'h']) await page.keyboard.press(letter);
  await cell('Aino', '17 Nov').click();
  for (const letter of ['n', 'h']) await page.keyboard.press(letter);
  await cell('Aino', '24 Nov').click();
  for (const letter of ['h', 'h']) await page.keyboard.press(letter);
  const aino = grid.getByRole('row').filter({ hasText: 'Aino' });
  await expect(aino).toContainText('2 of 3');
  await cell('Aino', '17 Nov').click();
  await page.getByRole('button', { name: 'late L' }).click();
  await page.getByLabel('min late').fill('7');
  await page.getByLabel('min late').press('Enter');
  await expect(aino).toContainText('3 of 3');
  await expect(cell('Aino', '17 Nov')).toHaveAccessibleName(/late 7 minutes, corrected$/);
  await aino.getByRole('button').click();
  const account = page.getByRole('dialog', { name: 'Aino, day by day' });
  await expect(account.getByText('3 meetings in a row, the longest so far 3.')).toBeVisible();
  await expect(account.getByRole('listitem').nth(1)).toHaveText(
    'Tue 17 Novcame late, which counts. That makes 2.',
  );
  await page.keyboard.press('Escape');
  await page.reload();
  await page.getByText('Corrections, the newest first').click();
  await expect(page.getByText('Aino, Tue 17 Nov 2026: not here became late')).toBeVisible();
  await expect(page.getByText(/^Ines, Tue 24 Nov 2026/).first()).toBeVisible();
  await cell('Aino', '17 Nov').click();
  for (const letter of ['n', 'ArrowUp', 'e']) await page.keyboard.press(letter);
  await expect(aino).toContainText('2 of 2');
  await cell('Aino', '17 Nov').click();
  await page.keyboard.press('Control+z');
  await expect(aino).toContainText('2 of 3');
  await page.keyboard.press('Control+z');
  await expect(aino).toContainText('3 of 3');
  // What cannot be read stays as it is typed.
  const late = page.getByLabel('min late');
  for (const typed of ['soon', '601']) {
    await late.fill(typed);
    await late.press('Tab');
    await expect(page.getByRole('alert').filter({ hasText: 'Write whole minutes' })).toBeVisible();
    await expect(late).toHaveValue(typed);
  }
  await late.press('Escape');
  await expect(late).toHaveValue('7');
  // Somebody nobody had expected came as well.
  const person = { name: 'Ylva', contact: null };
  await addParticipant(app.db, scope, { person, joinedOn: '2026-11-01', now: NOON });
  await page.reload();
  await page.getByLabel(/^Somebody else who came/).selectOption({ label: 'Ylva' });
  await page.getByRole('button', { name: 'They were here' }).click();
  const ylva = grid.getByRole('row').filter({ hasText: 'Ylva' });
  await expect(ylva).toContainText('not booked');
  await expect(ylva).toContainText('1 of 1');
  // What anybody corrected can be taken back from the list, as long as it is the latest.
  await page.getByText('Corrections, the newest first').click();
  await page
    .getByRole('button', { name: /^Take it back: Aino, Tue 17 Nov 2026: not here became late/ })
    .last()
    .click();
  await expect(page.getByText('This was changed again since.')).toBeVisible();
});

test('marks made while the server is away are kept, and stored when they are sent again', async ({
  app,
  page,
}) => {
  const { classId, scope } = await termOf(app, page, { people: PEOPLE.slice(0, 2), weeks: 1 });
  await page.goto(`/people/register/${classId}`);
  const grid = page.getByRole('grid', { name: 'The register' });
  await page.route('**/marks', (route) => route.abort());
  await grid.getByRole('gridcell', { name: /^Aino/ }).click();
  for (const letter of ['h', 'l']) await page.keyboard.press(letter);
  await expect(page.getByRole('alert').filter({ hasText: 'What you marked' })).toHaveText(
    /The server does not answer\. Try again in a moment\. Store 2 again/,
  );
  await expect(grid.getByRole('gridcell', { name: /^Brannoc.*late/ })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  // Also where the page is left meanwhile.
  await page.goto('/people');
  await page.goto(`/people/register/${classId}`);
  await expect(grid.getByRole('gridcell', { name: /^Brannoc.*late/ })).toBeVisible();
  await page.unroute('**/marks');
  await page.getByRole('button', { name: 'Store 2 again' }).click();
  await expect
    .poll(() =>
      app.db('attendance').where({ studio_id: scope.studioId }).orderBy('mark').pluck('mark'),
    )
    .toEqual(['here', 'late']);
  // Nobody has to come back to the register for it: any page of the studio sends what waits.
  await page.route('**/marks', (route) => route.abort());
  await grid.getByRole('gridcell', { name: /^Aino/ }).click();
  await page.keyboard.press('n');
  await expect(page.getByRole('button', { name: 'Store 1 again' })).toBeVisible();
  await page.goto('/calendar');
  await page.unroute('**/marks');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(
    page.getByText('Stored now: one thing that had waited on this device'),
  ).toBeVisible();
  expect(
    await app.db('attendance').where({ studio_id: scope.studioId }).orderBy('mark').pluck('mark'),
  ).toEqual(['absent', 'late']);
  expect(await axe(page)).toEqual([]);
});

test('what streaks are counted by changes from a day on, and never in the past', async ({
  app,
  page,
}) => {
  const { classId } = await termOf(app, page, { people: PEOPLE.slice(0, 1), weeks: 2 });
  await page.goto(`/people/rules?class=${classId}`);
  await page.getByRole('button', { name: 'Any 3 of the last 4' }).click();
  await page.getByLabel('From', { exact: true }).fill('2026-11-01');
  await page.getByRole('button', { name: 'Count by this' }).click();
  await expect(page.getByText(/^A rule begins today at the earliest/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Any 3 of the last 4' }).click();
  await page.getByLabel('From', { exact: true }).fill('2026-11-24');
  await page.getByRole('button', { name: 'Count by this' }).click();
  await expect(page.getByText(/^Streaks are counted by “Any 3 of the last 4”/)).toBeVisible();
  await page.goto(`/people/register/${classId}`);
  await expect(page.getByRole('link', { name: 'Streaks by: any 3 of the last 4' })).toBeVisible();
});
