import type { Plan } from '@/core/class';
import { closeFor } from '@/server/calendar/closures';
import { createClass } from '@/server/classes/classes';
import { keepCautions } from '@/server/people/carried';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import type { App } from './app';
import { axe, expect, NOON, test } from './harness';
import { ownStudio } from './own-studio';
import { ownClass } from './planned';

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
  const marit = page.getByRole('row', { name: /Marit/ });
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
  await page.getByRole('heading', { name: 'Marit' }).waitFor();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Loose jaw before choir' })
    .getByTitle('Told day by day')
    .first()
    .click();
  await expect(
    page.getByText('cancelled (The boiler is out.), so it neither counts nor breaks.'),
  ).toBeVisible();
  await page.goto(`/lead/${sessionId}`);
  await expect(page).toHaveURL(/\/$/);
});

/** A class with one move, which somebody with a sore jaw does in its easier version. */
async function oneMove(app: App, scope: { studioId: string }, name: string): Promise<string> {
  const { id } = await choirOf(app);
  const choir = (await app.db('classes').where({ id }).first('plan')).plan as Plan;
  const work = choir.phases.work.filter((b) => b.segments[0]?.move === 'tall-o-cheek-lift');
  const none = { arrive: [], warmUp: [], massage: [], close: [] };
  const plan = { ...choir, name, phases: { ...none, work } };
  return createClass(app.db, scope, plan, NOON - 30 * DAY);
}

test('what has to be settled before a class is settled from Today, each with one press', async ({
  app,
  page,
}) => {
  const { scope, signIn } = await ownStudio(app, 'Ottilie');
  await signIn(page);
  const classId = await oneMove(app, scope, 'Quay watch');
  const joined = { person: { name: 'Wanda', contact: null }, joinedOn: '2026-11-01', now: NOON };
  const participantId = await addParticipant(app.db, scope, joined);
  await book(app.db, scope, { participantId, classId, now: NOON - 30 * DAY });
  const jaw = { participantId, cautions: [{ caution: 'jaw' as const }], consentOn: '2026-11-01' };
  await keepCautions(app.db, scope, jaw);
  await planSession(app.db, scope, { classId, startsAt: NOON + 10 * 60_000, now: NOON });
  await page.goto('/');
  const next = page.getByRole('article', { name: 'Quay watch' });
  await expect(next.getByText(/^in (9|10) min/)).toBeVisible();
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
});

test('a page that stood open, or is gone back to, says what is true now, and tells where it cannot', async ({
  app,
  page,
}) => {
  const MINUTE = 60_000;
  const { scope, signIn } = await ownStudio(app, 'Ottilie');
  await signIn(page);
  const classId = await oneMove(app, scope, 'Quay watch');
  await planSession(app.db, scope, { classId, startsAt: NOON + 60 * MINUTE, now: NOON });
  let at = NOON;
  const pass = async (ms: number) => {
    at += ms;
    app.setClock(at);
    await page.clock.fastForward(ms);
  };
  app.setClock(at);
  await page.clock.install({ time: at });
  await page.goto('/');
  const next = page.getByRole('article', { name: 'Quay watch' });
  await expect(next.getByText(/^in 1 h/)).toBeVisible();
  const joined = { person: { name: 'Wanda', contact: null }, joinedOn: '2026-11-01', now: NOON };
  const participantId = await addParticipant(app.db, scope, joined);
  await book(app.db, scope, { participantId, classId, now: NOON });
  const jaw = { participantId, cautions: [{ caution: 'jaw' as const }], consentOn: '2026-11-01' };
  await keepCautions(app.db, scope, jaw);

  await pass(20 * MINUTE);
  const harm = next.getByText(/1 person should do the easier version/);
  await expect(harm).toBeVisible();
  await expect(next.getByText(/^in 40 min/)).toBeVisible();
  await pass(MINUTE);
  await expect(next.getByText(/^in 39 min/)).toBeVisible();

  await next.getByRole('link', { name: 'Quay watch' }).click();
  await page.waitForURL(`/classes/${classId}`);
  await keepCautions(app.db, scope, { ...jaw, cautions: [] });
  await pass(MINUTE);
  await page.goBack();
  await expect(next.getByText(/^in 38 min/)).toBeVisible();
  await expect(harm).toBeHidden();

  await page.route('**/ready', (route) => route.abort());
  await pass(5 * MINUTE);
  const told = page.getByText('This is how it was at 12:22: the server does not answer.');
  await expect(told).toBeVisible();
  await expect(next.getByText(/^in 33 min/)).toBeVisible();
  await page.unroute('**/ready');
  await pass(MINUTE / 6);
  await expect(told).toBeHidden();
});

