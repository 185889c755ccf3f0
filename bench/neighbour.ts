import { emptyPlan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { SIGN_IN_COOKIE, signInAs } from '@/server/auth/sign-ins';
import { createClass } from '@/server/classes/classes';
import { makeStudio } from '@/server/studio/studios';
import { App, NOON } from '../e2e/app';
import { heavyPlan } from '../testing/plans';
import { quantile } from './hour-long';

/**
 * What one studio notices while another sends the worst that it may: a page and a cue, the 95th percentile against the
 * same server at rest. The heaviest classes that are taken, opened, saved and prepared again and again; lengths of
 * cues that were never said, four times at once; files with as much in them as is read.
 */

const LOOKS = 60;
const CLASSES = 12;

const app = await App.start();
const { db } = app;
const studio = async (name: string) => {
  const account = { name, email: `${name}@harbour.example`, password: 'terns over the pier' };
  const newClass = newClassOf(emptyPlan('New', 1200));
  const of = { studioName: name, timeZone: 'UTC', ...account, newClass };
  const teacherId = await makeStudio(db, of, NOON);
  const { studio_id: studioId } = await db('teachers').where({ id: teacherId }).first();
  const cookie = `${SIGN_IN_COOKIE}=${await signInAs(db, teacherId, NOON)}`;
  return { studioId, cookie };
};
try {
  const [bad, good] = [await studio('bad'), await studio('good')];
  const plan = heavyPlan();
  const ids: string[] = [];
  for (let i = 0; i < CLASSES; i++) ids.push(await createClass(db, bad, plan, NOON));
  await createClass(db, good, emptyPlan('A quiet class', 1200), NOON);

  let n = 0;
  /** A cue that nobody has said yet: what is about to be heard. */
  const cue = () => `/api/speech?language=en&rate=150&text=Soft+jaw+${n++}+${NOON}`;
  const ask = async (path: string, { cookie }: { cookie: string }, init: RequestInit = {}) => {
    const headers = { cookie, 'content-type': 'application/json' };
    const response = await fetch(app.url + path, { ...init, headers });
    await response.arrayBuffer();
    return response.status;
  };
  const timed = async (path: () => string) => {
    const all: number[] = [];
    for (let i = 0; i < LOOKS; i++) {
      const since = performance.now();
      const status = await ask(path(), good);
      if (status !== 200) throw new Error(`${path()} answered ${status}`);
      all.push(performance.now() - since);
    }
    return quantile(
      all.toSorted((a, b) => a - b),
      0.95,
    );
  };
  const both = async () => ({ page: await timed(() => '/classes'), cue: await timed(cue) });
  await both();
  const rest = await both();

  let over = false;
  const words = () =>
    Array.from({ length: 1000 }, (_, i) => ({
      text: `${i} ${n++} ${'slowly let the jaw sink and the tongue rest wide, '.repeat(4)}`.slice(
        0,
        239,
      ),
      language: 'en',
      wordsPerMinute: 80,
    }));
  const worst: (() => Promise<unknown>)[] = [
    () => ask('/classes', bad),
    () => ask(`/classes/${ids[n++ % CLASSES]}`, bad),
    () => ask(`/classes/${ids[n++ % CLASSES]}/print`, bad),
    () =>
      ask(`/api/classes/${ids[0]}`, bad, {
        method: 'PUT',
        body: JSON.stringify({ plan: { ...plan, name: `${n++}` }, basedOn: 1 }),
      }),
    ...Array.from({ length: 4 }, () => async () => {
      const signal = AbortSignal.timeout(20_000);
      const body = JSON.stringify({ utterances: words() });
      await ask('/api/speech/lengths', bad, { method: 'POST', body, signal }).catch(() => {});
    }),
  ];
  const busy = Promise.all(
    worst.map(async (act) => {
      while (!over) await act();
    }),
  );
  const beside = await both();
  over = true;
  await busy;
  for (const what of ['page', 'cue'] as const) {
    console.log(
      `another studio's ${what} beside the worst that one may send / the server at rest, p95: ${(beside[what] / rest[what]).toFixed(1)} (${beside[what].toFixed(0)} ms against ${rest[what].toFixed(0)} ms; aim 3)`,
    );
  }
} finally {
  await app.stop();
}
