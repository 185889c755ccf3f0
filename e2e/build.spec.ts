import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { emptyPlan } from '@/core/class';
import { createClass } from '@/server/classes/classes';
import { NOON } from './app';
import { addMove, expect, openNewClass, openRules, saved, storedPlan, test } from './harness';
import { block, segment } from './led';

const order = (page: Page) =>
  page.getByRole('region', { name: 'Running order' }).locator('[data-segment] span.font-semibold');
const line = (page: Page, name: string | RegExp) =>
  page.locator('[data-segment]').filter({ hasText: name });
const length = (page: Page) => page.getByTestId('length');

async function drag(
  page: Page,
  from: ReturnType<Page['locator']>,
  to: ReturnType<Page['locator']>,
) {
  await from.scrollIntoViewIfNeeded();
  // Near its edges the window would scroll by itself.
  await to.evaluate((e) => e.scrollIntoView({ block: 'center' }));
  const a = await from.boundingBox();
  const b = await to.boundingBox();
  if (!a || !b) throw new Error('what is dragged is not shown');
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + a.width / 2 + 8, a.y + a.height / 2 + 8, { steps: 4 });
  await page.mouse.move(b.x + b.width / 2, b.y + b.height / 2, { steps: 12 });
  await page.mouse.up();
}

test('a class is built from nothing by mouse', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'By mouse', 8);
  const shelf = page.getByRole('region', { name: 'Moves to add' });
  await shelf.getByRole('button', { name: 'Filter by the face' }).click();
  await shelf.getByRole('button', { name: 'nose', exact: true }).click();
  await shelf.getByRole('button', { name: /Nostril flares/ }).click();
  await shelf.getByRole('button', { name: 'nose', exact: true }).last().click();
  await shelf.getByRole('button', { name: 'Only warm-up' }).click();
  await drag(
    page,
    shelf.getByRole('button', { name: /Shoulder rolls/ }),
    page.getByRole('heading', { name: 'Warm up' }),
  );
  await expect(order(page)).toHaveText(['Shoulder rolls', 'Nostril flares']);
  await shelf.getByRole('button', { name: 'Only warm-up' }).click();
  await addMove(page, 'smile pulses');
  await expect(order(page)).toHaveText(['Shoulder rolls', 'Nostril flares', 'Smile pulses']);
  const before = await length(page).textContent();
  await page.getByLabel('Dose of Smile pulses').fill('15 reps of 2 s');
  await page.getByLabel('Dose of Smile pulses').press('Enter');
  await expect(length(page)).not.toHaveText(before ?? '');
  await line(page, 'Nostril flares').click();
  await line(page, 'Smile pulses').click({ modifiers: ['Control'] });
  await page.getByRole('button', { name: /As a circuit/ }).click();
  await page.getByLabel('Laps of the circuit').fill('2');
  await page.getByLabel('Laps of the circuit').press('Enter');
  await page.getByLabel('One side first').check();
  await page.getByRole('button', { name: /Clear/ }).click();
  await openRules(page);
  await page.getByLabel('For', { exact: true }).selectOption('to calm down');
  await page.getByLabel('Skin').selectOption('serum before everything');
  await expect(page.getByText(/moves are about the purpose/)).toBeVisible();
  await saved(page);
  // "Saved" may still stand from the edit before.
  await expect
    .poll(async () => (await storedPlan(app, page)).phases.warmUp[0]?.segments[0]?.move)
    .toBe('shoulder-rolls-both-ways');
  const plan = await storedPlan(app, page);
  expect(plan).toMatchObject({
    aim: { kind: 'purpose', purpose: 'calm' },
    rules: { skin: 'serum' },
  });
  expect(plan.phases.warmUp[0]?.segments[0]?.move).toBe('shoulder-rolls-both-ways');
  expect(plan.phases.work).toMatchObject([
    {
      order: 'circuit',
      laps: 2,
      oneSideFirst: true,
      segments: [
        { move: 'nostril-flares', rounds: 1 },
        { move: 'smile-pulses', rounds: 1, dose: { kind: 'reps', reps: 15, secondsEach: 2 } },
      ],
    },
  ]);
});

