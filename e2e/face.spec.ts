import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { amount, STILL, unitsOf } from '@/core/face';
import { wordsIn } from '@/core/follow/words';
import { differences, drawn, numbers, wanted } from './drawn';
import { axe, type Clock, expect, MOVING, stored } from './harness';
import { projected, test } from './led';
import { hallOf } from './planned';

test.use(MOVING);

test('the face does what the class does, at any moment and after any bend, on both screens', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf },
}) => {
  const looked: string[] = [];
  const look = async (what: string, at: Page = page) => {
    const { state } = await projected(app, sessionId, clock.now);
    const step = state.queue[state.index]?.step;
    looked.push(`${step?.kind} ${step?.side}`);
    await expect
      .poll(async () => differences(await drawn(at), wanted(state)), { message: what })
      .toEqual([]);
  };
  let passed = 0;
  const until = async (ms: number, by: Clock = clock) => {
    await by.passInStrides(ms - passed);
    await by.pass(100);
    passed = ms + 100;
  };
  await until(startOf('s1.1.upbeat') + 6000);
  await look('while the first move is told');
  await until(startOf('s1.1.work.left') + 4000);
  await look('on the left side');
  await until(startOf('s1.1.work.right') + 4000);
  await look('on the right side');
  await until(startOf('s2.1.upbeat') + 9000);
  await look('with hands that come');
  await until(startOf('s2.1.work.both') + 5000);
  await look('in the work');
  await stored(page, () => page.keyboard.press(' '));
  await clock.pass(4000);
  await look('paused');
  await stored(page, () => page.keyboard.press(' '));
  await clock.pass(1000);
  await look('gone on');
  await stored(page, () => page.keyboard.press('g'));
  await clock.pass(3000);
  await look('in the easier version');
  await stored(page, () => page.keyboard.press('a'));
  await clock.pass(2000);
  await look('again from the upbeat');
  await stored(page, () => page.keyboard.press('ArrowRight'));
  await stored(page, () => page.keyboard.press('ArrowRight'));
  await clock.pass(2500);
  await look('gone on to what comes next');
  expect(looked).toEqual(
    expect.arrayContaining(['upbeat left', 'work left', 'work right', 'work both', 'upbeat both']),
  );

  const screen = await page.context().newPage();
  await screen.goto(`/lead/${sessionId}/show`);
  await expect(screen.getByTestId('move')).toBeVisible();
  await stored(page, () => page.keyboard.press(' '));
  await expect(screen.getByTestId('doing')).toHaveText(wordsIn('en').paused);
  await look('on the first screen');
  await look('on the second screen', screen);
  await screen.close();
});

