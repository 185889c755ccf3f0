import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { type Plan, planSchema } from '@/core/class';
import { axe, expect, openNewClass, saved, storedPlan, test } from './harness';

/** The example classes are made on screen by keyboard, as a teacher would who knows where things are. */

const line = (page: Page, name: string) => page.locator('[data-segment]').filter({ hasText: name });

/** Keys pressed so far; at two a second, four minutes are 480. */
const MOST_KEYS = 480;

class Keys {
  pressed = 0;
  constructor(private readonly page: Page) {}

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) await this.page.keyboard.press(key);
    this.pressed += keys.length;
  }

  /** Writes into a field in place of what stands there. */
  async write(field: Locator, text: string): Promise<void> {
    await field.focus();
    await this.press('Control+a');
    await this.page.keyboard.type(text);
    await this.press('Tab');
    this.pressed += text.length;
  }

  /** Does so many lines together, from one on, one after the other. */
  async together(first: string, lines: number): Promise<void> {
    await line(this.page, first).first().focus();
    await this.press('Escape');
    await this.press(...Array.from({ length: lines - 1 }, () => 'Shift+ArrowDown'));
    await this.press('Shift+g');
    await this.choose(this.page.getByLabel('Done as'), 'one after the other');
  }

  /** Types until a choice is the one that is meant. */
  async choose(field: Locator, label: string): Promise<void> {
    await field.focus();
    await field.selectOption({ label });
    this.pressed += 4;
  }

  async add(...moves: string[]): Promise<void> {
    for (const move of moves) {
      await this.press('/');
      await this.page.keyboard.type(move);
      await this.press('Enter');
      this.pressed += move.length;
    }
    await this.press('Escape');
  }
}

const unfold = async (page: Page, keys: Keys, summary: string) => {
  const folded = page.locator('details:not([open]) > summary').filter({ hasText: summary });
  if ((await folded.count()) === 0) return;
  await folded.first().focus();
  await keys.press('Enter');
};

test('a brow hold in stages, each on the out-breath, the last ten seconds counted', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Brows in stages', 12);
  const keys = new Keys(page);
  await keys.add('staged brow');
  if ((await page.getByText('Stages of the work').count()) === 0) {
    await line(page, 'Staged brow hold').focus();
    await keys.press('Enter');
  }
  await keys.write(page.getByLabel('Dose of Staged brow hold'), '50 s');
  await unfold(page, keys, 'Stages of the work');
  const stages = ['Settle.', 'Press in, gently.', 'Lift.', 'Now try to frown.'];
  for (const [i, words] of stages.entries()) {
    await page.getByRole('button', { name: 'Add a stage' }).focus();
    await keys.press('Enter');
    await keys.write(page.getByLabel(`Words of stage ${i + 1}`), words);
  }
  await keys.write(page.getByLabel('Length of stage 4'), 'soon');
  await expect(page.getByText(/Write a length such as 5 s/)).toBeVisible();
  await keys.write(page.getByLabel('Length of stage 4'), '60 s');
  await expect(page.getByText(/longer than the work/)).toBeVisible();
  await keys.write(page.getByLabel('Length of stage 4'), '12 s');
  await expect(page.getByText(/longer than the work/)).toBeHidden();
  await keys.choose(page.getByLabel('Counting of stage 4'), 'all of it, down');
  await unfold(page, keys, 'How it is spoken');
  await keys.choose(page.getByLabel('“Go” after it').last(), 'yes');
  // A stage is moved on the ribbon of its segment.
  const begins = page.getByRole('slider', { name: 'Where “Lift.” begins' }).first();
  await begins.focus();
  await expect(begins).toHaveAttribute('aria-valuetext', 'after 20 s of the stage before');
  await keys.press('ArrowLeft');
  await expect(begins).toHaveAttribute('aria-valuetext', 'after 10 s of the stage before');
  await keys.press('ArrowRight');
  await expect(begins).toHaveAttribute('aria-valuetext', 'after 20 s of the stage before');
  await keys.press('ArrowLeft');
  await expect(begins).toHaveAttribute('aria-valuetext', 'after 10 s of the stage before');
  await saved(page);
  const plan = await storedPlan(app, page);
  const [segment] = plan.phases.work[0]?.segments ?? [];
  expect(segment?.stages?.map((s) => s.words)).toEqual(stages);
  expect(segment?.stages?.[3]).toMatchObject({ length: { seconds: 12 }, counting: 'down' });
  expect(segment?.dose).toMatchObject({ kind: 'breaths', breaths: 5 });
  expect(segment?.stages?.[1]?.length).toEqual({ breaths: 1 });
  expect(segment?.go).toBe(true);
  expect(keys.pressed).toBeLessThan(MOST_KEYS);
  expect(await axe(page)).toEqual([]);
});