test('a class is built from nothing by keyboard alone', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'By keyboard', 8);
  const { keyboard } = page;
  await keyboard.press('/');
  for (const move of ['slow belly', 'long o cheek', 'smile pulses', 'nostril fl', 'closing face']) {
    await keyboard.type(move);
    await keyboard.press('Enter');
    // Pressed again while the field has the focus, it begins a new search instead of standing in it.
    if (move !== 'long o cheek') await keyboard.press('/');
  }
  await expect(order(page)).toHaveCount(5);
  await line(page, 'Closing face drain').focus();
  await keyboard.press('Escape');
  await keyboard.press('ArrowUp');
  await keyboard.press('ArrowUp');
  await keyboard.press('Shift+ArrowDown');
  await expect(page.getByText('2 selected')).toBeVisible();
  await keyboard.press('Shift+g');
  await expect(page.getByLabel('Done as')).toHaveValue('alternating');
  await keyboard.press('Escape');
  await line(page, 'Long O cheek lift').focus();
  await keyboard.press('Control+d');
  await expect(order(page)).toHaveCount(6);
  await keyboard.press('Tab');
  await keyboard.type('20 s');
  await keyboard.press('Tab');
  await keyboard.type('2');
  await keyboard.press('Enter');
  await line(page, 'Slow belly breaths').focus();
  await keyboard.press('Alt+ArrowDown');
  await keyboard.press('Control+c');
  await saved(page);
  const plan = await storedPlan(app, page);
  expect(plan.phases.warmUp[0]?.segments[0]?.move).toBe('slow-belly-breaths');
  expect(plan.phases.work.map((b) => b.segments.map((s) => s.move))).toEqual([
    ['tall-o-cheek-lift'],
    ['tall-o-cheek-lift'],
    ['smile-pulses', 'nostril-flares'],
  ]);
  expect(plan.phases.work[0]?.segments[0]).toMatchObject({
    dose: { kind: 'hold', seconds: 20 },
    rounds: 2,
  });
});

/** Opens what is folded away, where it is not open yet. */
async function unfold(page: Page, summary: string): Promise<void> {
  const open = page.locator('details[open] > summary').filter({ hasText: summary });
  if ((await open.count()) === 0) await page.getByText(summary, { exact: true }).click();
}

/** Every kind of edit that the screen offers, done on a class of three lines with the first one open. */
const EDITS: [name: string, act: (page: Page) => Promise<unknown>][] = [
  ['the name', (p) => p.getByLabel('Name of the class').fill('Renamed')],
  ['the slot', (p) => p.getByLabel('Slot, in minutes').fill('12')],
  ['a dose, inline', (p) => p.getByLabel('Dose of Long O cheek lift').fill('25')],
  ['rounds, inline', (p) => p.getByLabel('Rounds of Long O cheek lift').fill('2')],
  ['a kind of dose', (p) => p.getByLabel('Dose', { exact: true }).selectOption('Counts')],
  ['sides', (p) => p.getByLabel('Sides').selectOption('left, then right')],
  ['a version', (p) => p.getByLabel('Version', { exact: true }).selectOption('easier')],
  ['a release', (p) => p.getByLabel('Release', { exact: true }).fill('4')],
  ['a rest', (p) => p.getByLabel('Rest', { exact: true }).fill('4')],
  ['how it is let go', (p) => p.getByLabel('Let go by').selectOption('straight on')],
  ['a lock', (p) => p.getByLabel('Keep as it is when fitting').check()],
  ['a way out', (p) => p.getByLabel('May be left out when fitting').check()],
  [
    'a round of its own',
    async (p) => {
      await unfold(p, 'Rounds of their own');
      await p.getByLabel('Dose of round 2').fill('15');
    },
  ],
  ['a cue', (p) => p.getByLabel('Let go', { exact: true }).fill('And done.')],
  ['a new reminder', (p) => p.getByRole('button', { name: 'A reminder' }).click()],
  ['a muted cue', (p) => p.getByRole('button', { name: /^Mute/ }).first().click()],
  [
    'a moved cue',
    (p) =>
      p
        .getByRole('slider', { name: /When to say/ })
        .first()
        .press('ArrowRight'),
  ],
  ['a copy', (p) => p.getByRole('button', { name: 'Duplicate' }).click()],
  ['a step later', (p) => p.getByRole('button', { name: /Later/ }).click()],
  ['a removal', (p) => p.getByRole('button', { name: 'Remove Long O cheek lift' }).click()],
  ['an addition', (p) => addMove(p, 'pucker hold')],
  [
    'a circuit',
    async (p) => {
      await line(p, 'Smile pulses').click({ modifiers: ['Control'] });
      await p.getByRole('button', { name: /As a circuit/ }).click();
    },
  ],
  [
    'a house rule',
    async (p) => {
      await openRules(p);
      await p.getByLabel('Explain').selectOption('names only');
    },
  ],
  [
    'the aim',
    async (p) => {
      await openRules(p);
      await p.getByLabel('For', { exact: true }).selectOption('a focus on the face');
    },
  ],
  [
    'the kit',
    async (p) => {
      await openRules(p);
      await p.getByLabel('a pen').check();
    },
  ],
  [
    'a repair',
    (p) =>
      p
        .getByRole('button', { name: /^Add .*/ })
        .last()
        .click(),
  ],
];

