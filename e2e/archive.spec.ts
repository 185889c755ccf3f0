import { emptyPlan } from '@/core/class';
import { createClass } from '@/server/classes/classes';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import { axe, expect, NOON, test } from './harness';
import { ownStudio } from './own-studio';

test('a studio is taken along in an archive, and stands in an empty one as it was', async ({
  app,
  page,
}) => {
  const old = await ownStudio(app, 'Nela');
  const classId = await createClass(app.db, old.scope, emptyPlan('Rope walk', 1200), NOON);
  const joined = { person: { name: '=Sum', contact: null }, joinedOn: '2026-11-01', now: NOON };
  const participantId = await addParticipant(app.db, old.scope, joined);
  await book(app.db, old.scope, { participantId, classId, now: NOON });
  await planSession(app.db, old.scope, { classId, startsAt: NOON + 86_400_000, now: NOON });
  await old.signIn(page);
  await page.goto('/studio');
  const link = page
    .getByRole('region', { name: 'Take the studio along' })
    .getByRole('link', { name: 'Download the archive' });
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  expect(download.suggestedFilename()).toBe('up-beat-2026-11-24.zip');
  const archive = await download.path();
  await expect(page.getByText('this one is not.')).toBeVisible();

  const fresh = await ownStudio(app, 'Otto');
  await fresh.signIn(page);
  await page.goto('/studio');
  const takeIn = page.getByRole('button', { name: 'Take it in' });
  await takeIn.click();
  await expect(page.getByText('Choose the ZIP file that Up Beat made first.')).toBeVisible();
  const choose = page.getByLabel('Archive of a studio');
  const buffer = Buffer.from('no archive');
  await choose.setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer });
  await takeIn.click();
  await expect(page.getByText('This is no archive of a studio.')).toBeVisible();
  await choose.setInputFiles(archive);
  await takeIn.click();
  await expect(page.getByText('or a part of it, is on this server already.')).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await app.db('studios').where({ id: old.scope.studioId }).delete();
  await takeIn.press('Enter');
  await expect(page.getByText('Taken in: 1 person and 1 session.')).toBeVisible();
  await page.goto('/people');
  await expect(page.getByRole('row', { name: /=Sum/ })).toContainText('Rope walk');
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Rope walk' })).toBeVisible();
  await expect(page.getByText('Hall of Nela')).toBeVisible();
});

test('an archive is for owners, and not for a page of another site', async ({ app, page }) => {
  expect((await page.request.get(`${app.url}/api/archive`)).status()).toBe(401);
  const { email, signIn } = await ownStudio(app, 'Pia');
  await signIn(page);
  const other = { 'sec-fetch-site': 'cross-site', 'content-type': 'application/zip' };
  const sent = { headers: other, data: Buffer.from('x') };
  expect((await page.request.post(`${app.url}/api/archive`, sent)).status()).toBe(403);
  await app.db('teachers').where({ email }).update({ role: 'teacher' });
  expect((await page.request.get(`${app.url}/api/archive`)).status()).toBe(403);
});
