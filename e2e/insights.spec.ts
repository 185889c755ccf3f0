import { readFileSync } from 'node:fs';
import { axe, expect, test } from './harness';

test('insights say how they are computed, and lead to their rows, as a table and as a file', async ({
  studio: page,
}) => {
  await page.goto('/people');
  await page.getByRole('link', { name: 'Insights' }).click();
  const who = page.getByRole('region', { name: 'Who came, session by session' });
  await expect(who.getByText(/^People marked here or late/)).toBeVisible();
  await expect(who.locator('.recharts-bar-rectangle').first()).toBeVisible();
  await page.getByLabel('Class').selectOption({ label: 'Loose jaw before choir' });
  await expect(page).toHaveURL(/classId=/);
  await who.getByText('The rows behind it').click();
  // Eight weeks, one of them cancelled.
  await expect(who.getByRole('row')).toHaveCount(9);
  await expect(who.getByRole('row', { name: /cancelled/ })).toHaveCount(1);
  const coming = page.waitForEvent('download');
  await who.getByRole('link', { name: /as CSV$/ }).click();
  const csv = readFileSync(await (await coming).path(), 'utf8');
  expect(csv.split('\r\n')).toHaveLength(10);
  expect(csv).toMatch(
    /^\ufeffSession,"Came, people","Expected, people","Room for, people",Held\r\n/,
  );
  expect(await axe(page)).toEqual([]);
  await who.getByRole('row').nth(1).getByRole('link').click();
  await expect(page).toHaveURL(/\/sessions\//);
});
