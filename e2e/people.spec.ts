import { wordsIn } from '@/core/follow/words';
import { homeWordsIn } from '@/core/home/words';
import { keepCautions } from '@/server/people/carried';
import { axe, expect, NOON, test } from './harness';
import { termOf } from './term';

test('three hundred people are taken in from a list with errors in it, and out again', async ({
  app,
  page,
}) => {
  const { scope } = await termOf(app, page, { people: ['Aino'], weeks: 1 });
  const lines = Array.from({ length: 300 }, (_, i) => `Person ${i},p${i}@harbour.example,en`);
  lines[10] = ',nameless@harbour.example,en';
  lines[20] = 'Somebody,s@harbour.example,Klingon';
  lines[30] = lines[29] ?? '';
  lines[40] = 'AINO,other@harbour.example,de';
  const csv = ['First name;E-mail;Language', ...lines.map((l) => l.replaceAll(',', ';'))].join(
    '\n',
  );
  await page.goto('/people/take-in');
  await page.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.getByText('The list is empty.')).toBeVisible();
  const chosen = page.getByLabel('A CSV file');
  const csvFile = (buffer: Buffer) => ({ name: 'people.csv', mimeType: 'text/csv', buffer });
  await chosen.setInputFiles(csvFile(Buffer.from([0x50, 0x4b, 3, 4, 0x14, 0])));
  await expect(page.getByText('save it as CSV')).toBeVisible();
  await chosen.setInputFiles(csvFile(Buffer.alloc(8_000_001, 'a')));
  await expect(page.getByText('This file is too large to be a list.')).toBeVisible();
  // As an older spreadsheet saves it.
  await chosen.setInputFiles(csvFile(Buffer.from('Name\nJörg Ångström', 'latin1')));
  await expect(page.getByRole('cell', { name: 'Jörg Ångström' })).toBeVisible();
  const guess = page.getByText('look at names with accents');
  await expect(guess).toBeVisible();
  await chosen.setInputFiles(csvFile(Buffer.from(csv)));
  await expect(guess).toBeHidden();
  await expect(page.getByRole('status')).toHaveText(
    '300 lines: 296 to take in, 1 on the register already, 3 with something wrong.',
  );
  for (const wrong of ['has no name', 'has a language that is not known', 'is the same as line']) {
    await expect(page.getByText(wrong)).toBeVisible();
  }
  // A column that was guessed can be changed, and is guessed right again.
  await page.getByLabel('Column 2').selectOption('nothing');
  await expect(page.getByRole('status')).toHaveText(/^300 lines: 29\d to take in/);
  await page.getByLabel('Column 2').selectOption('contact');
  await page.getByLabel('Book them on').selectOption({ label: 'Loose jaw before choir' });
  const people = () =>
    app.db('participants').where({ studio_id: scope.studioId }).count<{ count: string }[]>();
  expect(await people()).toEqual([{ count: '1' }]);
  await page.getByRole('button', { name: 'Take in 296' }).click();
  await expect(page.getByText('296 people were taken in.')).toBeVisible();
  expect(await people()).toEqual([{ count: '297' }]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('296 people are out again.')).toBeVisible();
  expect(await people()).toEqual([{ count: '1' }]);
});