test('eyes in one flow with one announcement', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'Eyes in one flow', 9);
  const keys = new Keys(page);
  await keys.add('gaze from side', 'gaze up and down', 'look up and stay', 'gaze circles');
  await keys.together('Gaze from side to side', 4);
  const opening = 'Four small things for the eyes, in one flow.';
  await keys.write(page.getByLabel('Opening sentence of the group'), opening);
  await page.getByLabel(/^One flow/).focus();
  await keys.press('Space');
  await saved(page);
  const plan = await storedPlan(app, page);
  const block = Object.values(plan.phases)
    .flat()
    .find((b) => b.segments.length > 1);
  expect(block).toMatchObject({ opening, flow: true, order: 'straight' });
  expect(keys.pressed).toBeLessThan(MOST_KEYS);
});

test('one side of the face first, with a loop played twice inside', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'One side first', 18);
  const keys = new Keys(page);
  await keys.add('alternate cheek', 'neck sweep', 'knuckle rolls');
  await keys.together('Alternate cheek lifts', 3);
  await page.getByLabel('One side first').focus();
  await keys.press('Space');
  await page.getByRole('button', { name: 'Do a part of it several times' }).focus();
  await keys.press('Enter');
  await keys.choose(page.getByLabel('Loop 1 from'), 'Neck sweep to the collarbone');
  await keys.write(page.getByLabel('How often loop 1 is done'), '50');
  await expect(page.getByText(/^This .*(10|20)/).filter({ visible: true })).toBeVisible();
  await keys.write(page.getByLabel('How often loop 1 is done'), '2');
  await saved(page);
  const plan = await storedPlan(app, page);
  const block = Object.values(plan.phases)
    .flat()
    .find((b) => b.segments.length > 1);
  const ids = block?.segments.map((s) => s.id) ?? [];
  expect(block?.loops).toEqual([{ from: ids[1], to: ids[2], times: 2 }]);
  expect(block?.oneSideFirst).toBe(true);
  expect(keys.pressed).toBeLessThan(MOST_KEYS);
});

test('the example classes are brought in from their files as they are', async ({
  app,
  studio: page,
}) => {
  for (const name of ['brows-in-stages', 'eyes-in-one-flow', 'one-side-first']) {
    await page.goto('/classes');
    await page.getByText('Bring a class from a file').click();
    const file = `examples/${name}.upbeat.json`;
    await page.getByLabel('Class file (.upbeat.json)').setInputFiles(file);
    await page.getByRole('button', { name: 'Bring it in' }).click();
    const wanted = JSON.parse(readFileSync(file, 'utf8'));
    await expect(page.getByLabel('Name of the class')).toHaveValue(wanted.name);
    const plan: Plan = planSchema.parse(await storedPlan(app, page));
    expect(plan.rules).toMatchObject(wanted.rules);
  }
});

test('a class is printed and led with its opening words and its stages', async ({
  app,
  studio: page,
}) => {
  await page.goto('/classes');
  await page.getByText('Bring a class from a file').click();
  await page
    .getByLabel('Class file (.upbeat.json)')
    .setInputFiles('examples/brows-in-stages.upbeat.json');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByLabel('Name of the class')).toHaveValue('Brows in stages');
  const plan = await storedPlan(app, page);
  const address = page.url();
  await page.goto(`${address}/print`);
  await expect(page.getByText(/^0:00 Opening/)).toContainText(plan.rules.openingWords ?? 'none');
  await expect(page.getByText(/Settle\. \d+ s · Press in, gently\./)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Arrive' })).toBeVisible();
  await page.goto(address);
  await page.getByRole('button', { name: 'Lead class' }).click();
  await page.getByText('The voice is ready.').waitFor();
  await page.getByRole('button', { name: 'Start the class' }).click();
  await expect(page.getByTestId('move')).toHaveText('Opening');
});
