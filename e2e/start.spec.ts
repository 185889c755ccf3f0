import { spawn } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { createClass } from '@/server/classes/classes';
import { planSession } from '@/server/sessions/sessions';
import { freePort, isFree } from '../scripts/lib/ports.mjs';
import { twoMinutes } from './counted';
import { expect, test } from './harness';

/** Processes that another one has started and that still run. */
const childrenOf = (pid: number): number[] =>
  readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean).map(Number);

test('npm start brings the application back when it dies in mid-hold, and the class goes on', async ({
  app,
  browser,
}) => {
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const started = spawn(process.execPath, ['scripts/start.mjs'], {
    env: { ...process.env, DATABASE_URL: app.databaseUrl, PORT: String(port), UPBEAT_DEMO: '1' },
  });
  const context = await browser.newContext({ baseURL: url });
  const over = new Promise((resolve) => started.once('close', resolve));
  let said = '';
  const ready = new Promise<void>((resolve, reject) => {
    const hear = (data: Buffer) => {
      said += data;
      if (said.includes('ready at')) resolve();
    };
    started.stdout.on('data', hear);
    started.stderr.on('data', hear);
    started.once('close', () => reject(new Error(`npm start ended: ${said}`)));
  });
  try {
    await ready;
    const now = Date.now();
    const { id: studioId } = await app.db('studios').where({ is_demo: true }).first('id');
    const classId = await createClass(app.db, { studioId }, twoMinutes(), now);
    const sessionId = await planSession(app.db, { studioId }, { classId, startsAt: now, now });
    const page = await context.newPage();
    const value = (await signInToDemo(app.db, now)) ?? '';
    await context.addCookies([{ name: SIGN_IN_COOKIE, value, url }]);
    await page.goto(`/lead/${sessionId}`);
    await page.getByText('The voice is ready.').waitFor();
    await page.getByRole('button', { name: 'Start the class' }).click();
    await expect(page.getByTestId('doing')).toHaveText('Work', { timeout: 60_000 });

    const [server, ...others] = childrenOf(started.pid ?? 0);
    if (!server || others.length > 0) throw new Error('the application was not found');
    process.kill(server, 'SIGKILL');
    await expect.poll(() => said).toContain('ended by itself. It is started again in 0.5 s.');
    await page.keyboard.press(' ');
    await expect(page.getByTestId('doing')).toHaveText('Paused');
    const stored = async () => {
      const run = await app.db('runs').where({ session_id: sessionId }).first('id');
      return app.db('run_events').where({ run_id: run.id }).orderBy('seq').pluck('type');
    };
    await expect.poll(stored, { timeout: 60_000 }).toEqual(['started', 'paused']);
    expect(existsSync(`/proc/${server}`)).toBe(false);
  } finally {
    started.kill('SIGTERM');
    await over;
  }
  // It ends although a stage is still open.
  expect(await isFree(port)).toBe(true);
  await context.close();
});
