import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { emptyPlan, type Plan, type Segment } from '@/core/class';
import { position, type RunEventDraft } from '@/core/run';
import type { Score } from '@/core/score';
import { createClass } from '@/server/classes/classes';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import { startPostgres } from '../scripts/lib/postgres.mjs';
import type { App } from './app';
import {
  test as base,
  begin,
  type Clock,
  enterDemo,
  expect,
  NOON,
  START_IN_MS,
  stored,
} from './harness';

const segment = (id: string, move: string, rest: Partial<Segment>): Segment => ({
  id,
  move,
  dose: { kind: 'hold', seconds: 30 },
  sides: 'together',
  rounds: 1,
  releaseSeconds: 12,
  restSeconds: 4,
  ...rest,
});
const block = (id: string, ...segments: Segment[]) => ({
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
    const id = await addParticipant(app.db, scope, { name, contact: null }, '2026-01-01', NOON);
    await book(app.db, scope, id, classId, NOON - 1000);
    return id;
  };
  const ada = await person('Ada');
  await person('Ben');
  await app
    .db('participants')
    .where({ id: ada })
    .update({ cautions: JSON.stringify([{ caution: 'jaw' }]), cautions_consent_on: '2026-01-01' });
  const sessionId = await planSession(app.db, scope, classId, NOON, NOON);
  await clock.stand();
  const ready = page.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
  await page.goto(`/lead/${sessionId}`);
  await (await ready).finished();
  await expect(page.getByText('The voice is ready.')).toBeVisible();
  return { sessionId, ada };
}

/** The same, started. */
async function lead(app: App, page: Page, clock: Clock, led = plan()): Promise<Led> {
  const opened = await open(app, page, clock, led);
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

const test = base.extend<{ led: Led; held: Led }>({
  /** A class that has just begun. */
  led: async ({ app, studio, clock }, use) => use(await lead(app, studio, clock)),
  /** The same, in the middle of its first hold. */
  held: async ({ led, clock }, use) => {
    await clock.pass(led.startOf('s2.1.work.both') + 1500);
    await use(led);
  },
});

const shown = async (page: Page) => {
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
async function projected(app: App, sessionId: string, now: number) {
  const run = await app.db('runs').where({ session_id: sessionId }).first('id', 'score', 'easier');
  const rows = await app.db('run_events').where({ run_id: run.id }).orderBy('seq');
  const events = rows.map(
    (row) => ({ id: row.id, at: Number(row.at_ms), type: row.type, ...row.data }) as RunEventDraft,
  );
  const state = position(run.score, events, now, run.easier);
  const part = state.queue[state.index];
  const leftMs = part ? part.step.durationMs + part.extraMs - state.elapsedMs : 0;
  return { state, events, countdown: String(Math.ceil(leftMs / 1000)) };
}

const UNDONE: [what: string, key: string, changes: 'place' | 'length'][] = [
  ['pause', ' ', 'place'],
  ['pause by a presenter’s remote', 'b', 'place'],
  ['again from the upbeat', 'a', 'place'],
  ['back', 'ArrowLeft', 'place'],
  ['back by a remote', 'PageUp', 'place'],
  ['next', 'ArrowRight', 'place'],
  ['next by a remote', 'PageDown', 'place'],
  ['10 s longer', '+', 'length'],
  ['5 counts more', 'c', 'length'],
  ['one more round', 'r', 'length'],
  ['a shorter rest', ',', 'length'],
  ['a longer rest', '.', 'length'],
  ['the easier version', 'g', 'place'],
  ['skip the block', 's', 'place'],
  ['to the close', 'w', 'place'],
];

test('every bend shows at once, moves the finish, and is taken back', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf },
}) => {
  test.setTimeout(120_000);
  await clock.pass(startOf('s2.1.work.both') + 5500);
  await expect(page.getByTestId('doing')).toHaveText('Work');
  const before = await shown(page);
  for (const [what, key, changes] of UNDONE) {
    await page.keyboard.press(key);
    await expect(page.getByTestId('undo'), what).toBeVisible();
    const after = await shown(page);
    if (changes === 'length') expect(after.toGo, what).not.toBe(before.toGo);
    else expect({ ...after, toGo: '' }, what).not.toEqual({ ...before, toGo: '' });
    await page.keyboard.press('u');
    await expect(page.getByTestId('undo'), what).toBeHidden();
    expect(await shown(page), what).toEqual(before);
  }
  // A press on the ribbon jumps there, and is taken back as well.
  await page.getByRole('button', { name: /^Slow belly breaths, / }).click();
  await expect(page.getByTestId('move')).toHaveText('Slow belly breaths');
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('move')).toHaveText(before.move ?? '');
  expect(await shown(page)).toEqual(before);
  await expect
    .poll(async () => {
      const { events } = await projected(app, sessionId, clock.now);
      return events.filter((e) => e.type === 'undone').length;
    })
    .toBe(UNDONE.length + 1);
  expect((await projected(app, sessionId, clock.now)).countdown).toBe(before.countdown);

  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
    [360, 740],
  ] as const) {
    await page.setViewportSize({ width, height });
    const over = await page.evaluate(() => ({
      wide: document.documentElement.scrollWidth - innerWidth,
      high: document.documentElement.scrollHeight - innerHeight,
    }));
    expect(over.wide, `${width} wide`).toBeLessThanOrEqual(0);
    if (width > 1000) expect(over.high, `${height} high`).toBeLessThanOrEqual(0);
  }
});

