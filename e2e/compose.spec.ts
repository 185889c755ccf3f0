import { keepCautions } from '@/server/people/carried';
import { addMove, expect, openNewClass, saved, signIn, storedPlan, test } from './harness';

const names = (page: import('@playwright/test').Page) =>
  page
    .getByRole('region', { name: 'Running order' })
    .getByRole('button', { expanded: false })
    .or(page.getByRole('region', { name: 'Running order' }).getByRole('button', { expanded: true }))
    .locator('span.font-semibold')
    .allTextContents();

test('a class is changed, and every change can be undone', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'Undo me', 10);
  await addMove(page, 'long o cheek');
  await addMove(page, 'smile pulses');
  // Once the voice is measured, nothing but an edit changes the length.
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  const length = page.getByTestId('length');
  const before = await length.textContent();
  await page.getByLabel('Release').fill('20');
  await expect(page.getByTestId('total-rest')).toHaveText('1:30');
  await page.getByLabel('Release').press('Tab');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(length).toHaveText(before ?? '');
  await page.getByLabel('Sides').selectOption('left, then right');
  await expect(page.getByTestId('total-work')).toHaveText('3:30');
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('total-work')).toHaveText('2:30');
  await page.getByRole('button', { name: 'Remove Smile pulses' }).click();
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift', 'Smile pulses']);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift']);
  await saved(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift']);
});

test('what cannot be read stays as typed, with a sentence that says what to do', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Typing', 10);
  await addMove(page, 'long o cheek');
  const hold = page.getByLabel('Hold for');
  await hold.fill('a while');
  await expect(page.getByText('Write seconds, such as 30 or 0:30.')).toBeVisible();
  await hold.press('Tab');
  await expect(hold).toHaveValue('a while');
  await hold.fill('9999');
  await expect(page.getByText('This must be at most 600 seconds.')).toBeVisible();
  await hold.fill('45');
  await expect(page.getByTestId('total-work')).toHaveText('2:15');
  await page.getByLabel('Rounds', { exact: true }).fill('0');
  await expect(page.getByText(/at least 1 round/)).toBeVisible();
});

test('cues are written, moved, muted and given back where they are spoken', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Own words', 10);
  await addMove(page, 'folded lip');
  const cues = page.getByRole('list', { name: 'Cues' });
  const talk = page.getByTestId('total-talk');
  await expect(page.getByText('Speech measured as it will be heard')).toBeVisible();
  const before = await talk.textContent();
  await cues
    .getByLabel('Set-up 1')
    .fill(
      'Just as last week: fold them in, and you know how it goes on from there, slowly and softly, as always.',
    );
  await expect(talk).not.toHaveText(before ?? '');
  await cues
    .getByRole('button', { name: 'Back to the words of the library: Set-up' })
    .first()
    .click();
  await expect(talk).toHaveText(before ?? '');
  await cues
    .getByRole('button', { name: /^Mute: .*let the lips/ })
    .first()
    .click();
  await expect(talk).not.toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await expect(talk).toHaveText(before ?? '');
  const tick = page.getByRole('slider', { name: /When to say/ }).first();
  await tick.focus();
  const words = await tick.getAttribute('aria-label');
  await page.keyboard.press('ArrowRight');
  const pinned = cues.getByLabel(/Said at, in seconds of the work/);
  await expect(pinned).toBeVisible();
  await pinned.fill('2');
  await pinned.press('Enter');
  await expect(page.getByRole('slider', { name: words ?? '' }).first()).toHaveAttribute(
    'aria-valuetext',
    '2 s into the work',
  );
});

