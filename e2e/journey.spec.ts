import { addMove, begin, expect, START_IN_MS, saved, stored, test } from './harness';

/**
 * The whole job as a new user would do it, on a clock that only moves when told: compose, lead with
 * bends, a reload and a crashed server, finish, and find everything stored to the second.
 */
test('from an empty class to a streak', async ({ app, studio: page, clock }) => {
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByLabel('Name, as they like to be called').fill('Lotte');
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByRole('link', { name: 'Lotte' })).toBeVisible();

  await page.goto('/classes');
  await page.getByLabel('Name of a new class').fill('First steps');
  await page.getByLabel('Slot, in minutes').fill('10');
  await page.getByRole('button', { name: 'Make the class' }).click();
  await page.getByRole('region', { name: 'Running order' }).waitFor();
  await addMove(page, 'slow belly');
  await addMove(page, 'chin over');
  await addMove(page, 'long o cheek');
  await expect(page.getByLabel('Rounds', { exact: true })).toHaveValue('3');
  await page.getByLabel('Rounds', { exact: true }).fill('1');
  await page.getByLabel('Hold for').fill('0:20');
  await expect(page.getByTestId('total-work')).toHaveText('1:40');
  await saved(page);

  await page.goto('/people');
  await page.getByRole('link', { name: 'Lotte' }).click();
  await page.getByLabel('Book on a class').selectOption({ label: 'First steps' });
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  await expect(page.getByText('0 meetings in a row, the longest 0')).toBeVisible();

  await page.goto('/classes');
  await page.getByRole('link', { name: /First steps/ }).click();
  await page.getByRole('button', { name: 'Lead class' }).click();
  await expect(page.getByText('The voice is ready.')).toBeVisible();
  await clock.stand();
  await clock.reload();
  await stored(page, () => page.getByRole('button', { name: 'Lotte: here' }).click());
  await expect(page.getByRole('button', { name: 'Lotte: here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByLabel('Name: find on the roll, or take in who walked in').fill('Piet');
  await stored(page, () => page.getByRole('button', { name: 'Add them, here' }).click());
  await expect(page.getByText('Piet', { exact: true })).toBeVisible();

  await begin(page, clock);
  const startedAt = clock.now;
  const sessionId = page.url().split('/').at(-1);
  const run = await app
    .db('runs')
    .where({ session_id: sessionId })
    .first('id', 'score', 'session_id');
  const { steps } = run.score as import('@/core/score').Score;
  const step = (id: string) => {
    const found = steps.find((s) => s.id === id);
    if (!found) throw new Error(`no step ${id} among ${steps.map((s) => s.id).join(', ')}`);
    return found;
  };
  const countdown = page.getByTestId('countdown');
  const doing = page.getByTestId('doing');
  const countsDown = (ms: number) => expect(countdown).toHaveText(String(Math.ceil(ms / 1000)));

  const breaths = step('s1.1.work.both');
  await clock.pass(breaths.startMs + 5000);
  await expect(doing).toHaveText('Work');
  await countsDown(breaths.durationMs - 5000);

  // A pause of 7 s costs 7 s and nothing else.
  await stored(page, () => page.keyboard.press('Space'));
  await expect(doing).toHaveText('Paused');
  await clock.pass(7000);
  await countsDown(breaths.durationMs - 5000);
  await stored(page, () => page.keyboard.press('Space'));
  await expect(doing).toHaveText('Work');

  // Into the first side of the two-sided stretch; it is lengthened, and the other side with it.
  // Ten seconds more are three breaths of four.
  const longerMs = 12_000;
  const left = step('s2.1.work.left');
  await clock.pass(left.startMs - breaths.startMs - 5000 + 3000);
  await expect(page.getByTestId('side')).toHaveText('left side');
  await stored(page, () => page.keyboard.press('+'));
  await countsDown(left.durationMs - 3000 + longerMs);

  // A reload in mid-hold changes nothing.
  await clock.reload();
  await expect(page.getByTestId('side')).toHaveText('left side');
  await countsDown(left.durationMs - 3000 + longerMs);

  const right = step('s2.1.work.right');
  await clock.pass(right.startMs - left.startMs - 3000 + longerMs + 4000);
  await expect(page.getByTestId('side')).toHaveText('right side');
  await countsDown(right.durationMs + longerMs - 4000);

  // The server is killed in mid-hold; the class goes on, and what happens meanwhile is not lost.
  await app.kill();
  await clock.pass(2000);
  await countsDown(right.durationMs + longerMs - 6000);
  const hold = step('s3.1.work.both');
  await clock.pass(hold.startMs - right.startMs - 6000 + longerMs + 6000);
  await expect(page.getByTestId('move')).toHaveText('Long O cheek lift');
  await countsDown(hold.durationMs - 6000);
  await page.keyboard.press('a');
  await expect(doing).toHaveText('Get ready');
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  await app.up();
  await clock.pass(2000);
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeHidden();
  await clock.reload();
  const upbeat = step('s3.1.upbeat');
  await countsDown(upbeat.durationMs - 2000);

  // To the end, and a little beyond.
  const score = run.score as import('@/core/score').Score;
  await clock.pass(score.totalMs - upbeat.startMs - 2000 + 3000);
  await expect(page.getByRole('heading', { name: 'Is the register right?' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await expect(page.getByText('The session is stored.')).toBeVisible();

  const again = hold.startMs + 6000 - upbeat.startMs;
  const expectedMs = score.totalMs + 7000 + 2 * longerMs + again;
  const kept = await app.db('runs').where({ id: run.id }).first('started_at', 'finished_at');
  expect(kept.started_at.getTime()).toBe(startedAt);
  expect(kept.finished_at.getTime() - startedAt).toBe(expectedMs);
  const events = await app.db('run_events').where({ run_id: run.id }).orderBy('seq');
  expect(events.map((e) => e.type)).toEqual([
    'marked',
    'walkedIn',
    'started',
    'paused',
    'resumed',
    'extended',
    'again',
    'finished',
  ]);
  expect(Number(events[4].at_ms) - Number(events[3].at_ms)).toBe(7000);
  const register = await app
    .db('attendance')
    .join('participants', 'participants.id', 'attendance.participant_id')
    .where({ session_id: run.session_id })
    .orderBy('name')
    .select('name', 'mark', 'arrived_at');
  expect(register.map((r) => [r.name, r.mark, r.arrived_at.getTime()])).toEqual([
    ['Lotte', 'here', startedAt - START_IN_MS],
    ['Piet', 'here', startedAt - START_IN_MS],
  ]);

  await page.goto('/people');
  await expect(page.getByRole('row', { name: /Lotte/ })).toContainText('First steps');
  await page.getByRole('link', { name: 'Lotte' }).click();
  const seconds = Math.round(expectedMs / 1000);
  const took = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  await expect(page.getByRole('row', { name: /First steps/ })).toContainText(took);
});