/** What the page shows of a class: its lines, and every value that can be changed. */
const shown = (page: Page) =>
  page.evaluate(() => {
    const all = (selector: string) => [...document.querySelectorAll<HTMLElement>(selector)];
    return {
      lines: all('[data-segment]').map((line) => line.dataset.segment),
      values: all('main input:not([type=search]), main select, main textarea').map((field) =>
        field instanceof HTMLInputElement && field.type === 'checkbox'
          ? String(field.checked)
          : (field as HTMLInputElement).value,
      ),
      states: all('main [aria-pressed], main [role=slider]').map(
        (e) => e.ariaPressed ?? e.ariaValueText,
      ),
    };
  });

/** These are done again too, and the server is asked whether it has taken up what the page shows. */
const STORED = ['the name', 'a moved cue', 'a circuit', 'a repair'];

test('every kind of edit is undone, and can be done again', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'All edits', 10);
  for (const move of ['long o cheek', 'smile pulses', 'nostril fl']) await addMove(page, move);
  await openRules(page);
  await saved(page);
  await page.getByText('Speech measured as it will be heard').waitFor();
  const stored = await storedPlan(app, page);
  for (const [name, act] of EDITS) {
    const soon = { message: name, intervals: [50] };
    await test.step(name, async () => {
      await page.keyboard.press('Escape');
      await line(page, 'Long O cheek lift').click();
      // Balance and checks follow what is typed in the next pause.
      await page.locator('[aria-busy=true]').waitFor({ state: 'detached' });
      const before = await shown(page);
      await act(page);
      await page.getByRole('heading', { name: 'Balance' }).click();
      await expect.poll(() => shown(page), soon).not.toEqual(before);
      const polled = STORED.includes(name);
      if (polled) await expect.poll(() => storedPlan(app, page), soon).not.toEqual(stored);
      const undo = page.getByRole('button', { name: 'Undo' });
      const redo = page.getByRole('button', { name: 'Redo' });
      await undo.click();
      await expect(redo).toBeEnabled();
      if (polled) {
        await redo.click();
        await expect(redo).toBeDisabled();
        await expect.poll(() => shown(page), soon).not.toEqual(before);
        await undo.click();
      }
      await page.keyboard.press('Escape');
      await line(page, 'Long O cheek lift').click();
      await expect.poll(() => shown(page), soon).toEqual(before);
      if (polled) await expect.poll(() => storedPlan(app, page), soon).toEqual(stored);
    });
  }
  await saved(page);
  expect(await storedPlan(app, page)).toEqual(stored);
});

