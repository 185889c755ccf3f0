import type { Score } from '@/core/score';
import { createClass } from '@/server/classes/classes';
import { planSession } from '@/server/sessions/sessions';
import { enterDemo, expect, NOON, test } from './harness';
import {
  heard,
  heardAt,
  median,
  quantile,
  recordOutput,
  type Source,
  stalledAround,
} from './listen';
import { twoMinutes } from './two-minutes';

const WITHIN_MS = 20;

// What comes out is recorded by a script that the page itself would not allow.
test.use({ bypassCSP: true });
// A shared machine may be too busy to play sound for seconds on end; it is given three chances.
test.describe.configure({ retries: 2 });

test('in real time every cue and count is heard at its time, none over another', async ({
  app,
  page,
}) => {
  test.setTimeout(240_000);
  app.runClock(NOON);
  await recordOutput(page);
  await enterDemo(page);
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const classId = await createClass(app.db, { studioId }, twoMinutes(), NOON);
  const sessionId = await planSession(app.db, { studioId }, classId, NOON, NOON);
  await page.goto(`/lead/${sessionId}`);
  await page.getByText('The voice is ready.').waitFor({ timeout: 30_000 });
  await page.waitForLoadState('networkidle');
  await page.getByRole('button', { name: 'Start the class' }).click();
  const { score } = await app.db('runs').where({ session_id: sessionId }).first('score');
  const { cues, totalMs } = score as Score;
  expect(totalMs).toBeGreaterThan(100_000);
  await page
    .getByRole('heading', { name: 'Is the register right?' })
    .waitFor({ timeout: totalMs + 20_000 });
  const output = await heard(page);
  const spoken = output.sources.filter((s) => s.kind === 'speech').sort((a, b) => a.when - b.when);

  // Every cue is said, once, and is over before the next.
  expect(spoken).toHaveLength(cues.length);
  const over = spoken.filter((s, i) => {
    const next: Source | undefined = spoken[i + 1];
    return next && s.when + s.seconds > next.when;
  });
  expect(over).toEqual([]);

  // When it really came out, against when the score has it; what is the same for all is the way
  // through the sound card.
  const late = cues.map((cue, i) => {
    const at = heardAt(spoken[i] as Source, output);
    expect(at, `"${cue.text}" was not heard`).not.toBeNull();
    return (at ?? 0) - cue.startMs;
  });
  const usual = median(late);
  const off = late.map((ms) => Math.abs(ms - usual));
  // On a machine that drops audio now and then, what was due around then is told apart.
  const steady = off.filter((_, i) => !stalledAround(spoken[i] as Source, output));
  console.log(
    `${cues.length} cues in ${Math.round(totalMs / 1000)} s: p50 ${quantile(off, 0.5).toFixed(1)} ms, p90 ${quantile(off, 0.9).toFixed(1)} ms from their time; ${steady.length} of them with the audio device steady: p99 ${quantile(steady, 0.99).toFixed(1)} ms`,
  );
  test.skip(
    steady.length < 0.8 * cues.length,
    'The audio device of this machine stalls too often.',
  );
  expect(quantile(steady, 0.99)).toBeLessThanOrEqual(WITHIN_MS);
  expect(quantile(off, 0.8)).toBeLessThanOrEqual(WITHIN_MS);
  expect(cues.filter((cue) => cue.kind === 'count').length).toBeGreaterThanOrEqual(20);
});
