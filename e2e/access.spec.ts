import { randomUUID } from 'node:crypto';
import { emptyPlan } from '@/core/class';
import { wavOf } from '@/core/speech';
import { SIGN_IN_COOKIE, signInAs } from '@/server/auth/sign-ins';
import { createClass } from '@/server/classes/classes';
import { addParticipant } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import { saveRecording } from '@/server/speech/recordings';
import { expect, NOON, test } from './harness';
import { ownStudio } from './own-studio';

const PAGES = [
  '/',
  '/classes',
  '/people',
  '/people/rules',
  '/people/take-in',
  '/people/programmes',
  '/insights',
  `/people/register/${randomUUID()}`,
  '/voice',
  `/classes/${randomUUID()}`,
  `/lead/${randomUUID()}`,
];

test('a stranger is sent to sign in from every page and refused by every handler', async ({
  page,
}) => {
  for (const path of PAGES) {
    await page.goto(path);
    await expect(page).toHaveURL(/\/sign-in$/);
  }
  for (const path of [
    '/api/speech?text=Hi&language=en&rate=150',
    `/api/runs/${randomUUID()}/events`,
    '/api/recordings',
    '/api/people',
    '/api/insights?key=load',
    `/api/people/${randomUUID()}/held`,
    `/api/people/${randomUUID()}/streaks`,
    `/api/classes/${randomUUID()}/register?from=2026-11-02`,
    `/api/sessions/${randomUUID()}/roll`,
    `/api/recordings/${randomUUID()}`,
  ]) {
    expect((await page.request.get(path)).status()).toBe(401);
  }
});

test('a wrong password is told so, and what was typed stays', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill('ines@tern-quay.example');
  await page.getByLabel('Password').fill('not this');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'do not belong together' })).toBeVisible();
  await expect(page.getByLabel('Email')).toHaveValue('ines@tern-quay.example');
});

