import type { Page } from '@playwright/test';
import type { Plan } from '@/core/class';
import type { Score } from '@/core/score';
import { createClass } from '@/server/classes/classes';
import { planSession } from '@/server/sessions/sessions';
import { App, NOON } from '../e2e/app';
import { twoMinutes } from '../e2e/counted';
import { heard, heardAt, median, quantile, recordOutput, stalledAround } from '../e2e/listen';
import { launch } from './browser';
import { hourLong } from './hour-long';

/** How Lead keeps its time, how much work a look at the clock is, and whether its memory stays flat. */

const LISTEN_MS = 90_000;
const FRAMES_MS = 15_000;
const BUDGET_MS = 4;
/** How far from its time a sound is still taken to be a cue, in ms. */
const NEAR_MS = 400;

const app = await App.start();
const browser = await launch('--autoplay-policy=no-user-gesture-required');

async function openLead(page: Page, plan: Plan): Promise<string> {
  await page.goto(`${app.url}/sign-in`);
  await page.getByRole('button', { name: 'Enter the demo studio' }).click();
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const classId = await createClass(app.db, { studioId }, plan, NOON);
  const sessionId = await planSession(app.db, { studioId }, { classId, startsAt: NOON, now: NOON });
  await page.goto(`${app.url}/lead/${sessionId}`);
  await page.getByText('The voice is ready.').waitFor({ timeout: 240_000 });
  return sessionId;
}

/** How late plain timers are for the same times, in ms. */
const timersBeside = (page: Page, times: readonly number[]) =>
  page.evaluate((all) => {
    const late: number[] = [];
    Object.assign(window, { timersLate: late });
    const from = performance.now();
    for (const ms of all) setTimeout(() => late.push(performance.now() - from - ms), ms);
  }, times);

interface TraceEvent {
  name: string;
  pid: number;
  tid: number;
  /** Microseconds on the wall clock. */
  ts: number;
  /** Microseconds the thread itself worked, without what it waited for. */
  tdur?: number;
  args?: { name?: string; src_func?: string };
}

/**
 * What the main thread of the busiest page worked for each frame: looking at the clock, drawing, and all
 * else between two frames, in ms.
 */
function workByFrame(trace: string): number[] {
  const events: TraceEvent[] = JSON.parse(trace).traceEvents;
  const threadOf = ({ pid, tid }: TraceEvent) => `${pid} ${tid}`;
  const isMain = (e: TraceEvent) => e.name === 'thread_name' && e.args?.name === 'CrRendererMain';
  const mains = new Set(events.filter(isMain).map(threadOf));
  const tasks = events
    .filter((e) => e.name === 'ThreadControllerImpl::RunTask' && mains.has(threadOf(e)))
    .sort((a, b) => a.ts - b.ts);
  const threads = new Map<string, { frames: number[]; total: number; sinceFrame: number }>();
  for (const task of tasks) {
    const known = threads.get(threadOf(task)) ?? { frames: [], total: 0, sinceFrame: 0 };
    threads.set(threadOf(task), known);
    const ms = (task.tdur ?? 0) / 1000;
    known.total += ms;
    known.sinceFrame += ms;
    if (task.args?.src_func !== 'ScheduledActionSendBeginMainFrame') continue;
    known.frames.push(known.sinceFrame);
    known.sinceFrame = 0;
  }
  return [...threads.values()].sort((a, b) => b.total - a.total)[0]?.frames ?? [];
}

try {
  app.runClock(NOON);
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    bypassCSP: true,
  });
  const page = await context.newPage();
  // The script's runner names functions by a helper that a page does not have.
  await page.addInitScript('globalThis.__name = (named) => named');
  await recordOutput(page);
  const sessionId = await openLead(page, twoMinutes());
  const { score } = await app.db('runs').where({ session_id: sessionId }).first('score');
  const cues = (score as Score).cues.filter((c) => c.startMs < LISTEN_MS);
  await page.waitForLoadState('networkidle');
  await page.getByRole('button', { name: 'Start the class' }).click();
  await timersBeside(
    page,
    cues.map((c) => c.startMs),
  );
  await page.waitForTimeout(LISTEN_MS + 3000);
  const output = await heard(page);
  const spoken = output.sources.filter((s) => s.kind === 'speech').sort((a, b) => a.when - b.when);
  const begin = median(spoken.slice(0, 9).map((s, i) => s.when * 1000 - (cues[i]?.startMs ?? 0)));
  const late = spoken.flatMap((source) => {
    const cue = cues.find((c) => Math.abs(source.when * 1000 - begin - c.startMs) < NEAR_MS);
    const at = cue && !stalledAround(source, output) ? heardAt(source, output) : null;
    return cue && at !== null ? at - cue.startMs : [];
  });
  const usual = median(late);
  const off = late.map((ms) => Math.abs(ms - usual));
  const timers = await page.evaluate(
    () => (window as unknown as { timersLate: number[] }).timersLate,
  );
  const [p99, timersP99] = [quantile(off, 0.99), quantile(timers, 0.99)];
  console.log(
    `cues off their time, plain timers / audio clock, p99: ${(timersP99 / p99).toFixed(1)} (${timersP99.toFixed(1)} ms against ${p99.toFixed(1)} ms, ${off.length} of ${cues.length} cues, the audio device steady)`,
  );
  await context.close();

  // The work of the stage, on a page that nobody listens in on.
  const stage = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await openLead(stage, twoMinutes());
  await stage.waitForLoadState('networkidle');
  await stage.getByRole('button', { name: 'Start the class' }).click();
  await stage.waitForTimeout(5000);

  await browser.startTracing(stage, { categories: ['toplevel'] });
  await stage.waitForTimeout(FRAMES_MS);
  const frames = workByFrame((await browser.stopTracing()).toString());
  const [usually, worst] = [median(frames), quantile(frames, 0.95)];
  console.log(
    `work of the stage a frame / budget of ${BUDGET_MS} ms: ${(usually / BUDGET_MS).toFixed(2)} (main thread, painting without a graphics card included: median ${usually.toFixed(1)} ms, p95 ${worst.toFixed(1)} ms, ${(frames.length / (FRAMES_MS / 1000)).toFixed(1)} frames a second)`,
  );
  await stage.close();

  // A whole hour on a clock that is wound forward.
  const wound = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await openLead(wound, hourLong());
  app.setClock(NOON);
  await wound.clock.install({ time: NOON - 60_000 });
  await wound.clock.pauseAt(NOON);
  await wound.reload();
  await wound.getByText('The voice is ready.').waitFor({ timeout: 60_000 });
  await wound.getByRole('button', { name: 'Start the class' }).click();
  const inspect = await wound.context().newCDPSession(wound);
  await inspect.send('HeapProfiler.enable');
  const heap = async () => {
    await inspect.send('HeapProfiler.collectGarbage');
    return (await inspect.send('Runtime.getHeapUsage')).usedSize / 1e6;
  };
  const wind = async (minutes: number) => {
    for (let i = 0; i < minutes; i++) await wound.clock.runFor(60_000);
  };
  await wind(10);
  const early = await heap();
  await wind(48);
  const end = await heap();
  console.log(
    `memory after 58 minutes of leading / after 10: ${(end / early).toFixed(2)} (${early.toFixed(0)} MB, ${end.toFixed(0)} MB)`,
  );
} finally {
  await browser.close();
  await app.stop();
}