test('a bend can be taken back for ten seconds and no longer', async ({
  studio: page,
  clock,
  held: _,
}) => {
  await stored(page, () => page.keyboard.press('+'));
  await clock.pass(9500);
  await expect(page.getByTestId('undo')).toBeVisible();
  await clock.pass(1000);
  await expect(page.getByTestId('undo')).toBeHidden();
});

test('the easier version is announced, shown and kept for the rounds that are left', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf },
}) => {
  await clock.pass(startOf('s2.1.work.both') + 5500);
  await stored(page, () => page.keyboard.press('g'));
  await expect(page.getByTestId('doing')).toHaveText('Get ready');
  await expect(page.getByTestId('variant')).toHaveText('easier version');
  const { state } = await projected(app, sessionId, clock.now);
  const versions = state.queue
    .filter((p) => p.step.kind === 'work' && p.step.segmentId === 's2')
    .map((p) => p.step.variant);
  expect(versions).toEqual(['easier', 'easier']);
});

test('catching up shows what it trims, ends the class on time, and is taken back', async ({
  studio: page,
  clock,
  held: { score },
}) => {
  await stored(page, () => page.keyboard.press(' '));
  const late = 20_000;
  await clock.pass(score.slotMs - score.totalMs + late - START_IN_MS);
  await stored(page, () => page.keyboard.press(' '));
  await expect(page.getByTestId('against-slot')).toHaveText('0:20 past the slot');
  await page.keyboard.press('t');
  const dialog = page.getByRole('dialog', { name: 'Catch up' });
  await expect(dialog.getByText('With this the class ends on time.')).toBeVisible({
    timeout: 20_000,
  });
  await expect(dialog.getByRole('list', { name: 'What is trimmed' })).toContainText(
    /pauses|rounds|instead of/,
  );
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('against-slot')).toHaveText(/^0:0[0-2] (inside|past) the slot$/);
  await page.keyboard.press('u');
  await expect(page.getByTestId('against-slot')).toHaveText('0:20 past the slot');
});

