import type { Page } from '@playwright/test';
import { axe, expect, storedPlan, test } from './harness';

/** How wide the miniature of a move is drawn in the list; it comes as a part of another document. */
const miniatureWidth = (page: Page, name: string): Promise<number> =>
  page
    .getByRole('link')
    .filter({ hasText: name })
    .locator('use')
    .evaluate((use: SVGUseElement) => use.getBBox().width);

test('a move is found by face, by kind, by need and by typing', async ({ studio: page }) => {
  await page.goto('/moves');
  const found = page.getByRole('region', { name: 'Moves found' });
  const count = async () => Number((await found.getByRole('status').textContent())?.split(' ')[0]);
  const all = await count();
  expect(all).toBeGreaterThanOrEqual(90);
  await expect.poll(() => miniatureWidth(page, 'Warm palms over the eyes')).toBeGreaterThan(100);
  // A line is cut at its edge while it is out of sight or in it; the outline of the focus has to have room.
  await page.getByLabel('With').focus();
  await page.keyboard.press('Tab');
  const room = await page.locator('li a:focus-visible').evaluate((link) => {
    const { outlineWidth, outlineOffset } = getComputedStyle(link);
    const left = (of: Element | null) => of?.getBoundingClientRect().left ?? 0;
    const outline = Number.parseFloat(outlineWidth) + Number.parseFloat(outlineOffset);
    return { outline, beside: left(link) - left(link.closest('li')) };
  });
  expect(room.outline).toBeGreaterThan(1);
  expect(room.beside).toBeGreaterThanOrEqual(room.outline);
  const kept = async (stamp: string) =>
    (await page.request.get(`/api/miniatures?of=own&stamp=${stamp}`)).headers()['cache-control'];
  const stamp = await page
    .locator('use')
    .first()
    .evaluate((use) => use.getAttribute('href') ?? '');
  expect((await page.request.get(stamp)).headers()['cache-control']).toContain('immutable');
  expect(await kept('of-another-day')).toBe('no-store');
  await page.getByRole('button', { name: 'nose', exact: true }).locator('path').first().click();
  const nose = await count();
  expect(nose).toBeLessThan(all);
  await expect(found.getByText('Nostril flares')).toBeVisible();
  await page.getByRole('button', { name: 'mouth', exact: true }).focus();
  await page.keyboard.press('Enter');
  expect(await count()).toBeGreaterThan(nose);
  await page.getByRole('button', { name: 'Only massage' }).click();
  await expect(found.getByText('Nostril flares')).toBeHidden();
  await page.getByLabel('With').selectOption('no oil');
  await expect(found.getByText('Strokes beside the nose')).toBeHidden();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('searchbox', { name: 'Find a move' }).fill('masseter knuckle');
  await expect(found.getByRole('link')).toHaveCount(3);
  await page.getByRole('searchbox', { name: 'Find a move' }).fill('nothing like this');
  await expect(page.getByText('No move fits all of that')).toBeVisible();
  expect(await axe(page)).toEqual([]);
});

test("a move's page tells all there is to know, and lets every cue be heard", async ({
  studio: page,
}) => {
  await page.goto('/moves/anchored-jaw-forward');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Neck stretch, jaw forward');
  await expect(page.getByText('platysma')).toBeVisible();
  await expect(page.getByText('Halsdehnung, Kiefer vor')).toBeVisible();
  await page.getByText(/Cautions for/).click();
  await expect(page.getByText('Do the easier version instead.')).toBeVisible();
  const spoken = page.waitForResponse((r) => r.url().includes('/api/speech?') && r.ok());
  await page.getByRole('button', { name: /^Hear: Lay both hands flat/ }).click();
  expect((await spoken).headers()['content-type']).toBe('audio/wav');
  expect(await axe(page)).toEqual([]);
});

