import { axe, expect, storedPlan, test } from './harness';

test('a class that is written down is read, what is unsure is looked at, and nothing is dropped in silence', async ({
  app,
  studio: page,
}) => {
  await page.goto('/classes');
  await page.getByText('Bring a class from a file').click();
  await page.getByRole('link', { name: 'Read a class that is written down' }).click();
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByText('Paste some lines first, or choose a file.')).toBeVisible();
  await page
    .getByLabel('Or lines to paste')
    .fill(
      'Move, time, rounds\nsmile pulses, 0:40, 2\nlong O cheek lft, a while, 3\nTea and cake,,\n',
    );
  await page.getByRole('button', { name: 'Read it' }).click();
  const found = page.getByRole('region', { name: 'What was read' });
  await expect(found.getByRole('status')).toHaveText('3 lines, 2 to look at.');
  await expect(found.getByLabel('Move for smile pulses')).toHaveValue('smile-pulses');
  await expect(found.getByLabel('Move for long O cheek lft')).toHaveValue('tall-o-cheek-lift');
  await expect(found.getByText('“a while” is no length.')).toBeVisible();
  await expect(found.getByText('Becomes 40 × 1 s: 0:40 each time.')).toBeVisible();
  await expect(found.getByText('left out')).toBeVisible();
  await expect(page.getByText('1 of 3 lines are left out.')).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await found.getByLabel('Move for Tea and cake').selectOption('Slow belly breaths');
  await expect(found.getByRole('status')).toHaveText('3 lines, 1 to look at.');
  await page.getByLabel('Name of the class').fill('From a notebook');
  await page.getByLabel('Slot, in minutes').fill('a quarter');
  await page.getByRole('button', { name: 'Make a class of 3 moves' }).click();
  await expect(page.getByText('Write the slot in minutes')).toBeVisible();
  await page.getByLabel('Slot, in minutes').fill('15');
  await page.getByRole('button', { name: 'Make a class of 3 moves' }).click();
  await page.waitForURL(/\/classes\/[0-9a-f-]{36}$/);
  await expect(page.getByTestId('length')).toBeVisible();
  const plan = await storedPlan(app, page);
  const segments = Object.values(plan.phases).flatMap((p) => p.flatMap((b) => b.segments));
  expect(segments.map((s) => [s.move, s.rounds])).toEqual(
    expect.arrayContaining([
      ['smile-pulses', 2],
      ['tall-o-cheek-lift', 3],
    ]),
  );
  expect([plan.name, plan.slotSeconds, segments.length]).toEqual(['From a notebook', 900, 3]);
});

test('more than one class may be is neither read nor added, and that is told where it was pressed', async ({
  app,
  studio: page,
}) => {
  await page.goto('/classes/written');
  const lines = Array.from({ length: 61 }, () => 'Smile pulses, 20 s, 1').join('\n');
  await page.getByLabel('Or lines to paste').fill(lines);
  await page.getByRole('button', { name: 'Read it' }).click();
  await page.getByLabel('Name of the class').fill('All night');
  await page.keyboard.press('Enter');
  const why = 'Work has more than 60 blocks; put some into one, or make two classes of it.';
  await expect(page.getByText(why)).toBeInViewport();
  await page.getByLabel('Move for Smile pulses').last().selectOption('Leave this line out');
  await page.getByRole('button', { name: 'Make a class of 60 moves' }).press('Enter');
  await page.waitForURL(/\/classes\/[0-9a-f-]{36}$/);
  await page.getByRole('searchbox', { name: 'Find a move' }).fill('smile pulses');
  await page.keyboard.press('Enter');
  await expect(page.getByText(why)).toBeVisible();
  const { phases } = await storedPlan(app, page);
  expect(phases.work).toHaveLength(60);
});