test('a cue is dragged past another and stays the one that is held', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Dragged', 8);
  await addMove(page, 'long o cheek');
  await page.keyboard.press('Escape');
  const dose = page.getByLabel('Dose of Long O cheek lift');
  await dose.fill('60 s');
  await dose.press('Enter');
  await saved(page);
  const ticks = page.getByRole('slider', { name: /When to say/ });
  const first = ticks.first();
  const name = (await first.getAttribute('aria-label')) ?? '';
  const other = (await ticks.nth(1).getAttribute('aria-label')) ?? '';
  const when = (label: string) =>
    page
      .getByRole('slider', { name: label, exact: true })
      .first()
      .getAttribute('aria-valuenow')
      .then(Number);
  const [from, past] = [await first.boundingBox(), await ticks.nth(1).boundingBox()];
  if (!from || !past) throw new Error('the cues are not shown');
  const there = await when(other);
  expect(await when(name)).toBeLessThan(there);
  const y = from.y + from.height / 2;
  await page.mouse.move(from.x + 2, y);
  await page.mouse.down();
  await page.mouse.move(past.x + past.width + 10, y, { steps: 12 });
  await expect.poll(() => when(name)).toBeGreaterThan(there);
  const passed = await when(name);
  await page.mouse.move(past.x + past.width + 40, y, { steps: 6 });
  await expect.poll(() => when(name)).toBeGreaterThan(passed);
  await page.mouse.up();
  // Let go, it stays where it is.
  await page.mouse.move(from.x, y);
  const pinned = async () => {
    const [segment] = (await storedPlan(app, page)).phases.work[0]?.segments ?? [];
    return segment?.cues?.pins ?? [];
  };
  // What is shown may be behind what was done; in the end both are where it was let go, shown in whole seconds.
  await expect(async () => {
    const dragged = await when(name);
    expect(dragged).toBeGreaterThan(passed);
    const [pin, ...others] = await pinned();
    expect([pin?.cue, others]).toEqual(['form:0', []]);
    expect(Math.abs((pin?.atSeconds ?? 0) - dragged)).toBeLessThanOrEqual(0.5);
  }).toPass();
  await saved(page);
});

test('segments are reordered by dragging and by keyboard', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'Order', 10);
  for (const move of ['long o cheek', 'smile pulses', 'nostril flares']) await addMove(page, move);
  await page.keyboard.press('Escape');
  const handle = (name: string) => page.getByRole('button', { name: `Drag ${name}` });
  await page.getByRole('button', { name: /Nostril flares/, expanded: true }).click();
  const from = await handle('Long O cheek lift').boundingBox();
  const to = await handle('Nostril flares').boundingBox();
  if (!from || !to) throw new Error('the handles are not shown');
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + 8, to.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect
    .poll(() => names(page))
    .toEqual(['Smile pulses', 'Nostril flares', 'Long O cheek lift']);
  await page
    .getByRole('button', { name: /Long O cheek lift/, expanded: false })
    .press('Alt+ArrowUp');
  await expect
    .poll(() => names(page))
    .toEqual(['Smile pulses', 'Long O cheek lift', 'Nostril flares']);
  await page.keyboard.press('Control+z');
  await expect
    .poll(() => names(page))
    .toEqual(['Smile pulses', 'Nostril flares', 'Long O cheek lift']);
});

test('two tabs on one class: the later one is told and loses nothing silently', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Two tabs', 10);
  await addMove(page, 'long o cheek');
  await saved(page);
  const other = await page.context().newPage();
  await other.goto(page.url());
  await addMove(page, 'smile pulses');
  await saved(page);
  await addMove(other, 'nostril flares');
  await expect(other.getByText('This class was changed somewhere else meanwhile.')).toBeVisible();
  await other.getByRole('button', { name: 'Take the other version' }).click();
  await expect.poll(() => names(other)).toEqual(['Long O cheek lift', 'Smile pulses']);
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => names(other)).toEqual(['Long O cheek lift', 'Nostril flares']);
  await saved(other);
  await addMove(page, 'pucker');
  await expect(page.getByText('This class was changed somewhere else meanwhile.')).toBeVisible();
  await page.getByRole('button', { name: 'Join both' }).click();
  await expect
    .poll(() => names(page))
    .toEqual(['Long O cheek lift', 'Nostril flares', 'Pucker hold']);
  await saved(page);
});