test('adding, changing a dose and changing rounds need no scrolling in a class of 20', async ({
  app,
  studio: page,
}) => {
  const empty = emptyPlan('Twenty', 3600);
  const work = Array.from({ length: 20 }, (_, i) =>
    block(`b${i}`, segment(`s${i}`, i % 2 ? 'tall-o-cheek-lift' : 'soft-jaw-drop', {})),
  );
  const plan = { ...empty, phases: { ...empty.phases, work } };
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  await page.goto(`/classes/${await createClass(app.db, { studioId }, plan, NOON)}`);
  const search = page.getByRole('searchbox', { name: 'Find a move' });
  const inSight = async (what: ReturnType<Page['locator']>) => expect(what).toBeInViewport();
  await search.fill('nostril fl');
  await search.press('Enter');
  // It came last, beside the shelf and the balance, and its dose and rounds can be typed over.
  await inSight(search);
  await inSight(page.getByRole('heading', { name: 'Balance' }));
  const scrolled = await page.evaluate(() => scrollY);
  expect(scrolled).toBeGreaterThan(0);
  for (const [field, value] of [
    ['Dose of Nostril flares', '12 reps'],
    ['Rounds of Nostril flares', '2'],
  ] as const) {
    await inSight(page.getByLabel(field));
    await page.getByLabel(field).fill(value);
    await page.getByLabel(field).press('Enter');
  }
  await expect(page.getByLabel('Rounds of Nostril flares')).toHaveValue('× 2');
  expect(await page.evaluate(() => scrollY)).toBe(scrolled);
});

test('a dose that was typed a moment ago is in the class that is led', async ({
  app,
  studio: page,
}) => {
  const empty = emptyPlan('Led at once', 600);
  const work = [block('b1', segment('s1', 'tall-o-cheek-lift', {}))];
  const plan = { ...empty, phases: { ...empty.phases, work } };
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const id = await createClass(app.db, { studioId }, plan, NOON);
  await page.goto(`/classes/${id}`);
  const dose = page.getByLabel(/^Dose of/);
  await dose.focus();
  const lead = await page.getByRole('button', { name: 'Lead class' }).elementHandle();
  // In one go, so that what is typed cannot be drawn before.
  await dose.evaluate((field: HTMLInputElement, button) => {
    const { set } = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value') ?? {};
    set?.call(field, '25 s hold');
    field.dispatchEvent(new Event('input', { bubbles: true }));
    (button as HTMLButtonElement).click();
  }, lead);
  await page.waitForURL(/\/lead\//);
  const row = await app.db('classes').where({ id }).first('plan');
  expect((row.plan as typeof plan).phases.work[0]?.segments[0]?.dose).toEqual({
    kind: 'hold',
    seconds: 25,
  });
});

test('segments go from one class to another', async ({ app, studio: page }) => {
  await openNewClass(app, page, 'From here', 10);
  for (const move of ['long o cheek', 'smile pulses']) await addMove(page, move);
  await line(page, 'Long O cheek lift').click({ modifiers: ['Control'] });
  await page.keyboard.press('Control+c');
  await expect(page.getByText(/2 copied/)).toBeVisible();
  await saved(page);
  await openNewClass(app, page, 'To there', 10);
  await page.keyboard.press('Control+v');
  await expect(order(page)).toHaveText(['Long O cheek lift', 'Smile pulses']);
  await saved(page);
});

test('a class goes into a file and comes back from it; its pictures go into one', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'To a file', 10);
  await addMove(page, 'long o cheek');
  await saved(page);
  const plan = await storedPlan(app, page);
  await page.getByText('More', { exact: true }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save as a file' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('to-a-file.upbeat.json');
  await page.getByText('More', { exact: true }).click();
  const pictures = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save pictures of the moves' }).click();
  const sheet = readFileSync(await (await pictures).path(), 'utf8');
  expect(sheet).toMatch(/<text[^>]*>Long O cheek lift<\/text>/);
  await page.goto('/classes');
  await page.getByText('Bring a class from a file').click();
  await page.getByLabel(/Class file/).setInputFiles({
    name: 'broken.upbeat.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...plan, slotSeconds: 5 })),
  });
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('slotSeconds must be at least 60 seconds')).toBeVisible();
  await page.getByLabel(/Class file/).setInputFiles(await download.path());
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(order(page)).toHaveText(['Long O cheek lift']);
  expect(await storedPlan(app, page)).toEqual(plan);
});