test('a teacher copies a built-in move, changes it, uses it and cannot remove it while it is used', async ({
  app,
  studio: page,
}) => {
  await page.goto('/moves/smile-pulses');
  await expect(page.getByRole('button', { name: 'Remove' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Copy and change' }).click();
  await page.getByLabel('Name').fill('Harbour smile');
  await page.getByLabel('Let go', { exact: true }).fill('');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByText('The let-go must not be empty.')).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('Harbour smile');
  expect(await axe(page)).toEqual([]);
  await page.getByLabel('Let go', { exact: true }).fill('Let it sail.');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page).toHaveURL(/\/moves\/own-harbour-smile$/);
  await page.getByRole('navigation', { name: 'Main' }).getByRole('link', { name: 'Moves' }).click();
  await expect.poll(() => miniatureWidth(page, 'Harbour smile')).toBeGreaterThan(100);
  await page.getByRole('link').filter({ hasText: 'Harbour smile' }).click();
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  await expect(page.getByLabel('Rounds', { exact: true })).toBeVisible();
  // Somebody else has changed it meanwhile: nothing is lost of either before it is known.
  const rounds = () => app.db('moves').where({ id: 'own-harbour-smile' }).first('move');
  const { move } = await rounds();
  await app
    .db('moves')
    .where({ id: move.id })
    .update({ move: { ...move, rounds: 5 } });
  await page.getByLabel('Rounds', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByText(/^This move was changed somewhere else/)).toBeVisible();
  expect((await rounds()).move.rounds).toBe(5);
  await expect(page.getByLabel('Rounds', { exact: true })).toHaveValue('2');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByText('20 × 1 s × 2')).toBeVisible();
  // Where nobody else has, nobody is asked.
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  await page.getByLabel('Rounds', { exact: true }).fill('3');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByText('20 × 1 s × 3')).toBeVisible();

  await page.goto('/classes');
  await page.getByRole('link', { name: /Five minutes/ }).click();
  await page.getByRole('searchbox', { name: 'Find a move' }).fill('harbour');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => JSON.stringify(await storedPlan(app, page)))
    .toContain('own-harbour-smile');
  await page.goto('/moves/own-harbour-smile');
  await expect(page.getByRole('link', { name: 'Five minutes, cameras on' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await page.getByRole('button', { name: 'Remove it for good' }).click();
  await expect(page.getByText(/used in Five minutes, cameras on/)).toBeVisible();
  await page.goto('/moves');
  await expect(page.getByText('your own', { exact: true })).toBeVisible();
});

test('a move is written from nothing, with what is missing named, and stands in the class it is added to', async ({
  studio: page,
}) => {
  await page.goto('/moves');
  await page.getByRole('link', { name: 'A move of your own' }).click();
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByText('The face must have at least one area.')).toBeVisible();
  await expect(page.getByText('The name must not be empty.')).toBeVisible();
  await page.getByLabel('Name').fill('Quayside yawn');
  await page.getByRole('button', { name: 'jaw', exact: true }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('opens the mouth wide').check();
  await page.getByText(/Cautions for/).click();
  await expect(page.getByText(/no resistance and no pressure on the jaw/)).toBeVisible();
  await page
    .getByLabel('Set-up, one cue a line')
    .fill('Think of a long day at the quay.\nLet the yawn come.');
  await page.getByLabel('Short reminder, before later rounds').fill('Let the yawn come.');
  await page.getByLabel(/^Form reminders/).fill('Shoulders low.\nNo hurry.');
  await page.getByLabel('Let go', { exact: true }).fill('Let the jaw hang.');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByText('The form reminders must be at least three.')).toBeVisible();
  await page.getByLabel(/^Form reminders/).fill('Shoulders low.\nNo hurry.\nBreathe.');
  await page.getByRole('button', { name: 'Save the move' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Quayside yawn');
  await page.getByRole('button', { name: 'Remove', exact: true }).press('Enter');
  const asked = page.getByRole('dialog', { name: 'Remove Quayside yawn for good?' });
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(asked).toBeHidden();
  await expect(page.getByRole('button', { name: 'Remove', exact: true })).toBeFocused();
  await page.keyboard.press('Enter');
  await asked.getByRole('button', { name: 'Remove it for good' }).press('Enter');
  await expect(page).toHaveURL(/\/moves$/);
  await expect(page.getByText('Quayside yawn')).toBeHidden();
});