test('the room: who needs an eye on them, a correction in two keys, a question, somebody who leaves', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf, ada },
}) => {
  const room = page.getByRole('region', { name: 'In the room' });
  await expect(room.getByText('first class')).toHaveCount(2);
  await clock.pass(startOf('s3.1.work.both') + 1500);
  await page.keyboard.press('n');
  await stored(page, () => page.keyboard.press('a'));
  await page.keyboard.press('q');
  await page.keyboard.type('How often at home?');
  await stored(page, () => page.keyboard.press('Enter'));
  await page.getByTestId('move').click();
  await stored(page, () => page.keyboard.press(' '));
  await stored(page, () => room.getByRole('button', { name: 'Ben: late' }).click());
  await clock.pass(1000);
  await stored(page, () => room.getByRole('button', { name: 'Ben: left early' }).click());
  await room.getByLabel('Name of somebody who walked in').fill('Cleo');
  await stored(page, () => page.keyboard.press('Enter'));
  await expect(room.getByText('3 of 3')).toBeHidden();
  await page.getByTestId('move').click();
  await page.keyboard.press('e');
  await expect(page.getByRole('heading', { name: 'Is the register right?' })).toBeVisible();
  await page
    .getByLabel('What to watch with Ada in Soft jaw drop under palms')
    .fill('tongue on the floor');
  await page.getByRole('button', { name: 'good', exact: true }).click();
  await expect(page.getByText('How often at home?')).toBeVisible();
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await expect(page.getByText('The session is stored.')).toBeVisible();
  const notes = await app.db('form_notes').where({ participant_id: ada }).select('note', 'move_id');
  expect(notes).toEqual([{ note: 'tongue on the floor', move_id: 'soft-jaw-drop' }]);
  const register = await app
    .db('attendance')
    .join('participants', 'participants.id', 'attendance.participant_id')
    .where({ session_id: sessionId })
    .orderBy('name')
    .select('name', 'mark', 'left_at');
  expect(register.map((r) => [r.name, r.mark, r.left_at !== null])).toEqual([
    ['Ada', 'here', false],
    ['Ben', 'late', true],
    ['Cleo', 'here', false],
  ]);

  // The next time the class meets, the question and the note are there when they are needed.
  const { class_id, studio_id } = await app.db('sessions').where({ id: sessionId }).first();
  const next = await planSession(app.db, { studioId: studio_id }, class_id, NOON + 3_600_000, NOON);
  await page.goto(`/lead/${next}`);
  await expect(page.getByText('How often at home?')).toBeVisible();
  await stored(page, () => page.getByRole('button', { name: 'Ada: here' }).click());
  await begin(page, clock);
  await expect(page.getByTestId('watch')).toBeHidden();
  await clock.pass(startOf('s3.1.work.both') + 1500);
  await expect(page.getByTestId('watch')).toContainText('Ada');
  await expect(page.getByTestId('watch')).toContainText('tongue on the floor');
});

test('without a connection everything goes on, and arrives later in order, once', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  await page.context().setOffline(true);
  await page.keyboard.press('+');
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  await page.getByRole('button', { name: 'Ben: late' }).click();
  await clock.pass(4000);
  await page.keyboard.press('r');
  const before = await shown(page);
  expect((await projected(app, sessionId, clock.now)).events.map((e) => e.type)).toEqual([
    'marked',
    'started',
  ]);
  await page.context().setOffline(false);
  await clock.passInSteps(3200);
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeHidden();
  // The line may be up again a moment before all that waited has been stored.
  await expect
    .poll(async () => (await projected(app, sessionId, clock.now)).events.map((e) => e.type))
    .toEqual(['marked', 'started', 'extended', 'marked', 'roundAdded']);
  const { countdown } = await projected(app, sessionId, clock.now);
  expect(Number(before.countdown) - Number(countdown)).toBe(3);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
});

test('what was not sent yet survives a crash of the browser', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  await app.kill();
  await page.keyboard.press('+');
  await page.keyboard.press('r');
  await expect(page.getByText('No connection; the class goes on, nothing is lost')).toBeVisible();
  const before = await shown(page);
  await app.up();
  await clock.reload();
  await expect(page.getByTestId('round')).toHaveText('round 1 of 3');
  expect(await shown(page)).toEqual(before);
  await expect
    .poll(async () => (await projected(app, sessionId, clock.now)).events.map((e) => e.type))
    .toEqual(['marked', 'started', 'extended', 'roundAdded']);
});

