import type { Page } from '@playwright/test';
import type { App } from '../e2e/app';
import { heard, heardAt, recordOutput } from '../e2e/listen';
import { until } from '../scripts/lib/ports.mjs';
import { slowNetwork } from '../scripts/lib/slow-network.mjs';
import { launch } from './browser';
import { quantile } from './hour-long';

/**
 * How far apart devices are that follow over networks of 20 to 300 ms: what they show, what they are about to say,
 * and how soon they show what the teacher does. Two more follow over a quiet network.
 */

const DEVICES = 10;
const QUIET = 2;
/** The audio of the class is there once no device has asked for any for so long; that is waited for, at most. */
const SETTLED_MS = 8000;
const MOST_SETTLING_MS = 180_000;
/** As many countdowns as make a 95th percentile more than the worst but one. */
const WATCH_MS = 60_000;
const BENDS = 12;
const BETWEEN_MS = 1500;
/** How near to one another the same cue is on all devices, at most. */
const SAME_CUE_MS = 700;

/** What a page has noted of itself, at its machine's time of day. */
interface Noted {
  /** What was shown, when. */
  seen: [number, string][];
  /** When a sound is to be heard, and how long it is in seconds. */
  sounds: { at: number; seconds: number; stopped: boolean }[];
}

const of = (times: number[], share: number) =>
  quantile(
    times.toSorted((a, b) => a - b),
    share,
  );
const ms = (times: number[]) =>
  times.length === 0
    ? 'none seen'
    : `${of(times, 0.95).toFixed(0)} ms, p95 of ${times.length} (median ${of(times, 0.5).toFixed(0)} ms)`;

async function watched(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const noted: Noted = { seen: [], sounds: [] };
    Object.assign(window, { noted });
    new MutationObserver(() => {
      const [move, doing, countdown] = ['move', 'doing', 'countdown'].map(
        (id) => document.querySelector(`[data-testid="${id}"]`)?.textContent ?? '',
      );
      const now = `${move} ${doing} ${countdown}`;
      if (countdown && noted.seen.at(-1)?.[1] !== now) noted.seen.push([Date.now(), now]);
    }).observe(document, { subtree: true, childList: true, characterData: true });
    const { start, stop } = AudioBufferSourceNode.prototype;
    const made = new WeakMap<AudioBufferSourceNode, Noted['sounds'][number]>();
    AudioBufferSourceNode.prototype.start = function (when = 0, ...more) {
      const inMs = 1000 * Math.max(0, when - this.context.currentTime);
      const sound = { at: Date.now() + inMs, seconds: this.buffer?.duration ?? 0, stopped: false };
      made.set(this, sound);
      noted.sounds.push(sound);
      start.call(this, when, ...more);
    };
    AudioBufferSourceNode.prototype.stop = function (when) {
      const sound = made.get(this);
      if (sound && sound.at > Date.now()) sound.stopped = true;
      stop.call(this, when);
    };
  });
}

const notedBy = (page: Page): Promise<Noted> =>
  page.evaluate(() => (window as unknown as { noted: Noted }).noted);

/** When each cue was on each device: those are the same that are near to one another in time, and as long. */
function sameCues(
  devices: readonly (readonly { at: number; seconds: number }[])[],
): Map<string, number[]> {
  const cues: { at: number; seconds: number; times: number[] }[] = [];
  for (const { at, seconds } of devices.flat()) {
    const same = cues.find(
      (c) => Math.abs(c.at - at) < SAME_CUE_MS && Math.abs(c.seconds - seconds) < 0.001,
    );
    if (same) same.times.push(at);
    else cues.push({ at, seconds, times: [at] });
  }
  return new Map(cues.map(({ times }, n) => [String(n), times]));
}

/** How far apart the same thing was on all devices. */
function spreads(all: Map<string, number[]>): number[] {
  return [...all.values()]
    .filter((times) => times.length === DEVICES)
    .map((times) => Math.max(...times) - Math.min(...times));
}

/**
 * @param press what the teacher does to the class, and when by the server's clock
 */
