import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { Agent, get, type IncomingMessage } from 'node:http';
import { gunzipSync } from 'node:zlib';
import { CALLS } from '@/core/calls';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { behind, openDoor } from '@/server/follow/doors';
import { comeIn } from '@/server/follow/followers';
import { planSession } from '@/server/sessions/sessions';
import { App, METRICS_TOKEN, NOON } from '../e2e/app';
import { freePort, until } from '../scripts/lib/ports.mjs';
import { slowNetwork } from '../scripts/lib/slow-network.mjs';
import { launch } from './browser';
import { quantile } from './hour-long';

/**
 * Following in numbers. One event to 500 followers of one process, from the press of the teacher to the last of them,
 * beside a bare stream of the same bytes; what a follower costs; what the door weighs; and how far ten devices are
 * apart that follow over bad networks.
 */

const FOLLOWERS = 500;
const EVENTS = 40;
const DEVICES = 10;
const WATCH_MS = 25_000;

const app = await App.start();
const { db } = app;
const agent = new Agent({ maxSockets: Number.POSITIVE_INFINITY, keepAlive: true });
const p95 = (all: number[]) =>
  quantile(
    all.toSorted((a, b) => a - b),
    0.95,
  );

/** Holds lines open, and tells when something new has come on all of them. */
async function crowd(url: string, cookies: readonly string[]) {
  let heard = 0;
  let wake = () => {};
  const lines: IncomingMessage[] = [];
  for (const cookie of cookies) {
    const line = await new Promise<IncomingMessage>((resolve, reject) => {
      get(url, { agent, headers: { cookie } }, resolve).on('error', reject);
    });
    lines.push(line);
    line.on('data', (part: Buffer) => {
      // A beat is nothing new.
      if (!part.includes('"events":[{') && !part.includes('bare')) return;
      heard++;
      if (heard === cookies.length) wake();
    });
  }
  return {
    /** How long it takes until all have heard of what is done, in ms. */
    all: async (act: () => Promise<unknown>) => {
      heard = 0;
      const whole = new Promise<void>((resolve) => {
        wake = resolve;
      });
      const since = performance.now();
      await Promise.all([act(), whole]);
      return performance.now() - since;
    },
    close: () => {
      for (const line of lines) line.destroy();
    },
  };
}

const metric = async (name: string) => {
  const headers = { authorization: `Bearer ${METRICS_TOKEN}` };
  const text = await (await fetch(`${app.url}/metrics`, { headers })).text();
  return Number(new RegExp(`^${name} (\\S+)$`, 'm').exec(text)?.[1]);
};
const used = async () => ({
  cpu: await metric('upbeat_process_cpu_seconds_total'),
  memory: await metric('upbeat_process_resident_memory_bytes'),
});