test('with less movement wanted, the face changes from step to step and stands between', async ({
  studio: page,
  clock,
  led: { startOf },
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await clock.passInStrides(startOf('s1.1.work.left') + 2000);
  const before = await drawn(page);
  await clock.pass(3000);
  expect(await drawn(page)).toEqual(before);
  await clock.passInStrides(startOf('s1.1.work.right') - startOf('s1.1.work.left'));
  expect(await drawn(page)).not.toEqual(before);
});

test('a move is played on its page, slowly, step by step, in each version and as somebody who faces one', async ({
  studio: page,
}) => {
  await page.goto('/moves/chin-over-shoulder');
  const doing = page.getByTestId('doing');
  await expect(doing).toHaveText('Getting ready, left side');
  await page.getByRole('button', { name: 'Step on' }).click();
  await expect(doing).toHaveText('Work, left side');
  const face = page.locator('figure svg.face');
  const noseAt = async () => numbers((await drawn(page)).nose ?? '')[0] ?? 0;
  const left = await noseAt();
  await page.getByRole('button', { name: 'Step on' }).click();
  await page.getByRole('button', { name: 'Step on' }).click();
  await expect(doing).toHaveText('Work, right side');
  expect(await noseAt()).toBeGreaterThan(left + 20);
  // Seen as in a mirror the right is on the right; of somebody who faces one it is on the left.
  const flipped = face.locator(':scope > g');
  await expect(flipped).not.toHaveAttribute('transform', /matrix/);
  await page.getByLabel('As in a mirror').uncheck();
  await expect(flipped).toHaveAttribute('transform', /matrix\(-1/);
  await page.reload();
  await expect(page.getByLabel('As in a mirror')).not.toBeChecked();
  await page.getByRole('button', { name: 'Easier' }).click();
  await page.getByRole('button', { name: 'Step on' }).click();
  const half = await noseAt();
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save its picture' }).click();
  const kept = await file;
  expect(kept.suggestedFilename()).toBe('chin-over-the-shoulder.svg');
  const svg = readFileSync(await kept.path(), 'utf8');
  expect(svg).toContain('easier');
  expect(svg).toContain('your left is on the left');
  expect(half).toBeGreaterThan(left + 5);
  await page.getByLabel('Slowly', { exact: true }).check();
  await page.getByRole('button', { name: 'Play' }).click();
  const from = (await drawn(page)).shoulders;
  await expect.poll(async () => (await drawn(page)).shoulders).not.toBe(from);
  await page.getByRole('button', { name: 'Pause' }).click();
});

test('a move of one’s own is drawn by keyboard: amounts, hands, moments, undo; and done as it was drawn', async ({
  app,
  page,
}) => {
  await hallOf(app, page);
  await page.goto('/moves/new?from=smile-pulses');
  await page.getByLabel('Name').fill('Harbour grin');
  const corner = page.getByRole('slider', { name: 'mouth corner up and out' });
  // It begins as the move it was copied from.
  await expect(corner).toHaveValue('50');
  await page.getByRole('button', { name: 'Moment 2' }).click();
  await expect(corner).toHaveValue('95');
  await corner.focus();
  await page.keyboard.press('Home');
  await expect(corner).toHaveValue('0');
  await page.keyboard.press('Control+z');
  await expect(corner).toHaveValue('95');
  await page.getByLabel('Side of it').selectOption('left');
  await page.getByRole('slider', { name: 'mouth corner up and out, left' }).focus();
  await page.keyboard.press('Home');
  await page.getByLabel('Part of the face').selectOption('Jaw');
  await page.getByRole('slider', { name: 'jaw low' }).focus();
  await page.keyboard.press('End');
  await page.getByLabel('Part of the hand').selectOption('one fingertip');
  await page.getByLabel('Place', { exact: true }).selectOption('temple');
  await page.getByRole('button', { name: 'Put them there' }).press('Enter');
  await expect(page.getByText('On: temple.')).toBeVisible();
  await page.getByRole('button', { name: 'One more' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Moment 3' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'Take it out' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Moment 3' })).toBeHidden();
  await page.getByRole('button', { name: 'See it at its pace' }).press('Enter');
  await page.getByRole('button', { name: 'Step on' }).press('Enter');
  await expect(page.getByTestId('doing')).toHaveText('Work');
  expect(await axe(page)).toEqual([]);
  await page.getByRole('button', { name: 'Save the move' }).press('Enter');
  await page.waitForURL(/\/moves\/own-harbour-grin$/);
  const { move } = await app.db('moves').where({ id: 'own-harbour-grin' }).first('move');
  expect(move.looks.fingers).toBe('tip rest temple both');
  const read = amount({ ...STILL, units: unitsOf(move.looks.keys[1]) }, '12R');
  expect(read).toBe(0.95);
  expect(amount({ ...STILL, units: unitsOf(move.looks.keys[1]) }, '12L')).toBe(0);
  await expect(page.getByTestId('doing')).toHaveText('Getting ready');
  const still = await drawn(page);
  expect(Object.keys(still).filter((k) => k.startsWith('hand'))).toHaveLength(2);
});
