import type { Page } from '@playwright/test';
import { emptyPlan, type Plan, type Segment } from '@/core/class';
import { type NewRunEvent, position } from '@/core/run';
import type { Score } from '@/core/score';
import { createClass } from '@/server/classes/classes';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import type { App } from './app';
import { test as base, begin, type Clock, expect, NOON, stored } from './harness';

export const segment = (id: string, move: string, rest: Partial<Segment>): Segment => ({
  id,
  move,
  dose: { kind: 'hold', seconds: 30 },
  sides: 'together',
  rounds: 1,
  releaseSeconds: 12,
  restSeconds: 4,
  ...rest,
});
export const block = (id: string, ...segments: Segment[]) => ({
  id,
  order: 'straight' as const,
  laps: 1,
  segments,
});

function plan(): Plan {
  const empty = emptyPlan('On the stage', 420);
  return {
    ...empty,
    phases: {
      ...empty.phases,
      warmUp: [block('b1', segment('s1', 'chin-over-shoulder', { sides: 'each' }))],
      work: [
        block('b2', segment('s2', 'tall-o-cheek-lift', { rounds: 2 })),
        block('b3', segment('s3', 'soft-jaw-drop', {})),
      ],
      close: [
        block(
          'b4',
          segment('s4', 'slow-belly-breaths', {
            dose: { kind: 'breaths', breaths: 4, pattern: { in: 4, hold: 0, out: 6, pause: 0 } },
          }),
        ),
      ],
    },
  };
}

interface Led {
  sessionId: string;
  /** Where a step begins, in ms from the start. */
  startOf: (stepId: string) => number;
  score: Score;
  ada: string;
}

/** A class of our own with two people booked, opened in Lead on a clock that stands. */
async function open(
  app: App,
  page: Page,
  clock: Clock,
  led: Plan,
): Promise<Omit<Led, 'startOf' | 'score'>> {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const scope = { studioId };
  const classId = await createClass(app.db, scope, led, NOON);
  const person = async (name: string) => {
    const id = await addParticipant(app.db, scope, {
      person: { name, contact: null },
      joinedOn: '2026-01-01',
      now: NOON,
    });
    await book(app.db, scope, { participantId: id, classId, now: NOON - 1000 });
    return id;
  };
  const ada = await person('Ada');
  await person('Ben');
  await app
    .db('participants')
    .where({ id: ada })
    .update({ cautions: JSON.stringify([{ caution: 'jaw' }]), cautions_consent_on: '2026-01-01' });
  const sessionId = await planSession(app.db, scope, { classId, startsAt: NOON, now: NOON });
  await clock.stand();
  const ready = page.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
  await page.goto(`/lead/${sessionId}`);
  await (await ready).finished();
  await expect(page.getByText('The voice is ready.')).toBeVisible();
  return { sessionId, ada };
}

/** The same, started. */
export async function lead(
  app: App,
  page: Page,
  clock: Clock,
  led = plan(),
  before = async () => {},
): Promise<Led> {
  const opened = await open(app, page, clock, led);
  await before();
  await stored(page, () => page.getByRole('button', { name: 'Ada: here' }).click());
  await begin(page, clock);
  const run = await app.db('runs').where({ session_id: opened.sessionId }).first('score');
  const score = run.score as Score;
  const startOf = (stepId: string) => {
    const step = score.steps.find((s) => s.id === stepId);
    if (!step) throw new Error(`no ${stepId} among ${score.steps.map((s) => s.id).join(', ')}`);
    return step.startMs;
  };
  return { ...opened, score, startOf };
}

export const test = base.extend<{ opened: Omit<Led, 'startOf' | 'score'>; led: Led; held: Led }>({
  /** A class that is ready to begin. */
  opened: async ({ app, studio, clock }, use) => use(await open(app, studio, clock, plan())),
  /** A class that has just begun. */
  led: async ({ app, studio, clock }, use) => use(await lead(app, studio, clock)),
  /** The same, in the middle of its first hold. */
  held: async ({ led, clock }, use) => {
    await clock.passInStrides(led.startOf('s2.1.work.both') + 1500);
    await use(led);
  },
});

export const shown = async (page: Page) => {
  const text = (id: string) => page.getByTestId(id).textContent();
  return {
    move: await text('move'),
    doing: await text('doing'),
    round: await text('round'),
    countdown: await text('countdown'),
    toGo: await text('to-go'),
  };
};

/** Where the server's log says that the class is. */
export async function projected(app: App, sessionId: string, now: number) {
  const run = await app.db('runs').where({ session_id: sessionId }).first('id', 'score', 'easier');
  const rows = await app.db('run_events').where({ run_id: run.id }).orderBy('seq');
  const events = rows.map(
    (row) => ({ id: row.id, at: Number(row.at_ms), type: row.type, ...row.data }) as NewRunEvent,
  );
  const state = position(run.score, events, now, run.easier);
  const part = state.queue[state.index];
  const leftMs = part ? part.step.durationMs + part.extraMs - state.elapsedMs : 0;
  return { state, events, countdown: String(Math.ceil(leftMs / 1000)) };
}

/** Whether the page of a session is on the device. */
export const keepsStage = (page: Page, sessionId: string) =>
  page.evaluate(
    async (url) => (await caches.match(url, { ignoreVary: true })) !== undefined,
    `/lead/${sessionId}`,
  );