test('a tab that comes back into sight is told that the class was changed', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Out of sight', 10);
  await addMove(page, 'long o cheek');
  await saved(page);
  const other = await page.context().newPage();
  await other.goto(page.url());
  await addMove(other, 'smile pulses');
  await saved(other);
  await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
  await page.getByRole('button', { name: 'Take the other version' }).click();
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift', 'Smile pulses']);
});

test('a class is checked against who is booked and what they carry by now, and with the moves of now', async ({
  app,
  studio: page,
}) => {
  const { id, studio_id: studioId } = await app
    .db('classes')
    .whereRaw("plan->>'name' = 'Loose jaw before choir'")
    .first();
  const joss = await app.db('participants').where({ name: 'Joss', studio_id: studioId }).first();
  await page.goto(`/classes/${id}`);
  const checks = page.getByRole('region', { name: 'Before you lead it' });
  await checks.getByRole('button', { name: 'Show names' }).click();
  await expect(checks).not.toContainText('Joss');
  const palsy = { cautions: [{ caution: 'palsy' as const }], consentOn: '2026-11-24' };
  await keepCautions(app.db, { studioId }, { participantId: joss.id, ...palsy });
  const other = await page.context().newPage();
  await other.goto('/moves/smile-pulses');
  await other.getByRole('link', { name: 'Copy and change' }).click();
  await other.getByLabel('Name').fill('Harbour smile');
  await other.getByRole('button', { name: 'Save the move' }).click();
  await other.waitForURL(/own-harbour-smile/);
  await page.bringToFront();
  await page.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(checks).toContainText('Joss');
  await page.getByRole('searchbox', { name: 'Find a move' }).fill('harbour');
  await expect(page.getByRole('region', { name: 'Moves to add' })).toContainText('Harbour smile');
});

test('what could not be saved before the page was closed is there again', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Closed', 10);
  await page.context().setOffline(true);
  await addMove(page, 'long o cheek');
  await page.getByText('No connection. Kept here, saved when it is back.').waitFor();
  const url = page.url();
  const next = await page.context().newPage();
  await page.close({ runBeforeUnload: false });
  await next.context().setOffline(false);
  await next.goto(url);
  await expect.poll(() => names(next)).toEqual(['Long O cheek lift']);
  await saved(next);
  await next.reload();
  await expect.poll(() => names(next)).toEqual(['Long O cheek lift']);
});

test('saved versions tell what differs and lead back', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'With a past', 10);
  await addMove(page, 'long o cheek');
  await saved(page);
  await page.getByText('More', { exact: true }).click();
  await page.getByRole('menuitem', { name: 'Saved versions' }).click();
  const versions = page.getByRole('list', { name: 'Versions' });
  await expect(versions.getByRole('listitem').first()).toContainText(
    'Long O cheek lift: segment not there → added to work',
  );
  await versions.getByRole('button', { name: 'Go back to this' }).click();
  await expect.poll(() => names(page)).toEqual([]);
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift']);
});

test('editing goes on without a connection and is saved when it is back', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Offline', 10);
  await page.context().setOffline(true);
  await addMove(page, 'long o cheek');
  await expect(page.getByText('No connection. Kept here, saved when it is back.')).toBeVisible();
  await addMove(page, 'smile pulses');
  await page.context().setOffline(false);
  await saved(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual(['Long O cheek lift', 'Smile pulses']);
});

test('an empty class cannot be led, and says what to do first', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'Nothing yet', 10);
  await page.getByRole('button', { name: 'Lead class' }).click();
  await expect(page.getByText('Add a move from the shelf first.')).toBeVisible();
});

test('a bad slot is told where it was typed', async ({ app, page }) => {
  await signIn(app, page);
  await page.goto('/classes');
  await page.getByLabel('Name of a new class').fill('Too long');
  await page.getByLabel('Slot, in minutes').fill('nine hours');
  await page.getByRole('button', { name: 'Make the class' }).click();
  await expect(
    page.getByText('Write the slot in minutes, from 1 to 240, such as 20.'),
  ).toBeVisible();
  await expect(page.getByLabel('Name of a new class')).toHaveValue('Too long');
  await expect(page.getByLabel('Slot, in minutes')).toHaveValue('nine hours');
});