test('what was left from the last meeting is shown until it is looked at', async ({
  app,
  page,
}) => {
  const { scope, signIn } = await ownStudio(app, 'Sten');
  await signIn(page);
  const classId = await oneMove(app, scope, 'Night watch');
  const joined = { person: { name: 'Edda', contact: null }, joinedOn: '2026-11-01', now: NOON };
  const participantId = await addParticipant(app.db, scope, joined);
  await book(app.db, scope, { participantId, classId, now: NOON - 30 * DAY });
  const before = await planSession(app.db, scope, { classId, startsAt: NOON - 7 * DAY, now: NOON });
  await app.db('sessions').where({ id: before }).update({ status: 'held' });
  const [run, at] = [crypto.randomUUID(), new Date(NOON - 7 * DAY)];
  const of = { studio_id: scope.studioId };
  const { score } = await app.db('runs').whereNotNull('score').orderBy('created_at').first('score');
  await app.db('runs').insert({
    ...of,
    id: run,
    session_id: before,
    score: JSON.stringify(score),
    started_at: at,
    finished_at: at,
    created_at: at,
  });
  await app.db('run_events').insert({
    ...of,
    run_id: run,
    seq: 1,
    id: crypto.randomUUID(),
    at_ms: NOON - 7 * DAY,
    type: 'parked',
    data: JSON.stringify({ note: 'May I wear lenses?' }),
    received_at: at,
  });
  await app.db('form_notes').insert({
    ...of,
    id: crypto.randomUUID(),
    participant_id: participantId,
    session_id: before,
    move_id: 'tall-o-cheek-lift',
    note: 'left corner sits lower',
    noted_at: at,
  });
  const id = await planSession(app.db, scope, { classId, startsAt: NOON + 60_000, now: NOON });
  await page.goto('/');
  const settle = page.getByRole('region', { name: 'Before you lead it' });
  const answered = settle.getByRole('button', { name: /^Answered: .*May I wear lenses/ });
  await answered.press('Enter');
  await expect(settle.getByText('Answered; it is not shown again.')).toBeVisible();
  await expect(answered).toBeHidden();
  await settle.getByRole('button', { name: /^Seen: Edda/ }).press('Enter');
  await expect(settle.getByText('Seen; the note stays with the person.')).toBeVisible();
  await page.goto(`/lead/${id}`);
  await expect(page.getByRole('heading', { name: 'Who is here' })).toBeVisible();
  await expect(page.getByText('May I wear lenses?')).toBeHidden();
});

test('a busy day and a closed one say so', async ({ app, page }) => {
  const { scope, signIn } = await ownStudio(app, 'Gus');
  await signIn(page);
  const classId = await oneMove(app, scope, 'Rope walk');
  for (const hours of [1, 2, 3, 4, 5, 6, 48]) {
    await planSession(app.db, scope, { classId, startsAt: NOON + hours * 3_600_000, now: NOON });
  }
  await page.goto('/');
  const also = page.getByRole('region', { name: 'Also today' });
  await expect(also.getByRole('link', { name: 'Lead class' })).toHaveCount(5);
  const closure = { from: '2026-11-24', to: '2026-11-24', name: 'Boats come in' };
  await closeFor(app.db, scope, { closure, zone: 'Europe/Dublin', now: NOON });
  await page.reload();
  await expect(page.getByText('Closed today: Boats come in')).toBeVisible();
  await expect(also.getByText(/, cancelled/)).toHaveCount(6);
  // What is large is the next one that takes place, and it cannot be led by a slip of the hand.
  const next = page.getByRole('article', { name: 'Rope walk' });
  await expect(next.getByText(/^Thu 26 Nov, in/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'Lead class' })).toHaveCount(0);
  expect(await axe(page)).toEqual([]);
});

test('a studio where nothing has happened yet says what will stand where', async ({
  app,
  page,
}) => {
  const { signIn } = await ownStudio(app, 'Nela');
  await signIn(page);
  for (const [path, words] of [
    ['/', 'Begin with a class'],
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
  await ownClass(page, 'Slow jaw');
  await page.goto('/');
  await expect(page.getByText('No session to lead')).toBeVisible();
  await expect(page.getByText('Nothing is planned for today or the coming week.')).toBeVisible();
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

  // At the door somebody else keeps what they were told; neither of the two is lost, nor what is about a place.
  const neck = page.getByRole('checkbox', { name: /^neck pain/ });
  const skin = page.getByRole('checkbox', { name: /^broken, infected/ });
  await expect(neck).toBeChecked();
  const theirs = [{ caution: 'skin', areas: ['lowerCheeks'] }, { caution: 'jaw' }];
  await app
    .db('participants')
    .where({ id })
    .update({ cautions: JSON.stringify(theirs) });
  await skin.check();
  await page
    .getByRole('group', { name: /^Where/ })
    .getByLabel('forehead')
    .check();
  await keep.click();
  await expect(page.getByText(/^Somebody changed these meanwhile/)).toBeVisible();
  expect((await carried()).cautions).toEqual(theirs);
  await expect(page.getByRole('checkbox', { name: /^jaw joint/ })).toBeChecked();
  await keep.click();
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  expect((await carried()).cautions).toEqual([
    { caution: 'neck' },
    { caution: 'jaw' },
    { caution: 'skin', areas: ['forehead', 'lowerCheeks'] },
  ]);

  // Beside what keeps them stands what forgets them: a slip there loses nothing.
  const withdraws = page.getByRole('button', { name: 'They withdraw: forget them' });
  await withdraws.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Forget what they carry?' })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(withdraws).toBeFocused();
  expect((await carried()).cautions).toHaveLength(3);
  await withdraws.press('Enter');
  await page.getByRole('button', { name: 'Forget it', exact: true }).press('Enter');
  await expect(page.getByText(/^Forgotten; checks and drafts/)).toBeVisible();
  expect((await carried()).cautions).toEqual([]);
});

test('somebody without a name is not taken in, and what was typed stays', async ({
  studio: page,
}) => {
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add somebody' }).click();
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
