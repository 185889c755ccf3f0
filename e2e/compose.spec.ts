import { addMove, enterDemo, expect, makeClass, saved, test } from './harness';

const names = (page: import('@playwright/test').Page) =>
  page
    .getByRole('region', { name: 'Running order' })
    .getByRole('button', { expanded: false })
    .or(page.getByRole('region', { name: 'Running order' }).getByRole('button', { expanded: true }))
    .locator('span.font-semibold')
    .allTextContents();

test('a class is changed, and every change can be undone', async ({ studio: page }) => {
  await makeClass(page, 'Undo me', 10);
  await addMove(page, 'tall o');
  await addMove(page, 'smile pulses');
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
  await expect.poll(() => names(page)).toEqual(['Tall O cheek lift']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(['Tall O cheek lift', 'Smile pulses']);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => names(page)).toEqual(['Tall O cheek lift']);
  await saved(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual(['Tall O cheek lift']);
});

test('what cannot be read stays as typed, with a sentence that says what to do', async ({
  studio: page,
}) => {
  await makeClass(page, 'Typing', 10);
  await addMove(page, 'tall o');
  const hold = page.getByLabel('Hold for');
  await hold.fill('a while');
  await expect(page.getByText('Write seconds, such as 30 or 0:30.')).toBeVisible();
  await hold.press('Tab');
  await expect(hold).toHaveValue('a while');
  await hold.fill('9999');
  await expect(page.getByText('This must be at most 600 seconds.')).toBeVisible();
  await hold.fill('45');
  await expect(page.getByTestId('total-work')).toHaveText('2:15');
  await page.getByLabel('Rounds').fill('0');
  await expect(page.getByText(/at least 1 round/)).toBeVisible();
});

test('the words of a segment can be replaced and given back', async ({ studio: page }) => {
  await makeClass(page, 'Own words', 10);
  await addMove(page, 'folded lip');
  await page.getByText('Cues', { exact: true }).click();
  const talk = page.getByTestId('total-talk');
  const before = await talk.textContent();
  await page.getByLabel(/^Set-up/).fill('Just as last week.\nYou know how.');
  await expect(page.getByText('your words')).toBeVisible();
  await expect(talk).not.toHaveText(before ?? '');
  await page.getByLabel(/^Set-up/).fill('');
  await expect(page.getByText('your words')).toBeHidden();
});

test('segments are reordered by dragging and by keyboard', async ({ studio: page }) => {
  await makeClass(page, 'Order', 10);
  for (const move of ['tall o', 'smile pulses', 'nostril flares']) await addMove(page, move);
  await page.keyboard.press('Escape');
  const handle = (name: string) => page.getByRole('button', { name: `Drag ${name}` });
  await page.getByRole('button', { name: /Nostril flares/, expanded: true }).click();
  const from = await handle('Tall O cheek lift').boundingBox();
  const to = await handle('Nostril flares').boundingBox();
  if (!from || !to) throw new Error('the handles are not shown');
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + 8, to.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect
    .poll(() => names(page))
    .toEqual(['Smile pulses', 'Nostril flares', 'Tall O cheek lift']);
  await page.getByRole('button', { name: /Tall O cheek lift/, expanded: false }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect
    .poll(() => names(page))
    .toEqual(['Smile pulses', 'Tall O cheek lift', 'Nostril flares']);
  await page.keyboard.press('Control+z');
  await expect
    .poll(() => names(page))
    .toEqual(['Smile pulses', 'Nostril flares', 'Tall O cheek lift']);
});

test('two tabs on one class: the later one is told and loses nothing silently', async ({
  studio: page,
}) => {
  await makeClass(page, 'Two tabs', 10);
  await addMove(page, 'tall o');
  await saved(page);
  const other = await page.context().newPage();
  await other.goto(page.url());
  await addMove(page, 'smile pulses');
  await saved(page);
  await addMove(other, 'nostril flares');
  await expect(other.getByText('This class was changed somewhere else meanwhile.')).toBeVisible();
  await other.getByRole('button', { name: 'Take the other version' }).click();
  await expect.poll(() => names(other)).toEqual(['Tall O cheek lift', 'Smile pulses']);
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => names(other)).toEqual(['Tall O cheek lift', 'Nostril flares']);
  await saved(other);
});

test('editing goes on without a connection and is saved when it is back', async ({
  studio: page,
}) => {
  await makeClass(page, 'Offline', 10);
  await page.context().setOffline(true);
  await addMove(page, 'tall o');
  await expect(page.getByText('No connection. Kept here, saved when it is back.')).toBeVisible();
  await addMove(page, 'smile pulses');
  await page.context().setOffline(false);
  await saved(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual(['Tall O cheek lift', 'Smile pulses']);
});

test('an empty class cannot be led, and says what to do first', async ({ studio: page }) => {
  await makeClass(page, 'Nothing yet', 10);
  await page.getByRole('button', { name: 'Lead class' }).click();
  await expect(page.getByText('Add a move from the shelf first.')).toBeVisible();
});

test('a bad slot is told where it was typed', async ({ page }) => {
  await enterDemo(page);
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