export async function inStep(
  app: App,
  code: string,
  press: (type: 'paused' | 'resumed', at: number) => Promise<unknown>,
): Promise<void> {
  const to = Number(new URL(app.url).port);
  const browser = await launch('--autoplay-policy=no-user-gesture-required');
  const networks: { port: number; close: () => void }[] = [];
  try {
    let askedForSound = 0;
    const settled = () =>
      until(() => Date.now() - askedForSound > SETTLED_MS, MOST_SETTLING_MS).then((is) => {
        if (!is) console.log('the devices still fetch the audio of the class');
      });
    const device = async (port: number, { recorded = false } = {}) => {
      const context = await browser.newContext({
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 360, height: 740 },
        // As on a phone: where a mouse stands, the browser looks for what is under it at every change.
        hasTouch: true,
        isMobile: true,
        reducedMotion: 'reduce',
        // What records the sound is no script of the page.
        bypassCSP: recorded,
      });
      const page = await context.newPage();
      page.on('request', (request) => {
        if (request.url().includes('/api/follow/speech')) askedForSound = Date.now();
      });
      // What brings a function into the page gives it its name by this.
      await page.addInitScript('globalThis.__name = (named) => named');
      await page.addInitScript(() =>
        localStorage.setItem('upbeat-follow', JSON.stringify({ voice: 'class' })),
      );
      await (recorded ? recordOutput(page) : watched(page));
      await page.goto(`/follow/${code}`);
      await page.locator('html[data-ready]').waitFor({ state: 'attached' });
      await page.getByRole('button', { name: 'Come in' }).tap();
      await page.getByTestId('countdown').waitFor({ timeout: 60_000 });
      return page;
    };
    for (let n = 0; n < DEVICES; n++) {
      const delayMs = 10 + (140 * n) / (DEVICES - 1);
      networks.push(await slowNetwork({ to, delayMs, jitterMs: delayMs / 2, loss: 0.02 }));
    }
    const slow: Page[] = [];
    for (const { port } of networks) slow.push(await device(port));
    const quiet: Page[] = [];
    for (let n = 0; n < QUIET; n++) quiet.push(await device(to));
    // What is fetched for twelve devices is worked on by two cores: on a phone nobody else has the processor.
    await settled();
    const from = Date.now();
    await new Promise((resolve) => setTimeout(resolve, WATCH_MS));
    const before = await Promise.all(slow.map(notedBy));
    const shown = new Map<string, number[]>();
    for (const { seen } of before) {
      for (const [at, what] of seen.filter(([at]) => at >= from))
        shown.set(what, [...(shown.get(what) ?? []), at]);
    }
    const due = sameCues(
      before.map(({ sounds }) => sounds.filter(({ at, stopped }) => !stopped && at >= from)),
    );
    console.log(
      `${DEVICES} devices over networks of 20 to 300 ms there and back, with jitter and loss: the same countdown is shown within ${ms(spreads(shown))} (aim 100)`,
    );
    console.log(
      `the same cue is set to be heard within ${ms(spreads(due))} (aim 100; ${due.size} cues)`,
    );

    const serverNow = async () =>
      (
        (await (await fetch(`${app.url}/api/follow/time`)).json()) as {
          now: number;
        }
      ).now;
    const presses: number[] = [];
    for (let n = 0; n < BENDS; n++) {
      const at = await serverNow();
      presses.push(Date.now());
      await press(n % 2 ? 'resumed' : 'paused', at);
      await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS));
    }
    const taken = async (pages: readonly Page[]) => {
      const all: number[] = [];
      for (const { seen } of await Promise.all(pages.map(notedBy))) {
        presses.forEach((pressed, n) => {
          const paused = n % 2 === 0;
          const first = seen.find(([at, what]) => at >= pressed && /pause/.test(what) === paused);
          if (first && first[0] < pressed + BETWEEN_MS) all.push(first[0] - pressed);
        });
      }
      return all;
    };
    console.log(
      `what the teacher does is shown on a quiet network within ${ms(await taken(quiet))} of ${QUIET * BENDS} (aim 250); over the slow networks within ${ms(await taken(slow))} of ${DEVICES * BENDS}`,
    );

    // By themselves, since recording takes a thread of each device.
    for (const page of [...slow, ...quiet]) await page.context().close();
    const recorded: Page[] = [];
    for (const { port } of networks) recorded.push(await device(port, { recorded: true }));
    await settled();
    const since = Date.now();
    await new Promise((resolve) => setTimeout(resolve, WATCH_MS));
    const outputs = await Promise.all(recorded.map(heard));
    const began = sameCues(
      outputs.map((output) =>
        output.sources.flatMap((source) => {
          const at = source.kind === 'speech' ? heardAt(source, output) : null;
          return at !== null && at >= since ? [{ at, seconds: source.seconds }] : [];
        }),
      ),
    );
    console.log(
      `the same cue, recorded where it leaves each device, begins within ${ms(spreads(began))} (aim 100; ${began.size} cues)`,
    );
  } finally {
    for (const network of networks) network.close();
    await browser.close();
  }
}