test('signing out ends the sign-in on the server too', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Enter the demo studio' }).click();
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  const cookies = await page.context().cookies();
  expect(cookies).toContainEqual(
    expect.objectContaining({ name: 'upbeat_sign_in', httpOnly: true, sameSite: 'Lax' }),
  );
  await page.getByRole('button', { name: /Account of/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
  await expect(page).toHaveURL(/\/sign-in$/);
  await page.context().addCookies(cookies);
  await page.goto('/');
  await expect(page).toHaveURL(/\/sign-in$/);
});

test("another studio's ids give 404 on pages and handlers", async ({ app, studio: page }) => {
  const scope = { studioId: randomUUID() };
  await app.db('studios').insert({
    id: scope.studioId,
    name: 'Elsewhere',
    time_zone: 'UTC',
    created_at: new Date(NOON),
  });
  const classId = await createClass(app.db, scope, emptyPlan('Not yours', 600), NOON);
  const personId = await addParticipant(app.db, scope, {
    person: { name: 'Not yours', contact: null },
    joinedOn: '2026-01-01',
    now: NOON,
  });
  const sessionId = await planSession(app.db, scope, {
    classId,
    startsAt: NOON - 86_400_000,
    now: NOON,
  });
  const runId = randomUUID();
  await app.db('runs').insert({
    id: runId,
    studio_id: scope.studioId,
    session_id: sessionId,
    created_at: new Date(NOON),
  });
  const teacher = { id: randomUUID(), studioId: scope.studioId };
  await app.db('teachers').insert({
    id: teacher.id,
    studio_id: scope.studioId,
    email: 'nobody@elsewhere.example',
    name: 'Not you',
    password_hash: 'none',
    created_at: new Date(NOON),
  });
  const cue = { language: 'en', text: 'Not yours.' } as const;
  const wav = wavOf({ samples: new Float32Array(2400), rate: 24_000 });
  const recording = await saveRecording(app.db, teacher, { ...cue, wav }, NOON);
  const device = randomUUID();
  for (const path of [
    `/classes/${classId}`,
    `/people/${personId}`,
    `/people/register/${classId}`,
    `/lead/${sessionId}`,
    '/classes/no-id',
  ]) {
    expect((await page.goto(path))?.status(), path).toBe(404);
  }
  const post = (path: string, data: object) => page.request.post(path, { data });
  const statuses = [
    await page.request.put(`/api/classes/${classId}`, {
      data: { plan: emptyPlan('x', 600), basedOn: 1 },
    }),
    await post(`/api/sessions/${sessionId}/prepare`, {}),
    await post(`/api/sessions/${sessionId}/close`, { id: randomUUID(), at: NOON, device }),
    await post(`/api/runs/${runId}/lead`, { device }),
    await post(`/api/runs/${runId}/events`, {
      device,
      events: [{ id: randomUUID(), at: NOON, type: 'started' }],
    }),
    await page.request.get(`/api/runs/${runId}/events`),
    await page.request.get(`/api/people/${personId}/held`),
    await page.request.get(`/api/people/${personId}/streaks`),
    await page.request.get(`/api/classes/${classId}/register?from=2026-11-02`),
    await page.request.get(`/api/sessions/${sessionId}/roll`),
    await page.request.get(`/api/sessions/${sessionId}/known?name=Ada`),
    await post(`/api/sessions/${sessionId}/marks`, {
      change: randomUUID(),
      participantId: personId,
      from: '2026-11-02',
      said: { mark: 'here' },
    }),
    await post(`/api/changes/${randomUUID()}`, { change: randomUUID(), from: '2026-11-02' }),
    await page.request.get(`/api/runs/${runId}/live`),
    await page.request.get(`/api/recordings/${recording.id}`),
    await page.request.delete(`/api/recordings/${recording.id}`, { data: {} }),
  ].map((response) => response.status());
  expect(statuses).toEqual(statuses.map(() => 404));
});

test('handlers refuse what is not as it should be, and say what', async ({ app, studio: page }) => {
  const { id } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  const refused = await page.request.put(`/api/classes/${id}`, {
    data: { plan: { format: 'x' }, basedOn: 1 },
  });
  expect(refused.status()).toBe(400);
  const body = await refused.json();
  expect(body.problems).toContainEqual({
    field: 'plan.format',
    message: 'must be "upbeat-class/1"',
  });
  const noJson = await page.request.put(`/api/classes/${id}`, {
    data: '{ "plan": ',
    headers: { 'Content-Type': 'application/json' },
  });
  expect(noJson.status()).toBe(400);
  const large = await page.request.put(`/api/classes/${id}`, {
    data: { plan: { name: 'x'.repeat(2_000_001) }, basedOn: 1 },
  });
  expect([large.status(), (await large.json()).code]).toEqual([413, 'too-large']);
  const foreign = await page.request.put(`/api/classes/${id}`, {
    data: {},
    headers: { 'Sec-Fetch-Site': 'cross-site' },
  });
  expect(foreign.status()).toBe(403);
  const elsewhere = await page.request.put(`/api/classes/${id}`, {
    data: {},
    headers: { Origin: 'https://elsewhere.example' },
  });
  expect(elsewhere.status()).toBe(403);
  // What a form of another site could send.
  const form = await page.request.put(`/api/classes/${id}`, {
    data: '{}',
    headers: { 'Content-Type': 'text/plain' },
  });
  expect([form.status(), (await form.json()).code]).toEqual([400, 'not-json']);
  const signOut = await page.request.post('/sign-out', {
    headers: { Origin: 'https://elsewhere.example' },
  });
  expect(signOut.status()).toBe(403);
  const unreadable = await fetch(`${app.url}/people/%FF`);
  expect([unreadable.status, await unreadable.text()]).toEqual([
    400,
    expect.stringContaining('address cannot be read'),
  ]);
  expect((await page.request.get('/people?find=%00')).status()).toBe(200);
  const answer = await page.request.get(`/api/classes/${id}`);
  expect(answer.headers()['cache-control']).toBe('no-store');
  expect(answer.headers()['content-security-policy']).toContain("script-src 'none'");
  expect(answer.headers()['x-content-type-options']).toBe('nosniff');
});

test('every page carries the security headers, keeps to them, and no inline script may run', async ({
  studio: page,
}) => {
  await page.addInitScript(() => {
    const breaches: string[] = [];
    Object.assign(window, { breaches });
    document.addEventListener('securitypolicyviolation', (e) => {
      breaches.push(`${e.violatedDirective} ${e.blockedURI}`);
    });
  });
  const breaches = () => page.evaluate(() => (window as never as { breaches: string[] }).breaches);
  for (const path of ['/', '/moves', '/people', '/voice']) {
    await page.goto(path);
    expect(await breaches(), path).toEqual([]);
  }
  const response = await page.goto('/classes');
  expect(await breaches()).toEqual([]);
  const headers = response?.headers() ?? {};
  const csp = headers['content-security-policy'] ?? '';
  expect(/script-src [^;]*/.exec(csp)?.[0]).toMatch(/'self' 'nonce-[\w+/=]+' 'strict-dynamic'$/);
  expect(csp).toContain("frame-ancestors 'none'");
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['referrer-policy']).toBe('strict-origin-when-cross-origin');
  const ran = await page.evaluate(() => {
    const frame =
      '<script>window.injected = true</script><button onclick="window.injected = true">';
    document.body.insertAdjacentHTML('beforeend', frame);
    document.querySelector<HTMLButtonElement>('button[onclick]')?.click();
    return (window as { injected?: boolean }).injected ?? false;
  });
  expect(ran).toBe(false);
});

test('who asks for more than may wait is told so, and nobody else waits with them', async ({
  app,
  studio,
}) => {
  const { id } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  const beside = await ownStudio(app, 'Beside');
  const token = await signInAs(app.db, beside.teacherId, NOON);
  // Nothing of what is asked for comes to an end.
  const stuck = await app.db.transaction();
  await stuck.raw('lock table classes in access exclusive mode');
  const refused: string[] = [];
  const greedy = Array.from({ length: 140 }, async () => {
    const answer = await studio.request.get(`/api/classes/${id}`);
    if (answer.status() === 429) refused.push(await answer.text());
    return answer.status();
  });
  // One is at work and a hundred wait.
  await expect.poll(() => refused.length).toBe(39);
  expect(JSON.parse(refused[0] ?? '')).toMatchObject({
    code: 'still-busy',
    message: expect.stringContaining('Wait a moment, then try again.'),
  });
  // A page tells it where it was asked, also of an action, which understands nothing but words.
  const acted = await studio.request.post('/people', { headers: { 'next-action': 'any' } });
  expect([acted.status(), acted.headers()['content-type']]).toEqual([429, 'text/plain']);
  expect(await acted.text()).toMatch(/Wait a moment, then try again\.$/);
  const headers = { cookie: `${SIGN_IN_COOKIE}=${token}` };
  expect((await fetch(`${app.url}/voice`, { headers })).status).toBe(200);
  await stuck.commit();
  const answers = await Promise.all(greedy);
  expect(answers.filter((status) => status === 200)).toHaveLength(101);
  // Once it is done there is room again.
  expect((await studio.request.get(`/api/classes/${id}`)).status()).toBe(200);
});
