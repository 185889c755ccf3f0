import { spawnSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { FILM_SIZES, MOST_FILMS } from '@/core/film';
import { createClass } from '@/server/classes/classes';
import type { App } from './app';
import { verySmall } from './counted';
import { axe, expect, NOON, test } from './harness';

async function openFilm(app: App, page: Page): Promise<void> {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const plan = verySmall('Half circles & home');
  await page.goto(`/classes/${await createClass(app.db, { studioId }, plan, NOON)}`);
  await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
  await page.getByRole('menuitem', { name: 'Film' }).press('Enter');
  await expect(page.getByRole('dialog', { name: 'Film' })).toBeVisible();
}

test('a film is ordered by keyboard, stopped, gone on with, saved and removed', async ({
  app,
  studio: page,
}) => {
  await openFilm(app, page);
  await expect(page.getByText('There is no film of this class yet.')).toBeVisible();
  await page.getByLabel('Shape').selectOption('Upright, 720 × 1280');
  await page.getByLabel('Look').selectOption('Night');
  await page.getByRole('button', { name: 'Make the film' }).press('Enter');
  const list = page.getByRole('region', { name: 'Your films of this class' });
  await list.getByRole('button', { name: 'Stop: Upright, night, English, MP4' }).press('Enter');
  await expect(list.getByText(/^Stopped at \d+ %/)).toBeVisible();
  expect(await axe(page)).toEqual([]);
  // Whoever closes it finds it again as it was.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
  await page.getByRole('menuitem', { name: 'Film' }).press('Enter');
  await list.getByRole('button', { name: /^Go on/ }).press('Enter');
  await expect(list.getByRole('progressbar')).toBeVisible();
  await expect(list.getByText(/^Done: [\d.]+ MB, kept until/)).toBeVisible({ timeout: 180_000 });

  const coming = page.waitForEvent('download');
  await list.getByRole('link', { name: /^Save/ }).press('Enter');
  const file = await coming;
  expect(file.suggestedFilename()).toBe('half-circles-home.mp4');
  const { stdout } = spawnSync('ffprobe', [
    ...['-v', 'error', '-select_streams', 'v', '-show_entries', 'stream=width,height'],
    ...['-of', 'csv=p=0', await file.path()],
  ]);
  const { width, height } = FILM_SIZES.upright;
  expect(stdout.toString().trim()).toBe(`${width},${height}`);
  await list.getByRole('button', { name: /^Remove:/ }).press('Enter');
  await page.getByRole('button', { name: 'Remove it for good' }).press('Enter');
  await expect(page.getByText('There is no film of this class yet.')).toBeVisible();
});

test('what stands in the way of a film is told where it was ordered', async ({
  app,
  studio: page,
}) => {
  await openFilm(app, page);
  const make = page.getByRole('button', { name: 'Make the film' });
  await make.click();
  await page.getByRole('button', { name: /^Stop/ }).click();
  await expect(page.getByText(/^Stopped at/)).toBeVisible();
  const film = await app.db('films').first();
  const more = Array.from({ length: MOST_FILMS - 1 }, () => ({
    ...film,
    id: crypto.randomUUID(),
    options: JSON.stringify(film.options),
  }));
  await app.db('films').insert(more);
  await make.click();
  await expect(page.getByText(/You have 6 films, which is the most/)).toBeVisible();
  await app.db('films').where({ id: film.id }).update({ state: 'failed', problem: 'no-room' });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
  await page.getByRole('menuitem', { name: 'Film' }).press('Enter');
  await expect(page.getByText(/The server’s disk is full/)).toBeVisible();
  await page.setViewportSize({ width: 360, height: 740 });
  expect(await axe(page)).toEqual([]);
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(360);
});
