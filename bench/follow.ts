import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { Agent, get, type IncomingMessage } from 'node:http';
import { CALLS } from '@/core/calls';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { behind, openDoor } from '@/server/follow/doors';
import { comeIn } from '@/server/follow/followers';
import { planSession } from '@/server/sessions/sessions';
import { App, METRICS_TOKEN, NOON } from '../e2e/app';
import { scriptOf } from '../e2e/page-weight';
import { freePort, until } from '../scripts/lib/ports.mjs';
import { quantile } from './hour-long';
import { inStep } from './in-step';

/**
 * Following in numbers. One event to 500 followers of one process, from the press of the teacher to the last of them,
 * beside a bare stream of the same bytes; what a follower costs; what the door weighs; and how far ten devices are
 * apart that follow over bad networks.
 */

const FOLLOWERS = 500;
const EVENTS = 300;
/** How long a class is led as classes are, to see what an hour costs: UPBEAT_BENCH_MINUTES=60 leads a whole one. */
const MINUTES = Number(process.env.UPBEAT_BENCH_MINUTES ?? 1);
const BEAT_S = 15;
/** How often a class is bent, and how often each device asks for the time. */
const BEND_S = 60;
const ASKS_S = 30;
/** How many strangers want in at once, again and again. */
const STRANGERS = 12;
const PRESSES = 60;

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
  let newest = 0;
  /** What came after the newest event that the teacher's device knows is asked for with each press. */
  const press = async (type: string, at = NOON) => {
    const asked = { device, events: [{ id: randomUUID(), at, type }], after: newest };
    const answer = await post(CALLS.sendEvents.path.replace('[id]', run.id), asked);
    newest = CALLS.sendEvents.answers.parse(answer).events.at(-1)?.seq ?? newest;
  };
  const { code } = await openDoor(db, scope, sessionId, NOON);
  const place = await behind(db, code, NOON);
  if (!place) throw new Error('the door leads nowhere');
  const tokens: string[] = [];
  for (let n = 0; n < FOLLOWERS; n++) tokens.push(await comeIn(db, place, { name: null }, NOON));
  await press('started');

  const before = await used();
  const lines = await crowd(
    `${app.url}/api/follow/live?after=100000`,
    tokens.map((token) => `upbeat_follow=${token}`),
  );
  const open = await used();
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
  const ours: number[] = [];
  const theirs: number[] = [];
  const alone: number[] = [];
  const bend = (n: number) => press(n % 2 ? 'resumed' : 'paused');
  // In turns, so that both have the machine as it is.
  const from = await used();
  for (let n = 0; n < EVENTS; n++) {
    ours.push(await lines.all(() => bend(n)));
    theirs.push(await bareLines.all(() => fetch(at, { method: 'POST', body: bytes })));
  }
  const after = await used();
  const bareAfter = await bareUsed();
  /** Processor seconds of so many minutes in which a class is led and followed. */
  const led = async (
    does: {
      bend: () => Promise<unknown>;
      beat?: () => Promise<unknown>;
      ask: () => Promise<unknown>;
    },
    cpu: () => Promise<number>,
  ) => {
    const from = await cpu();
    let asked = 0;
    for (let second = 1; second <= MINUTES * 60; second++) {
      const over = new Promise((resolve) => setTimeout(resolve, 1000));
      const now: Promise<unknown>[] = [];
      for (; asked < (second * FOLLOWERS) / ASKS_S; asked++) now.push(does.ask());
      if (second % BEND_S === 0) now.push(does.bend());
      if (second % BEAT_S === 0 && does.beat) now.push(does.beat());
      await Promise.all([over, ...now]);
    }
    return (await cpu()) - from;
  };
  const asked = async (url: string, cookie: string) =>
    (await fetch(url, { headers: { cookie } })).text();
  const ourCpu = async () => (await used()).cpu;
  let bends = 0;
  const ourStretch = {
    bend: () => bend(bends++),
    ask: () => asked(`${app.url}/api/follow/time`, `upbeat_follow=${tokens[0]}`),
  };
  const ourHour = ((await led(ourStretch, ourCpu)) * 60) / MINUTES;
  lines.close();
  for (let n = 0; n < EVENTS; n++) {
    const since = performance.now();
    await bend(n);
    alone.push(performance.now() - since);
  }

  const bareCpu = async () => {
    const { user, system } = (await bareUsed()).cpu;
    return (user + system) / 1e6;
  };
  const beat = 'event: beat\ndata: {}\n\n';
  const bareStretch = {
    bend: () => fetch(at, { method: 'POST', body: bytes }),
    beat: () => fetch(at, { method: 'POST', body: beat }),
    ask: () => asked(`${at}/used`, 'x=y'),
  };
  const bareHour = ((await led(bareStretch, bareCpu)) * 60) / MINUTES;
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
    `processor of one event to ${FOLLOWERS} followers / bare: ${((after.cpu - from.cpu) / (cpu(bareAfter.cpu) - cpu(bareOpen.cpu))).toFixed(1)} (${((1000 * (after.cpu - from.cpu)) / EVENTS).toFixed(1)} ms against ${((1000 * (cpu(bareAfter.cpu) - cpu(bareOpen.cpu))) / EVENTS).toFixed(1)})`,
  );

  console.log(
    `processor of an hour of ${FOLLOWERS} followers / bare, from ${MINUTES} min of it: ${(ourHour / bareHour).toFixed(1)} (${ourHour.toFixed(0)} s against ${bareHour.toFixed(0)} s)`,
  );

  const door = `${app.url}/follow/${code}`;
  const weight = await scriptOf(door);
  console.log(`script of the door of a class, compressed: ${kB(weight)} (aim 150 kB)`);

  await inStep(app, code, (type, at) => press(type, at));
  await flood(await (await fetch(door)).text());

  /** What the teacher's stage notices of strangers who want in, guess codes and show made-up cookies. */
  async function flood(page: string) {
    const form = new FormData();
    for (const [, name = '', value = ''] of page.matchAll(
      /<input type="hidden" name="([^"]+)"(?: value="([^"]*)")?/g,
    )) {
      form.append(name, value.replaceAll('&quot;', '"').replaceAll('&amp;', '&'));
    }
    form.append('name', '');
    const rest: number[] = [];
    const flooded: number[] = [];
    const pressed = async (into: number[]) => {
      for (let n = 0; n < PRESSES; n++) {
        const since = performance.now();
        await press(n % 2 ? 'resumed' : 'paused');
        into.push(performance.now() - since);
      }
    };
    await pressed(rest);
    let over = false;
    let sent = 0;
    const answered = new Map<number, number>();
    const stranger = async (nth: number) => {
      const headers = { cookie: 'upbeat_follow=made-up' };
      while (!over) {
        const way = (nth + sent++) % 3;
        const response =
          way === 0
            ? await fetch(`${app.url}/follow/${code}`, { method: 'POST', body: form })
            : way === 1
              ? await fetch(`${app.url}/api/follow/score`, { headers })
              : await fetch(`${app.url}/follow/ABC${String(sent).padStart(3, '2')}`);
        await response.arrayBuffer();
        answered.set(response.status, (answered.get(response.status) ?? 0) + 1);
      }
    };
    const all = Array.from({ length: STRANGERS }, (_, n) => stranger(n));
    await pressed(flooded);
    over = true;
    await Promise.all(all);
    const inside = await db('followers').where({ session_id: sessionId }).count();
    console.log(
      `the teacher's press while ${STRANGERS} strangers ask for all they can / at rest, p95: ${(p95(flooded) / p95(rest)).toFixed(1)} (${p95(flooded).toFixed(0)} ms against ${p95(rest).toFixed(0)}; ${sent} requests, answered ${[...answered].map(([status, n]) => `${n} times ${status}`).join(', ')}; ${Number(inside[0]?.count) - FOLLOWERS} came in)`,
    );
  }
} finally {
  await app.stop();
}