test('people are found, chosen, booked and written to', async ({ app, page }) => {
  const names = Array.from({ length: 60 }, (_, i) => `Person ${String(i).padStart(2, '0')}`);
  const { scope } = await termOf(app, page, { people: names, weeks: 1 });
  await page.goto('/people');
  await expect(page.getByText('Page 1 of 2, 60 people')).toBeVisible();
  await page.getByRole('link', { name: 'Next' }).click();
  await expect(page.getByRole('link', { name: 'Person 59' })).toBeVisible();
  await page.getByLabel('Find by name or contact').fill('person 4');
  await page.getByLabel('Find by name or contact').press('Enter');
  await expect(page.getByRole('row')).toHaveCount(11);
  await page.getByLabel('Choose Person 41').check();
  await page.getByLabel('Choose Person 42').check();
  await page.getByRole('button', { name: 'Write to them' }).click();
  const dialog = page.getByRole('dialog', { name: 'Write to 2 people' });
  await dialog.getByRole('button', { name: 'Write the letters' }).click();
  await expect(dialog.getByText('Write what it is about.')).toBeVisible();
  await expect(dialog.getByLabel('Subject')).toBeFocused();
  await dialog.getByLabel('Subject').fill('The hall');
  const letter = dialog.getByLabel('Letter');
  await letter.fill('We meet in the other hall.');
  // What was written is not lost by a key, and neither by the page being left.
  await page.keyboard.press('Escape');
  const asks = dialog.getByText('What you wrote was not sent');
  await expect(asks).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Go on writing' })).toBeFocused();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(asks).toBeHidden();
  await expect(letter).toBeFocused();
  await expect(letter).toHaveValue('We meet in the other hall.');
  const leaves = page.waitForEvent('dialog');
  void page.close({ runBeforeUnload: true });
  await (await leaves).dismiss();
  await dialog.getByRole('button', { name: 'Write the letters' }).click();
  await expect(dialog.getByText('2 letters were written.')).toBeVisible();
  const letters = await app.db('letters').where({ studio_id: scope.studioId }).pluck('recipient');
  expect(letters.sort()).toEqual(['person41@harbour.example', 'person42@harbour.example']);
  // Sent, there is nothing to ask about; thrown away, it is gone.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Write to them' }).click();
  await expect(letter).toHaveValue('');
  await letter.fill('Never mind.');
  await dialog.getByRole('button', { name: 'Close', exact: true }).click();
  await dialog.getByRole('button', { name: 'Close and lose it' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Practice, 12 weeks' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: 'Practice, 12 weeks' })).toBeVisible();
  await page.getByLabel('Show').selectOption('new');
  await expect(page).toHaveURL(/show=new/);
  await expect(page.getByRole('row')).toHaveCount(11);
});

test('two entries of one person are joined and made two again, and one is erased', async ({
  app,
  page,
}) => {
  const { ids, scope } = await termOf(app, page, { people: ['Marit', 'Marrit'], weeks: 1 });
  await page.goto(`/people/${ids[0]}`);
  // The likest name is chosen already.
  await expect(page.getByLabel('The other entry')).toHaveValue(ids[1] ?? '');
  await page.getByRole('button', { name: 'Join with Marit' }).click();
  await expect(page.getByText('Everything of Marrit stands here now.')).toBeVisible();
  await page.goto('/people');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.goto(`/people/${ids[0]}`);
  await page.getByRole('button', { name: 'Make them two again' }).click();
  await expect(page.getByRole('button', { name: 'Make them two again' })).toBeHidden();
  await page.goto(`/people/${ids[1]}`);
  const held = await page.request.get(`/api/people/${ids[1]}/held`);
  expect((await held.json()).person.name).toBe('Marrit');
  await page.getByText('Leaving').click();
  await page.getByRole('button', { name: 'Erase them' }).click();
  await expect(page.getByText('Write their name as it stands here.')).toBeVisible();
  await expect(page.getByLabel('Write “Marrit” to erase them')).toBeFocused();
  await page.getByLabel('Write “Marrit” to erase them').fill('Marrit');
  await page.getByRole('button', { name: 'Erase them' }).click();
  await expect(page).toHaveURL(/\/people$/);
  await expect(page.getByRole('row')).toHaveCount(2);
  expect(await app.db('participants').where({ studio_id: scope.studioId }).pluck('name')).toEqual([
    'Marit',
  ]);
});

test('a person logs practice on their own page, until its address is revoked', async ({
  app,
  page,
  browser,
}) => {
  const { ids } = await termOf(app, page, { people: ['Aino', 'Brannoc'], weeks: 2 });
  await page.goto(`/people/${ids[0]}`);
  await page.getByText('Their own page', { exact: true }).click();
  await page.getByRole('button', { name: 'Make an address' }).last().click();
  const told = await page.getByText(/Hand on this address:/).textContent();
  const path = new URL(told?.match(/http\S+/)?.[0] ?? '').pathname;
  const theirs = await (await browser.newContext()).newPage();
  await theirs.setViewportSize({ width: 360, height: 740 });
  await theirs.clock.install({ time: NOON });
  await theirs.goto(`${app.url}${path}`);
  await expect(theirs.getByRole('heading', { name: 'Practice at home, Aino' })).toBeVisible();
  expect(await theirs.content()).not.toContain('Brannoc');
  await theirs.getByLabel('Day').fill('2026-11-30');
  await theirs.getByRole('button', { name: 'Log it' }).click();
  await expect(theirs.getByText(/^Practice is logged for today or the last 14 days/)).toBeVisible();
  await theirs.reload();
  await theirs.getByLabel('Day').fill('2026-11-23');
  await theirs.getByLabel('Minutes, if you know').fill('5');
  await theirs.getByRole('button', { name: 'Log it' }).click();
  await expect(theirs.getByText('Mon 23 Nov 2026, 5 min')).toBeVisible();
  expect(await theirs.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
  // It stands open: what was typed stays while it is looked up again, and the next day it knows the day.
  const passes = async (ms: number) => {
    app.runClock(NOON + ms);
    await theirs.clock.fastForward(ms);
  };
  const minutes = theirs.getByLabel('Minutes, if you know');
  await minutes.fill('7');
  await app.db('participants').where({ id: ids[0] }).update({ name: 'Aino P' });
  await passes(5 * 60_000);
  await expect(theirs.getByRole('heading', { name: 'Practice at home, Aino P' })).toBeVisible();
  await expect(minutes).toHaveValue('7');
  await passes(86_400_000);
  await expect(theirs.getByLabel('Day')).toHaveValue('2026-11-25');
  await expect(minutes).toHaveValue('7');
  app.runClock(NOON);
  await page.reload();
  await expect(page.getByText('Mon 23 Nov 2026, 5 min, from their own page')).toBeVisible();
  await page.getByText('Their own page', { exact: true }).click();
  await page.getByRole('button', { name: 'Revoke the address' }).last().click();
  await expect(page.getByRole('button', { name: 'Revoke the address' })).toHaveCount(0);
  expect((await theirs.goto(`${app.url}${path}`))?.status()).toBe(404);
  await expect(theirs.getByText(/^The address of your own page no longer works/)).toBeVisible();
  const german = await (await browser.newContext({ locale: 'de-AT' })).newPage();
  expect((await german.goto(`${app.url}${path}`))?.status()).toBe(404);
  await expect(german.getByText(/^Die Adresse deiner eigenen Seite gilt nicht mehr/)).toBeVisible();
  expect(await axe(german)).toEqual([]);
  await german.context().close();
  await theirs.context().close();
});

test('somebody is in a programme, does a class at home that was drafted for them, and says how it feels', async ({
  app,
  page,
  browser,
}) => {
  const { ids, scope, sessionIds } = await termOf(app, page, { people: ['Aino'], weeks: 1 });
  await page.goto('/people/programmes');
  await expect(page.getByText('No programmes yet')).toBeVisible();
  // What is typed and chosen while a refusal is on its way stays.
  let answer = () => {};
  const held = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route('/people/programmes', async (route) => {
    await held;
    await route.continue();
  });
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Two weeks at home');
  await page.getByLabel('By which rule').selectOption({ label: 'Every meeting' });
  answer();
  await expect(page.getByText('Give the programme a name.')).toBeVisible();
  await page.unroute('/people/programmes');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Two weeks at home');
  await page.getByLabel('For so many weeks').fill('2');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByText(/^Without a class only a rule/)).toBeVisible();
  await page.getByLabel('By which rule').selectOption({ label: 'Every other day' });
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByLabel('Somebody on the register').selectOption({ label: 'Aino' });
  await page.getByRole('button', { name: 'Enrol' }).click();
  await expect(page.getByRole('row', { name: /Aino/ })).toContainText('week 1 of 2');

  await app.db('form_notes').insert({
    id: crypto.randomUUID(),
    studio_id: scope.studioId,
    participant_id: ids[0],
    session_id: sessionIds[0],
    move_id: 'tall-o-cheek-lift',
    note: 'left corner lower',
    noted_at: new Date(NOON),
  });
  await page.goto(`/people/${ids[0]}`);
  await page.getByText('Classes to do at home').click();
  await page.getByRole('button', { name: 'Draft one' }).click();
  await expect(page.getByText(/^Drafted and given\./)).toBeVisible();
  await page.getByText('Check-ins, private').click();
  await page.getByRole('button', { name: 'They agree' }).click();
  await expect(page.getByText('They agreed on Tue 24 Nov 2026.')).toBeVisible();
  await page.getByText('Their own page', { exact: true }).click();
  await page.getByRole('button', { name: 'Make an address' }).last().click();
  const told = await page.getByText(/Hand on this address:/).textContent();
  const path = new URL(told?.match(/http\S+/)?.[0] ?? '').pathname;

  const theirs = await (await browser.newContext()).newPage();
  await theirs.goto(`${app.url}${path}`);
  const home = theirs.getByRole('region', { name: 'At home: Long O cheek lift' });
  await expect(home.getByRole('listitem')).toContainText('Long O cheek lift');
  expect(await axe(theirs)).toEqual([]);
  const coming = theirs.waitForEvent('download');
  await home.getByRole('button', { name: 'Save it as sound' }).press('Enter');
  expect((await coming).suggestedFilename()).toBe('at-home-long-o-cheek-lift.mp3');
  const scale = (name: string) => theirs.getByRole('radiogroup', { name });
  await scale('Tension of the brow: 0 is relaxed, 10 is very tense').getByLabel('8').check();
  await theirs.getByRole('button', { name: 'Keep it' }).click();
  // What nobody said is not kept, and what they said stays.
  await expect(scale('Ease of the jaw')).toContainText('Choose a number from 0 to 10.');
  await expect(scale('Ease of the jaw').getByLabel('0', { exact: true })).toBeFocused();
  await expect(scale('Tension of the brow').getByLabel('8')).toBeChecked();
  await theirs.keyboard.press('ArrowRight');
  await scale('Evenness, left to right').getByLabel('10').check();
  await theirs.getByRole('button', { name: 'Keep it' }).click();
  await expect(theirs.getByText('How does it feel?')).toBeHidden();
  const felt = { jaw: 1, brow: 8, evenness: 10 };
  expect(await app.db('check_ins').first('jaw', 'brow', 'evenness')).toEqual(felt);
  await home.getByRole('button', { name: 'I did it' }).click();
  await expect(theirs.getByText('Tue 24 Nov 2026, 3 min')).toBeVisible();
  await expect(theirs.getByText('Kept 1 of 1 in the last 12 weeks; 1 day kept up.')).toBeVisible();

  // What must not be missed stands in the language of what is read beside it.
  await app
    .db('classes')
    .whereRaw("plan->>'name' = 'At home: Long O cheek lift'")
    .update({ plan: app.db.raw(`plan || '{"language": "de"}'`) });
  await keepCautions(app.db, scope, {
    participantId: ids[0] ?? '',
    cautions: [{ caution: 'jaw' }],
    consentOn: '2026-11-24',
  });
  await theirs.reload();
  await expect(home.getByText('Langes O, Wangen heben')).toBeVisible();
  const { door } = wordsIn('de');
  const { easier, sound } = homeWordsIn('de').given;
  // How it is done instead is read after it.
  await expect(home.getByText(easier)).not.toHaveText(easier);
  await expect(home.getByText(sound)).toBeVisible();
  // A device that asks for English reads in English what is not of this class alone.
  await expect(theirs.getByText(wordsIn('en').door.care)).toBeVisible();
  const german = await (await browser.newContext({ locale: 'de-DE' })).newPage();
  await german.goto(`${app.url}${path}`);
  await expect(german.getByText(door.care)).toBeVisible();
  expect(await axe(german)).toEqual([]);
  await Promise.all([theirs.context().close(), german.context().close()]);
  await page.reload();
  await expect(page.getByRole('row', { name: /^0/ })).toContainText('8');
  expect(await axe(page)).toEqual([]);
  await page.getByRole('button', { name: 'They withdraw: forget it all' }).press('Enter');
  await page.getByRole('button', { name: 'Forget it all', exact: true }).press('Enter');
  await expect(page.getByText('Withdrawn, and all of it is forgotten.')).toBeVisible();
  await page.getByRole('link', { name: /^Sound, captions, sheet: At home/ }).click();
  await expect(page.getByRole('dialog', { name: 'Sound, captions, sheet' })).toBeVisible();
});