try {
  const cookie = `${SIGN_IN_COOKIE}=${await signInToDemo(db, NOON)}`;
  const headers = { cookie, 'content-type': 'application/json' };
  const post = async (path: string, body: object) => {
    const response = await fetch(app.url + path, {
      method: 'POST',
      headers,
      body: JSON.stringify(body),
    });
    if (!response.ok) throw new Error(`${path} answered ${response.status}`);
    return response.json();
  };
  const row = await db('classes').whereRaw("plan->>'name' ilike '%jaw%'").first('id', 'studio_id');
  const scope = { studioId: row.studio_id as string };
  const of = { classId: row.id as string, startsAt: NOON, now: NOON };
  const sessionId = await planSession(db, scope, of);
  await post(`/api/sessions/${sessionId}/prepare`, {});
  const run = await db('runs').where({ session_id: sessionId }).first('id');
  const device = randomUUID();
  const bend = (type: string) => ({ id: randomUUID(), at: NOON, type });
  const press = (type: string) =>
    post(CALLS.sendEvents.path.replace('[id]', run.id), { device, events: [bend(type)], after: 0 });
  const { code } = await openDoor(db, scope, sessionId, NOON);
  const door = await behind(db, code, NOON);
  if (!door) throw new Error('the door leads nowhere');
  const tokens: string[] = [];
  for (let n = 0; n < FOLLOWERS; n++) tokens.push(await comeIn(db, door, { name: null }, NOON));
  await press('started');

  const before = await used();
  const lines = await crowd(
    `${app.url}/api/follow/live?after=100000`,
    tokens.map((token) => `upbeat_follow=${token}`),
  );
  const open = await used();
  const ours: number[] = [];
  for (let n = 0; n < EVENTS; n++)
    ours.push(await lines.all(() => press(n % 2 ? 'resumed' : 'paused')));
  const after = await used();
  const alone: number[] = [];
  lines.close();
  for (let n = 0; n < EVENTS; n++) {
    const since = performance.now();
    await press(n % 2 ? 'resumed' : 'paused');
    alone.push(performance.now() - since);
  }

  const port = await freePort();
  const bare = spawn(process.execPath, ['--import', 'tsx', 'bench/bare-stream.ts'], {
    env: { ...process.env, PORT: String(port) },
    stdio: 'ignore',
  });
  const at = `http://127.0.0.1:${port}`;
  const bareUsed = async () =>
    (await (await fetch(`${at}/used`)).json()) as {
      cpu: { user: number; system: number };
      memory: number;
    };
  await until(async () => (await fetch(`${at}/used`).catch(() => null))?.ok ?? false, 20_000);
  const bareBefore = await bareUsed();
  const bareLines = await crowd(
    at,
    tokens.map(() => 'x=y'),
  );
  const bareOpen = await bareUsed();
  const bytes = `id: 7\ndata: {"bare":"${'x'.repeat(180)}"}\n\n`;
  const theirs: number[] = [];
  for (let n = 0; n < EVENTS; n++) {
    theirs.push(await bareLines.all(() => fetch(at, { method: 'POST', body: bytes })));
  }
  const bareAfter = await bareUsed();
  bareLines.close();
  bare.kill();
  const kB = (bytes: number) => `${(bytes / 1000).toFixed(0)} kB`;
  const cpu = (u: { user: number; system: number }) => (u.user + u.system) / 1e6;
  console.log(
    `one event to ${FOLLOWERS} followers, from the press to the last / a bare stream of the same bytes, p95: ${(p95(ours) / p95(theirs)).toFixed(1)} (${p95(ours).toFixed(0)} ms against ${p95(theirs).toFixed(0)}; aim 1.3; the press alone, answered, takes ${p95(alone).toFixed(0)} ms)`,
  );
  console.log(
    `memory a follower / of a bare line: ${((open.memory - before.memory) / (bareOpen.memory - bareBefore.memory)).toFixed(1)} (${kB((open.memory - before.memory) / FOLLOWERS)} against ${kB((bareOpen.memory - bareBefore.memory) / FOLLOWERS)})`,
  );
  console.log(
    `processor of one event to ${FOLLOWERS} followers / bare: ${((after.cpu - open.cpu) / (cpu(bareAfter.cpu) - cpu(bareOpen.cpu))).toFixed(1)} (${((1000 * (after.cpu - open.cpu)) / EVENTS).toFixed(1)} ms against ${((1000 * (cpu(bareAfter.cpu) - cpu(bareOpen.cpu))) / EVENTS).toFixed(1)})`,
  );

  const page = await (await fetch(`${app.url}/follow/${code}`)).text();
  // Those that only old browsers load are not counted.
  const tags = (page.match(/<script[^>]*>/g) ?? []).filter((tag) => !/nomodule/i.test(tag));
  const scripts = new Set(tags.flatMap((tag) => /src="([^"]+\.js)"/.exec(tag)?.[1] ?? []));
  let weight = 0;
  for (const script of scripts) {
    weight += await new Promise<number>((resolve, reject) => {
      const asked = get(`${app.url}${script}`, { headers: { 'accept-encoding': 'gzip' } }, (r) => {
        const parts: Buffer[] = [];
        r.on('data', (part: Buffer) => parts.push(part));
        r.on('end', () => {
          const all = Buffer.concat(parts);
          if (r.headers['content-encoding'] === 'gzip') gunzipSync(all);
          resolve(all.length);
        });
      });
      asked.on('error', reject);
    });
  }
  console.log(`script of the door of a class, compressed: ${kB(weight)} (aim 150 kB)`);

  await inStep(code);
} finally {
  await app.stop();
}

/** How far apart devices show the same countdown that follow over networks of 20 to 300 ms. */
async function inStep(code: string): Promise<void> {
  const to = Number(new URL(app.url).port);
  const browser = await launch();
  try {
    const devices = await Promise.all(
      Array.from({ length: DEVICES }, async (_, n) => {
        const delayMs = 10 + (140 * n) / (DEVICES - 1);
        const network = await slowNetwork({ to, delayMs, jitterMs: delayMs / 2, loss: 0.02 });
        const context = await browser.newContext({
          viewport: { width: 360, height: 740 },
          reducedMotion: 'reduce',
        });
        await context.addInitScript(() => {
          const seen: [number, string][] = [];
          Object.assign(window, { seen });
          // No function here may have a name: what brings it into the page would have to know it.
          new MutationObserver(() => {
            const [move, doing, countdown] = ['move', 'doing', 'countdown'].map(
              (id) => document.querySelector(`[data-testid="${id}"]`)?.textContent ?? '',
            );
            const now = `${move} ${doing} ${countdown}`;
            if (countdown && seen.at(-1)?.[1] !== now) seen.push([Date.now(), now]);
          }).observe(document, { subtree: true, childList: true, characterData: true });
        });
        const page = await context.newPage();
        return { page, network };
      }),
    );
    for (const { page, network } of devices) {
      await page.goto(`http://127.0.0.1:${network.port}/follow/${code}`);
      await page.locator('html[data-ready]').waitFor({ state: 'attached' });
      await page.getByRole('button', { name: 'Come in' }).click();
      await page.getByTestId('countdown').waitFor({ timeout: 60_000 });
    }
    await new Promise((resolve) => setTimeout(resolve, WATCH_MS));
    const all = await Promise.all(
      devices.map(({ page }) =>
        page.evaluate(() => (window as unknown as { seen: [number, string][] }).seen),
      ),
    );
    const times = new Map<string, number[]>();
    for (const seen of all) {
      for (const [at, what] of seen) times.set(what, [...(times.get(what) ?? []), at]);
    }
    const spreads = [...times.values()]
      .filter((t) => t.length === DEVICES)
      .map((t) => Math.max(...t) - Math.min(...t));
    console.log(
      `${DEVICES} devices over networks of 20 to 300 ms there and back, with jitter and loss: the same countdown is shown within ${p95(spreads).toFixed(0)} ms of one another, p95 of ${spreads.length} moments (median ${quantile(
        spreads.toSorted((a, b) => a - b),
        0.5,
      ).toFixed(0)} ms; aim 100)`,
    );
    for (const { network } of devices) network.close();
  } finally {
    await browser.close();
  }
}
