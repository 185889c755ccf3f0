import { METRICS_TOKEN } from './app';
import { expect, test } from './harness';

test('the server tells what it does and counts it, and says nothing of people', async ({
  app,
  studio: page,
}) => {
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByLabel('Name, as they like to be called').fill('Quentina Secret');
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByRole('link', { name: 'Quentina Secret' })).toBeVisible();
  const { id } = await app.db('classes').orderByRaw("plan->>'name'").first('id');
  expect((await page.request.get(`/api/classes/${id}`)).status()).toBe(200);
  expect((await page.request.get(`/api/classes/${crypto.randomUUID()}`)).status()).toBe(404);
  const lines = app
    .log()
    .split('\n')
    .filter((line) => line.startsWith('{'))
    .map((line) => JSON.parse(line));
  const calls = lines.filter((line) => line.call === 'GET /api/classes/[id]');
  expect(calls.map((line) => line.status)).toEqual(expect.arrayContaining([200, 404]));
  expect(calls.find((line) => line.status === 404)).toMatchObject({ code: 'not-found' });
  expect(app.log()).not.toMatch(/Quentina|Marit|Loose jaw|\S@[\w-]+\.[a-z]{2,}/);

  // What an action says no to is no fault either: nobody is woken for it.
  await app.db('classes').where({ id }).update({ put_away_at: new Date() });
  await page.goto(`/classes/${id}`);
  const faults = app.log().split('a fault').length;
  await page.getByRole('button', { name: 'Lead class' }).click();
  await expect(
    page.getByText('This class is put away. Bring it back first, in Classes.'),
  ).toBeVisible();
  expect(app.log().split('a fault')).toHaveLength(faults);

  expect((await page.request.get('/metrics')).status()).toBe(404);
  const wrong = { Authorization: 'Bearer something else' };
  expect((await page.request.get('/metrics', { headers: wrong })).status()).toBe(404);
  const headers = { Authorization: `Bearer ${METRICS_TOKEN}` };
  const text = await (await page.request.get('/metrics', { headers })).text();
  expect(text).toMatch(
    /upbeat_call_seconds_count\{call="GET \/api\/classes\/\[id\]",status="404"\} [1-9]/,
  );
  expect(text).toMatch(/upbeat_refusals_total\{code="not-found"\} [1-9]/);
  expect(text).toMatch(/upbeat_refusals_total\{code="class-put-away"\} [1-9]/);
  expect(text).not.toMatch(/upbeat_errors_total\{where="action"\} [1-9]/);
  expect(text).toContain('upbeat_open_streams');
  expect(text).not.toMatch(/Quentina|Loose jaw/);
});
