import { emptyPlan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { SIGN_IN_COOKIE, signInAs } from '@/server/auth/sign-ins';
import { planSession } from '@/server/sessions/sessions';
import { makeStudio } from '@/server/studio/studios';
import { expect, NOON, test } from './harness';

test('a cancelled session neither breaks a streak nor can be led', async ({
  app,
  studio: page,
}) => {
  const { id: classId, studio_id } = await app
    .db('classes')
    .whereRaw("plan->>'name' = 'Loose jaw before choir'")
    .first('id', 'studio_id');
  const sessionId = crypto.randomUUID();
  await app.db('sessions').insert({
    id: sessionId,
    studio_id,
    class_id: classId,
    starts_at: new Date(NOON + 5 * 3_600_000),
    status: 'planned',
    created_at: new Date(NOON),
  });
  await page.goto('/people');
  const marit = page.getByRole('row', { name: /^Marit/ });
  const before = await marit.textContent();
  await page.goto('/');
  const card = page.getByRole('article').filter({ hasText: '17:00' });
  await card.getByRole('button', { name: 'Cancel this session' }).click();
  await expect(card.getByText('Cancelled')).toBeVisible();
  await page.goto('/people');
  expect(await marit.textContent()).toBe(before);
  await page.getByRole('link', { name: 'Marit' }).click();
  await expect(page.getByText('cancelled, does not count').last()).toBeAttached();
  await page.goto(`/lead/${sessionId}`);
  await expect(page).toHaveURL(/\/$/);
});

test('a studio where nothing has happened yet says what will stand where', async ({
  app,
  page,
}) => {
  app.runClock(NOON);
  const account = { name: 'Nela', email: 'nela@new-hall.example', password: 'terns over the pier' };
  const studio = { studioName: 'New hall', timeZone: 'Europe/Dublin', ...account };
  const newClass = newClassOf(emptyPlan('New classes', 1200));
  const teacher = await makeStudio(app.db, { ...studio, newClass }, NOON);
  const value = await signInAs(app.db, teacher, NOON);
  await page.context().addCookies([{ name: SIGN_IN_COOKIE, value, url: app.url }]);
  try {
    for (const [path, words] of [
      ['/', 'No session today'],
      ['/', 'Nothing is planned for the next seven days.'],
      ['/calendar', 'Nothing meets in these weeks'],
      ['/calendar/plan', 'No class to plan yet'],
      ['/calendar/closed', 'No closed days yet'],
      ['/studio/outbox', 'No letters yet'],
      ['/classes', 'No classes yet'],
      ['/people', 'Nobody on the register yet'],
    ] as const) {
      await page.goto(path);
      await expect(page.getByText(words)).toBeVisible();
    }
    await page.goto('/moves');
    await expect(page.getByText(/^(\d+) of \1 moves$/)).toBeVisible();
  } finally {
    await app.db('studios').where({ is_demo: false }).delete();
  }
});

test('what somebody carries is kept only with their consent, and what was ticked stays', async ({
  app,
  studio: page,
}) => {
  const { id } = await app.db('participants').where({ name: 'Odile' }).first('id');
  await app.db('participants').where({ id }).update({ cautions: '[]', cautions_consent_on: null });
  await page.goto(`/people/${id}`);
  const carried = () => app.db('participants').where({ id }).first('cautions');
  const consent = page.getByLabel(/^They agree to have this kept/);
  await page.getByText('Cautions, private').click();
  const ticked = page.getByRole('group', { name: 'Cautions' }).getByRole('checkbox').first();
  await ticked.check();
  const keep = page.getByRole('button', { name: 'Keep the cautions' });
  await keep.click();
  await expect(
    page.getByText('Ask for their consent first, and tick it; else nothing is kept.'),
  ).toBeVisible();
  await expect(ticked).toBeChecked();
  expect((await carried()).cautions).toEqual([]);
  await consent.check();
  await keep.click();
  await expect(page.getByText(/, since Tue 24 Nov 2026/)).toBeVisible();
  expect((await carried()).cautions).toHaveLength(1);
});

test('somebody without a name is not taken in, and what was typed stays', async ({
  studio: page,
}) => {
  await page.goto('/people');
  await page.getByLabel('Name, as they like to be called').fill('   ');
  await page.getByLabel('Contact, if they wish').fill('harbour lane');
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByText('Write the name they like to be called by.')).toBeVisible();
  await expect(page.getByLabel('Contact, if they wish')).toHaveValue('harbour lane');
});

test('Today leads on to the coming days, and to what was neither led nor called off', async ({
  app,
  studio: page,
}) => {
  const { id: classId, studio_id } = await app
    .db('classes')
    .whereRaw("plan->>'name' = 'Loose jaw before choir'")
    .first('id', 'studio_id');
  const yesterday = { classId, startsAt: NOON - 86_400_000, now: NOON };
  const id = await planSession(app.db, { studioId: studio_id }, yesterday);
  await page.goto('/');
  await expect(page.getByRole('link', { name: /18:30 Soft face/ })).toBeVisible();
  await expect(page.getByText('neither led nor called off')).toContainText('Loose jaw');
  await page.getByRole('link', { name: 'Settle it' }).click();
  await page.waitForURL(`/sessions/${id}`);
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(page.getByText('Cancelled')).toBeVisible();
  await page.goto('/');
  await expect(page.getByText('neither led nor called off')).toBeHidden();
});
