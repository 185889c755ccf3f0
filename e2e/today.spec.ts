import { emptyPlan, type Plan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { SIGN_IN_COOKIE, signInAs } from '@/server/auth/sign-ins';
import { closeFor, closuresOf, reopen } from '@/server/calendar/closures';
import { createClass } from '@/server/classes/classes';
import { keepCautions } from '@/server/people/carried';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import { makeStudio } from '@/server/studio/studios';
import type { App } from './app';
import { axe, expect, NOON, test } from './harness';

const DAY = 86_400_000;

/** The demo's choir class. */
const choirOf = (app: App): Promise<{ id: string; studio_id: string }> =>
  app.db('classes').whereRaw("plan->>'name' = 'Loose jaw before choir'").first('id', 'studio_id');

test('a cancelled session neither breaks a streak nor can be led', async ({
  app,
  studio: page,
}) => {
  const { id: classId, studio_id } = await choirOf(app);
  const startsAt = NOON + 5 * 3_600_000;
  const sessionId = await planSession(
    app.db,
    { studioId: studio_id },
    { classId, startsAt, now: NOON },
  );
  await app.db('participants').where({ name: 'Wen' }).update({ contact: 'wen@example.org' });
  await page.goto('/people');
  const marit = page.getByRole('row', { name: /^Marit/ });
  const before = await marit.textContent();
  await page.goto('/');
  const line = page.getByRole('listitem').filter({ hasText: '17:00' });
  await line.getByRole('link', { name: 'Loose jaw before choir' }).click();
  await page.getByLabel('A word to those booked').fill('The boiler is out.');
  await page.getByRole('button', { name: 'Call it off' }).click();
  await expect(
    page.getByText(
      /^Called off\. \d+ letters were written\. .* have given no email: tell them yourself\.$/,
    ),
  ).toBeVisible();
  await page.goto('/');
  await expect(line).toContainText('cancelled');
  await page.goto('/people');
  expect(await marit.textContent()).toBe(before);
  await page.getByRole('link', { name: 'Marit' }).click();
  await expect(page.getByText('cancelled, does not count').last()).toBeAttached();
  await page.goto(`/lead/${sessionId}`);
  await expect(page).toHaveURL(/\/$/);
});

test('what has to be settled before a class is settled from Today, each with one press', async ({
  app,
  studio: page,
}) => {
  const { id: choirId, studio_id } = await choirOf(app);
  const scope = { studioId: studio_id };
  const choir = (await app.db('classes').where({ id: choirId }).first('plan')).plan as Plan;
  const work = choir.phases.work.filter((b) => b.segments[0]?.move === 'tall-o-cheek-lift');
  const none = { arrive: [], warmUp: [], massage: [], close: [] };
  const plan = { ...choir, name: 'Quay watch', phases: { ...none, work } };
  const classId = await createClass(app.db, scope, plan, NOON - 30 * DAY);
  const person = { name: 'Ottilie', contact: null };
  const joined = { person, joinedOn: '2026-11-01', now: NOON };
  const participantId = await addParticipant(app.db, scope, joined);
  await book(app.db, scope, { participantId, classId, now: NOON - 30 * DAY });
  const jaw = { participantId, cautions: [{ caution: 'jaw' as const }], consentOn: '2026-11-01' };
  await keepCautions(app.db, scope, jaw);
  const startsAt = NOON + 10 * 60_000;
  const sessionId = await planSession(app.db, scope, { classId, startsAt, now: NOON });
  try {
    await page.goto('/');
    const next = page.getByRole('article', { name: 'Quay watch' });
    await expect(next.getByText('in 10 min')).toBeVisible();
    await expect(next.getByRole('link', { name: '1 booked' })).toBeVisible();
    await expect(next.getByText('for the first time')).toBeVisible();
    const settle = next.getByRole('region', { name: 'Before you lead it' });
    await expect(settle.getByText(/1 person should do the easier version/)).toBeVisible();
    expect(await axe(page)).toEqual([]);
    await settle.getByRole('button', { name: /^The easier version for all/ }).press('Enter');
    await expect(settle.getByText('Done: The easier version for all.')).toBeVisible();
    await expect(settle.getByText(/1 person should do the easier version/)).toBeHidden();
    await next.getByRole('link', { name: 'Quay watch' }).click();
    await page.waitForURL(`/classes/${classId}`);
    await page.setViewportSize({ width: 360, height: 740 });
    await page.goto('/');
    expect(await axe(page)).toEqual([]);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(360);
  } finally {
    await app.db('sessions').where({ id: sessionId }).delete();
    await app.db('participants').where({ id: participantId }).delete();
  }
});

test('what was left from the last meeting is shown until it is looked at', async ({
  app,
  studio: page,
}) => {
  const { id: classId, studio_id } = await choirOf(app);
  const of = { classId, startsAt: NOON + 60_000, now: NOON };
  const id = await planSession(app.db, { studioId: studio_id }, of);
  try {
    await page.goto('/');
    const settle = page.getByRole('region', { name: 'Before you lead it' });
    const answered = settle.getByRole('button', { name: /^Answered: .*contact lenses in/ });
    await answered.press('Enter');
    await expect(settle.getByText('Answered; it is not shown again.')).toBeVisible();
    await expect(answered).toBeHidden();
    await settle.getByRole('button', { name: /^Seen: Priya/ }).press('Enter');
    await expect(settle.getByText('Seen; the note stays with the person.')).toBeVisible();
    await page.goto(`/lead/${id}`);
    await expect(page.getByRole('heading', { name: 'Who is here' })).toBeVisible();
    await expect(page.getByText('contact lenses')).toBeHidden();
  } finally {
    await app.db('answered_questions').delete();
    await app.db('form_notes').update({ seen_at: null });
    await app.db('sessions').where({ id }).delete();
  }
});

test('a busy day and a closed one say so', async ({ app, studio: page }) => {
  const { id: classId, studio_id } = await choirOf(app);
  const scope = { studioId: studio_id };
  const ids: string[] = [];
  for (let hour = 1; hour <= 6; hour++) {
    const startsAt = NOON + hour * 3_600_000;
    ids.push(await planSession(app.db, scope, { classId, startsAt, now: NOON }));
  }
  const closure = { from: '2026-11-24', to: '2026-11-24', name: 'Boats come in' };
  try {
    await page.goto('/');
    const also = page.getByRole('region', { name: 'Also today' });
    const counted = await app
      .db('sessions')
      .where({ studio_id, status: 'planned' })
      .whereBetween('starts_at', [new Date(NOON), new Date(NOON + 12 * 3_600_000)])
      .count();
    // All of today's but the one that is large.
    const others = Number(counted[0]?.count) - 1;
    expect(others).toBeGreaterThanOrEqual(6);
    await expect(also.getByRole('link', { name: /^Lead class|Go on leading/ })).toHaveCount(others);
    await closeFor(app.db, scope, { closure, zone: 'Europe/Dublin', now: NOON });
    await page.reload();
    await expect(page.getByText('Closed today: Boats come in')).toBeVisible();
    await expect(also.getByRole('link', { name: 'Lead class' })).toHaveCount(0);
    // What is large is the next one that takes place, on a later day.
    await expect(page.getByRole('article').getByText(/^Thu 26 Nov, in/)).toBeVisible();
    expect(await axe(page)).toEqual([]);
  } finally {
    const [closed] = await closuresOf(app.db, scope);
    if (closed) await reopen(app.db, scope, closed.id);
    await app.db('sessions').whereIn('id', ids).delete();
  }
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
      ['/', 'No session to lead'],
      ['/', 'Nothing is planned for today or the coming week.'],
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
  const { id: classId, studio_id } = await choirOf(app);
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
