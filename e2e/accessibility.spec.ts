import { addMove, axe, expect, makeClass, stored, test } from './harness';

test('axe finds nothing on any page', async ({ app, page, studio }) => {
  test.setTimeout(120_000);
  const look = async (name: string) => expect(await axe(page), name).toEqual([]);
  await look('Today');
  await studio.locator('summary').click();
  await look('account');
  await page.goto('/classes');
  await look('Classes');
  await makeClass(page, 'Looked at', 10);
  await look('Compose, empty');
  await addMove(page, 'chin over');
  await page.getByText('Cues', { exact: true }).click();
  await page.getByText('House rules').click();
  await page
    .getByLabel('Hold for')
    .or(page.getByLabel('Breaths', { exact: true }))
    .fill('none');
  await look('Compose, with an error');
  await page.goto('/people');
  await look('People');
  await page.getByRole('link', { name: 'Odile' }).click();
  await look('a person');
  const session = await app.db('sessions').where({ status: 'planned' }).first('id');
  await page.goto(`/lead/${session.id}`);
  await page.getByText('The voice is ready.').waitFor({ timeout: 30_000 });
  await look('before the start');
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await look('stage');
  await page.keyboard.press('Space');
  await look('stage, paused');
  await page.keyboard.press('e');
  await look('close-out');
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await page.getByText('The session is stored.').waitFor();
  await look('stored');
  await page.goto('/no-such-page');
  await look('nothing here');
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await look('sign in');
});

test('nothing is wider than a phone of 360 px', async ({ app, page, studio }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  const { id: classId } = await app.db('classes').first('id');
  const { id: personId } = await app.db('participants').first('id');
  const { id: held } = await app.db('sessions').where({ status: 'held' }).first('id');
  const wide: string[] = [];
  for (const path of [
    '/',
    '/classes',
    `/classes/${classId}`,
    '/people',
    '/moves',
    '/moves/closing-face-drain',
    '/moves/new',
    `/people/${personId}`,
    `/lead/${held}`,
  ]) {
    await studio.goto(path);
    await studio.waitForLoadState('networkidle');
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    if (over > 0) wide.push(`${path} by ${over} px`);
  }
  expect(wide).toEqual([]);
});