test('a crash of the database in mid-hold loses nothing and moves nothing', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const before = await shown(page);
  const postgres = await startPostgres(process.env.UPBEAT_DATA_DIR ?? '.data/test');
  await postgres.crash();
  await page.keyboard.press('+');
  expect(Number((await shown(page)).countdown)).toBe(Number(before.countdown) + 10);
  await expect
    .poll(
      async () => {
        await clock.passInSteps(1600);
        const row = await app.db('runs').where({ session_id: sessionId }).first('id');
        const events = await app.db('run_events').where({ run_id: row.id }).orderBy('seq');
        return events.map((e) => e.type);
      },
      { timeout: 20_000 },
    )
    .toEqual(['marked', 'started', 'extended']);
  await clock.reload();
  const { countdown } = await projected(app, sessionId, clock.now);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
});

test('a device that slept for three minutes says so and can go back to where it stood', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const before = await shown(page);
  await clock.sleep(180_000);
  await expect(page.getByText('This device slept for 3:00, and the class went on.')).toBeVisible();
  const { countdown } = await projected(app, sessionId, clock.now);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
  await stored(page, () => page.getByRole('button', { name: 'Back to where it stood' }).click());
  expect(await shown(page)).toEqual(before);
  await expect(page.getByText('This device slept for')).toBeHidden();
});

test('a jump of the time of day on the device moves nothing', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const before = await shown(page);
  await page.evaluate(() => {
    const real = Date.now;
    Date.now = () => real() + 3_600_000;
  });
  await clock.pass(200);
  expect(await shown(page)).toEqual(before);
  await stored(page, () => page.keyboard.press('+'));
  const { events } = await projected(app, sessionId, clock.now);
  expect(Math.abs((events.at(-1)?.at ?? 0) - clock.now)).toBeLessThan(200);
});

