import { addMove, axe, expect, openNewClass, openRules, stored, test } from './harness';

test('axe finds nothing on any page', async ({ app, page, studio }) => {
  const look = async (name: string) => expect(await axe(page), name).toEqual([]);
  await studio.goto('/');
  await look('Today');
  await studio.getByRole('button', { name: /Account of/ }).click();
  await look('account');
  await page.goto('/classes');
  await look('Classes');
  await openNewClass(app, page, 'Looked at', 10);
  await look('Compose, empty');
  await addMove(page, 'chin over');
  await openRules(page);
  await page
    .getByLabel('Hold for')
    .or(page.getByLabel('Breaths', { exact: true }))
    .fill('none');
  await look('Compose, with an error');
  await page.keyboard.press('Escape');
  await addMove(page, 'long o cheek');
  await page
    .locator('[data-segment]')
    .first()
    .click({ modifiers: ['Control'] });
  await page.getByRole('button', { name: /As a circuit/ }).click();
  await look('Compose, a group selected');
  await page.getByRole('button', { name: /^Rehearse/ }).click();
  await page.getByRole('button', { name: 'Marks only' }).click();
  await look('Compose, rehearsing');
  await page.getByRole('button', { name: 'End' }).click();
  await page
    .getByRole('button', { name: /^Fit to/ })
    .first()
    .click();
  await page.getByText(/It cannot last|becomes/).waitFor();
  await look('Fit');
  await page.keyboard.press('Escape');
  await page.getByText('More', { exact: true }).click();
  await look('Compose, its menu');
  await page.getByRole('menuitem', { name: 'Draft a class for me' }).click();
  await page.getByRole('button', { name: 'Draft it' }).click();
  await page.getByRole('button', { name: 'Take this draft' }).waitFor();
  await look('Draft');
  await page.keyboard.press('Escape');
  await page.getByText('More', { exact: true }).click();
  await page.getByRole('menuitem', { name: 'Saved versions' }).click();
  await page.getByRole('list', { name: 'Versions' }).getByRole('listitem').first().waitFor();
  await look('Saved versions');
  const compose = page.url();
  await page.goto(`${compose}/print`);
  await look('Run sheet');
  await page.goto('/');
  await page.getByRole('button', { name: /Account of/ }).click();
  await page.getByRole('menuitem', { name: 'Day or night look' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'upbeat-night');
  await look('Today by night');
  await page.goto(compose);
  await page.locator('[data-segment]').first().click();
  await look('Compose by night');
  await page.getByRole('button', { name: /Account of/ }).click();
  await page.getByRole('menuitem', { name: 'Day or night look' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'upbeat-day');
  await page.goto('/people');
  await look('People');
  await page.getByRole('link', { name: 'Odile' }).click();
  await page.getByRole('heading', { name: 'Odile' }).waitFor();
  await look('a person');
  await page.getByTitle('Told day by day').first().click();
  await page.getByRole('dialog').getByRole('listitem').first().waitFor();
  await look('the account of a streak');
  await page.goto(
    `/people/register/${(await app.db('classes').orderByRaw("plan->>'name'").first('id')).id}`,
  );
  await look('a register');
  await page.goto('/people/take-in');
  await look('taking in a list');
  await page.goto('/people/rules');
  await look('rules of streaks');
  await page.goto(
    `/people/programmes/${(await app.db('programmes').orderBy('name').first('id')).id}`,
  );
  await look('a programme');
  await page.goto('/people/programmes');
  await look('programmes');
  await page.goto('/voice');
  await look('Your voice');
  await page.getByRole('button', { name: 'Counts in English' }).click();
  await page.getByText(/^0 of/).waitFor();
  await look('recording');
  await page.keyboard.press('Escape');
  const session = await app
    .db('sessions')
    .where({ status: 'planned' })
    .orderBy('starts_at')
    .first('id');
  await page.goto(`/lead/${session.id}`);
  await page.getByText('The voice is ready.').waitFor();
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

test('nothing is wider than the smallest phone, also with letters and words set apart', async ({
  app,
  page,
  studio,
}) => {
  await page.setViewportSize({ width: 320, height: 568 });
  const { id: classId } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  const { id: personId } = await app.db('participants').orderBy('name').first('id');
  const { id: programmeId } = await app.db('programmes').orderBy('name').first('id');
  const { id: held } = await app
    .db('sessions')
    .where({ status: 'held' })
    .orderBy('starts_at')
    .first('id');
  const { id: planned } = await app
    .db('sessions')
    .where({ status: 'planned' })
    .orderBy('starts_at')
    .first('id');
  const wide: string[] = [];
  for (const path of [
    '/',
    '/classes',
    `/classes/${classId}`,
    `/classes/${classId}/print`,
    '/people',
    '/people/rules',
    '/people/take-in',
    '/people/programmes',
    `/people/programmes/${programmeId}`,
    '/insights',
    `/people/register/${classId}`,
    '/moves',
    '/moves/closing-face-drain',
    '/moves/new',
    '/voice',
    '/account',
    '/calendar',
    '/calendar/plan',
    '/calendar/closed',
    '/calendar/feed',
    `/sessions/${planned}`,
    '/studio',
    '/studio/outbox',
    `/people/${personId}`,
    `/lead/${held}`,
  ]) {
    await studio.goto(path);
    const over = await page.evaluate(async () => {
      await document.fonts.ready;
      return document.documentElement.scrollWidth - innerWidth;
    });
    if (over > 0) wide.push(`${path} by ${over} px`);
    const apart = await page.evaluate(() => {
      // As far as WCAG 2.2 (text spacing) asks for.
      const set = new CSSStyleSheet();
      set.replaceSync(
        '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important }',
      );
      document.adoptedStyleSheets.push(set);
      return document.documentElement.scrollWidth - innerWidth;
    });
    if (apart > 0) wide.push(`${path}, set apart, by ${apart} px`);
  }
  expect(wide).toEqual([]);
});
