import { expect, saved, test } from './harness';

/** The whole job without a mouse: every step is a key. */
test('a class is made, led and closed from the keyboard alone', async ({ app, page }) => {
  const { keyboard } = page;
  const focused = () =>
    page.evaluate(() => {
      const e = document.activeElement;
      return e?.getAttribute('aria-label') ?? e?.textContent?.trim() ?? '';
    });
  /** Tabs until the focus is on something of this name. */
  const tabTo = async (name: RegExp, most = 90) => {
    for (let i = 0; i < most; i++) {
      await keyboard.press('Tab');
      if (name.test(await focused())) return;
    }
    throw new Error(`Tab never reached ${name}; it is on "${await focused()}"`);
  };
  await page.goto('/sign-in');
  await tabTo(/Enter the demo studio/);
  await keyboard.press('Enter');
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  await tabTo(/^Classes$/);
  await keyboard.press('Enter');
  await page.getByLabel('Name of a new class').waitFor();
  for (let i = 0; i < 12; i++) {
    await keyboard.press('Tab');
    if (await page.getByLabel('Name of a new class').evaluate((e) => e === document.activeElement))
      break;
  }
  await keyboard.type('By keys');
  await keyboard.press('Tab');
  await keyboard.press('Control+a');
  await keyboard.type('5');
  await keyboard.press('Enter');
  await page.getByRole('region', { name: 'Running order' }).waitFor();
  await keyboard.press('/');
  await keyboard.type('long o cheek');
  await keyboard.press('Enter');
  await keyboard.type('chin lift against');
  await keyboard.press('Enter');
  await tabTo(/^Drag Chin lift/);
  await keyboard.press('Tab');
  await keyboard.press('Alt+ArrowUp');
  const order = page.getByRole('region', { name: 'Running order' }).locator('span.font-semibold');
  await expect(order).toHaveText(['Chin lift against the fingers', 'Long O cheek lift']);
  await keyboard.press('Delete');
  await expect(order).toHaveText(['Long O cheek lift']);
  await keyboard.press('Control+z');
  await expect(order).toHaveCount(2);
  await saved(page);
  await page.keyboard.press('Shift+Tab');
  await tabTo(/^Lead class/, 120);
  await keyboard.press('Enter');
  await page.getByText('The voice is ready.').waitFor();
  await tabTo(/Name: find on the roll, or take in who walked in/);
  await keyboard.type('Mina');
  await keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Mina: here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await tabTo(/Start the class/);
  await keyboard.press('Enter');
  await expect(page.getByTestId('doing')).toHaveText('Get ready');
  await keyboard.press('ArrowRight');
  await expect(page.getByTestId('doing')).toHaveText('Work');
  await keyboard.press('+');
  await keyboard.press(' ');
  await expect(page.getByTestId('doing')).toHaveText('Paused');
  await keyboard.press(' ');
  await keyboard.press('r');
  await expect(page.getByTestId('round')).toHaveText('round 1 of 3');
  await keyboard.press('a');
  await expect(page.getByTestId('doing')).toHaveText('Get ready');
  await keyboard.press('e');
  await tabTo(/Finish and store/);
  await keyboard.press('Enter');
  await page.getByText('The session is stored.').waitFor();
  const run = await app
    .db('runs')
    .where({ session_id: page.url().split('/').at(-1) })
    .first('id');
  const events = await app.db('run_events').where({ run_id: run.id }).orderBy('seq').select('type');
  expect(events.map((e) => e.type)).toEqual([
    'walkedIn',
    'started',
    'next',
    'extended',
    'paused',
    'resumed',
    'roundAdded',
    'again',
    'paused',
    'finished',
  ]);
});