test('one device leads, another watches and takes over, and what came too late is told', async ({
  app,
  browser,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const context = await browser.newContext({ baseURL: app.url });
  const second = await context.newPage();
  await second.clock.install({ time: clock.now - 60_000 });
  await second.clock.pauseAt(clock.now);
  await enterDemo(second);
  await second.goto(`/lead/${sessionId}`);
  await expect(second.getByText('Another device leads this class.')).toBeVisible();
  await expect(second.getByRole('button', { name: /^Pause/ })).toBeHidden();
  await second.keyboard.press('ArrowRight');
  await stored(page, () => page.keyboard.press(' '));
  await expect(second.getByTestId('doing')).toHaveText('Paused');
  await stored(second, () => second.getByRole('button', { name: 'Ben: here' }).click());
  await expect(page.getByRole('button', { name: 'Ben: here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );

  await page.context().setOffline(true);
  await page.keyboard.press('r');
  await second.getByRole('button', { name: 'Take over here' }).click();
  await expect(second.getByRole('button', { name: /^Go on/ })).toBeVisible();
  await stored(second, () => second.keyboard.press('+'));
  await page.context().setOffline(false);
  await clock.passInSteps(2000);
  await expect(page.getByText('Another device leads this class.')).toBeVisible();
  await expect(page.getByText(/One thing done here could not be stored/)).toContainText(
    'One more round',
  );
  await expect(page.getByTestId('round')).toHaveText('round 1 of 2');
  const { events } = await projected(app, sessionId, clock.now);
  expect(events.map((e) => e.type)).toEqual(['marked', 'started', 'paused', 'marked', 'extended']);
  await context.close();
});

test('a second window shows the same without the people, also while the server is away', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf },
}) => {
  await clock.pass(startOf('s3.1.work.both') + 1500);
  const screen = await page.context().newPage();
  await screen.goto(`/lead/${sessionId}/show`);
  await expect(screen.getByTestId('move')).toHaveText('Soft jaw drop under palms');
  await expect(screen.getByTestId('countdown')).toHaveText(
    (await page.getByTestId('countdown').textContent()) ?? '',
  );
  await expect(screen.getByText('Ada')).toHaveCount(0);
  await app.kill();
  await page.keyboard.press('+');
  await expect(screen.getByTestId('countdown')).toHaveText(
    (await page.getByTestId('countdown').textContent()) ?? '',
  );
  await app.up();
  await screen.close();
});

test('the night the clocks go back, the finish is right on the clock on the wall', async ({
  app,
  studio: page,
  clock,
}) => {
  // 25 October 2026, 00:58 UTC: in two minutes Dublin's clocks go from 02:00 back to 01:00.
  const before = Date.UTC(2026, 9, 25, 0, 58);
  await clock.standAt(before);
  const { startOf, score } = await lead(app, page, clock);
  await clock.pass(startOf('s2.1.work.both') + 1500);
  const wall = new Intl.DateTimeFormat('en-GB', {
    timeStyle: 'short',
    timeZone: 'Europe/Dublin',
  }).format(before + START_IN_MS + score.totalMs);
  await expect(page.getByTestId('ends')).toHaveText(`ends ${wall}`);
  await stored(page, () => page.keyboard.press('+'));
  await clock.pass(160_000);
  await expect(page.getByTestId('move')).not.toHaveText('Chin over the shoulder');
});

/** About an hour: six moves of ten long rounds. */
function anHour(): Plan {
  const empty = emptyPlan('An hour', 3600);
  const moves = ['tall-o-cheek-lift', 'soft-jaw-drop', 'folded-lip-press'];
  const work = [...moves, ...moves].map((move, i) =>
    block(
      `b${i}`,
      segment(`s${i}`, move, {
        rounds: 10,
        dose: { kind: 'hold', seconds: 40 },
        releaseSeconds: 8,
      }),
    ),
  );
  return { ...empty, phases: { ...empty.phases, work } };
}

test('an hour on the clock ends without a millisecond of drift', async ({
  app,
  studio: page,
  clock,
}) => {
  test.setTimeout(180_000);
  const { sessionId, score } = await lead(app, page, clock, anHour());
  expect(score.totalMs).toBeGreaterThan(3_300_000);
  const startedAt = clock.now;
  const drift = async () => {
    await stored(page, () => page.keyboard.press('+'));
    const { events } = await projected(app, sessionId, clock.now);
    return (events.at(-1)?.at ?? 0) - clock.now;
  };
  const early = await drift();
  await clock.pass(score.totalMs - 60_000);
  expect([early, await drift()]).toEqual([0, 0]);
  await expect(page.getByTestId('to-go')).toHaveText('1:20 to go');
  await clock.pass(90_000);
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await expect(page.getByText('The session is stored.')).toBeVisible();
  const run = await app.db('runs').where({ session_id: sessionId }).first('finished_at');
  expect(run.finished_at.getTime()).toBe(startedAt + score.totalMs + 20_000);
});

test('what was led is reviewed, and its lengths are used next time', async ({
  app,
  studio: page,
  clock,
  held: { sessionId, score },
}) => {
  await stored(page, () => page.keyboard.press('+'));
  await stored(page, () => page.keyboard.press('r'));
  await clock.pass(score.totalMs + 120_000);
  const row = page.getByRole('row', { name: /^Tall O cheek lift/ });
  await expect(row).toBeVisible();
  await page.getByRole('button', { name: 'Finish and store' }).click();
  const lengths = page.getByRole('region', { name: 'Use these lengths next time?' });
  await expect(lengths).toContainText('3 rounds instead of 2');
  await lengths.getByRole('button', { name: 'Use these lengths next time' }).click();
  await expect(page.getByText('The class has these lengths now.')).toBeVisible();
  const { class_id } = await app.db('sessions').where({ id: sessionId }).first('class_id');
  const { plan: kept } = await app.db('classes').where({ id: class_id }).first('plan');
  expect((kept as Plan).phases.work[0]?.segments[0]?.rounds).toBe(3);
});

test('an id that is no event is refused, and a stranger’s device cannot bend', async ({
  app,
  studio: page,
  clock,
  led: { sessionId },
}) => {
  const run = await app.db('runs').where({ session_id: sessionId }).first('id');
  const post = (data: object) => page.request.post(`/api/runs/${run.id}/events`, { data });
  const bend = { id: randomUUID(), at: clock.now, type: 'next' };
  expect((await post({ device: randomUUID(), events: [bend] })).status()).toBe(409);
  expect((await post({ device: randomUUID(), events: [{ ...bend, type: 'fly' }] })).status()).toBe(
    400,
  );
});
