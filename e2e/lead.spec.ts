import type { Plan } from '@/core/class';
import { UNDO_MS } from '@/core/run';
import type { Score } from '@/core/score';
import { getClass, savePlan } from '@/server/classes/classes';
import { keepCautions } from '@/server/people/carried';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import { begin, expect, MOVING, NOON, START_IN_MS, stored } from './harness';
import { lead, projected, shown, test } from './led';

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
  ['a longer rest', ';', 'length'],
  ['the easier version', 'g', 'place'],
  ['skip the block', 's', 'place'],
  ['to the close', 'w', 'place'],
];

test('after a press with the mouse the keys mean the class, and a press without a place its beginning', async ({
  studio: page,
  clock,
  led: { startOf },
}) => {
  await clock.passInStrides(startOf('s2.1.work.both') + 1500);
  const breaths = page.getByRole('button', { name: /^Slow belly breaths, / });
  const lift = page.getByRole('button', { name: /^Long O cheek lift, / });
  const doing = page.getByTestId('doing');
  await lift.click();
  const there = await shown(page);
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
  expect(await shown(page)).toMatchObject({ move: there.move, round: there.round });
  await page.getByRole('button', { name: 'Go on' }).click();
  // A dialog that was opened with the mouse gives the focus back to nobody.
  await page.getByRole('button', { name: 'Catch up' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
  await page.keyboard.press(' ');
  // Somebody who speaks to the device presses a button nowhere in particular.
  await breaths.dispatchEvent('click');
  // A remote sends this to begin to show slides.
  await page.keyboard.press('F5');
  await clock.passInSteps(500);
  const told = page.getByText(/^The class goes on\. F5 does nothing here/);
  await expect(told).toBeVisible();
  // Every button can be pressed meanwhile.
  const [toldIn, buttons] = [await told.boundingBox(), await page.locator('footer').boundingBox()];
  expect((toldIn?.y ?? 0) + (toldIn?.height ?? 0)).toBeLessThanOrEqual(buttons?.y ?? 0);
  await clock.passInSteps(4500);
  await lift.dispatchEvent('click');
  await expect(page.getByTestId('move')).toHaveText('Long O cheek lift');
  await expect(doing).toHaveText('Get ready');
});

test('every bend shows at once, moves the finish, and is taken back', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, startOf },
}) => {
  await clock.passInStrides(startOf('s2.1.work.both') + 5500);
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
  // People are in the middle of a hold: they are let go first.
  await expect(page.getByTestId('doing')).toHaveText('Let go');
  await expect(page.getByTestId('move')).toHaveText(before.move ?? '');
  // Should the page ask for the time meanwhile, it is told its own.
  await clock.passInSteps(5000);
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

test.describe('where things may move', () => {
  test.use(MOVING);

  test('the breath’s dot climbs its hill in time, and waits while the class is paused', async ({
    studio: page,
    clock,
    led: { startOf },
  }) => {
    await clock.passInStrides(startOf('s4.1.work.both'));
    /** How far the dot has come, in shares of the line's width and of the hill's height. */
    const dot = () =>
      page.getByTestId('breath').evaluate((line) => {
        const [hill, spot] = [line.querySelector('path'), line.querySelector('.bg-accent')];
        const [over, at] = [hill?.getBoundingClientRect(), spot?.getBoundingClientRect()];
        if (!over || !at) return null;
        return {
          across: (at.x + at.width / 2 - over.x) / over.width,
          up: (over.bottom - (at.y + at.height / 2)) / over.height,
        };
      });
    // The device is busy after each press: frames come late, and the dot must not run on meanwhile. (It
    // counts instead of looking at the time, which stands.)
    await page.evaluate(() =>
      addEventListener('keydown', () => {
        let busy = 0;
        while (busy < 5e8) busy += 1;
      }),
    );
    for (const [intoMs, across, up, word] of [
      [2000, 0.2, 0.5, 'Breathe in'],
      [2000, 0.4, 1, 'Breathe out'],
      [3000, 0.7, 0.5, 'Breathe out'],
    ] as const) {
      await clock.pass(intoMs);
      await expect(page.getByTestId('breath')).toHaveText(word);
      await stored(page, () => page.keyboard.press('Space'));
      // Where the teacher's screen is the room's, nobody is to hold their breath in a pause.
      await expect(page.getByTestId('breath')).toHaveText('Breathe freely');
      // The browser moves the dot on a clock of its own and is put right where it is off by a little.
      await expect.poll(dot).toEqual({
        across: expect.closeTo(across, 1),
        up: expect.closeTo(up, 1),
      });
      await stored(page, () => page.keyboard.press('Space'));
    }
  });
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
  await clock.passInStrides(score.slotMs - score.totalMs + late - START_IN_MS);
  await stored(page, () => page.keyboard.press(' '));
  await expect(page.getByTestId('against-slot')).toHaveText('0:20 past the slot');
  await page.keyboard.press('t');
  const dialog = page.getByRole('dialog', { name: 'Catch up' });
  await expect(dialog.getByText('With this the class ends on time.')).toBeVisible();
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
  await clock.passInStrides(startOf('s3.1.work.both') + 1500);
  const move = await page.getByTestId('move').textContent();
  await page.keyboard.press('n');
  // The key skips a block where nobody is picked; here it was meant for somebody.
  await page.keyboard.press('s');
  await expect(room.getByRole('status').first()).toContainText('Nobody has the key S.');
  await expect(page.getByTestId('move')).toHaveText(move ?? '');
  await stored(page, () => page.keyboard.press('a'));
  await clock.pass(1000);
  await page.keyboard.press('n');
  await stored(page, () => page.keyboard.press('a'));
  await page.keyboard.press('q');
  await page.keyboard.type('How often at ');
  await page.keyboard.press('Escape');
  await page.keyboard.press('q');
  await page.keyboard.type('home?');
  await stored(page, () => page.keyboard.press('Enter'));
  await page.getByTestId('move').click();
  await stored(page, () => page.keyboard.press(' '));
  await stored(page, () => room.getByRole('button', { name: 'Ben: late' }).click());
  await clock.pass(1000);
  await stored(page, () => room.getByRole('button', { name: 'Ben: left early' }).click());
  await room.getByLabel('Name: find on the roll, or take in who walked in').fill('Cleo');
  await stored(page, () => page.keyboard.press('Enter'));
  await expect(room.getByText('3 of 3')).toBeHidden();
  await page.getByTestId('move').click();
  await page.keyboard.press('e');
  await expect(page.getByRole('heading', { name: 'Is the register right?' })).toBeVisible();
  const watch = page.getByLabel('What to watch with Ada in Soft jaw drop, palms on the cheeks');
  const forget = page.getByRole('button', { name: 'Forget it: Ada' });
  await watch.first().fill('tongue on the floor');
  // By keyboard one goes on where one was, whatever became of what is written or struck.
  await stored(page, () => page.keyboard.press('Tab'));
  await expect(forget.first()).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(watch.last()).toBeFocused();
  await page.keyboard.press('Tab');
  await stored(page, () => page.keyboard.press('Enter'));
  await expect(forget).toHaveCount(1);
  await expect(forget).toBeFocused();
  await expect(watch).toHaveValue('tongue on the floor');
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
  const next = await planSession(
    app.db,
    { studioId: studio_id },
    { classId: class_id, startsAt: NOON + 3_600_000, now: NOON },
  );
  await page.goto(`/lead/${next}`);
  await expect(page.getByText('How often at home?')).toBeVisible();
  await begin(page, clock);
  await expect(page.getByTestId('watch')).toBeHidden();
  await clock.passInStrides(startOf('s3.1.work.both') + 1500);
  // A class is often begun before everybody is marked.
  await expect(page.getByTestId('watch')).toHaveText('Ada tongue on the floor (not marked yet)');
  await stored(page, () => page.getByRole('button', { name: 'Ada: here' }).click());
  await expect(page.getByTestId('watch')).toHaveText('Ada tongue on the floor');
  await stored(page, () => page.getByRole('button', { name: 'Ada: not here' }).click());
  await expect(page.getByTestId('watch')).toBeHidden();
  // Whoever is corrected is there.
  const ben = page.getByRole('button', { name: 'Ben: here' });
  await expect(ben).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('n');
  await stored(page, () => page.keyboard.press('a'));
  await expect(ben).toHaveAttribute('aria-pressed', 'true');
});

test('who books at the last moment, and what is told at the door, is seen where the class is led already', async ({
  app,
  studio: page,
  clock,
  opened: { sessionId },
}) => {
  const { class_id: classId, studio_id } = await app
    .db('sessions')
    .where({ id: sessionId })
    .first();
  const scope = { studioId: studio_id };
  const person = { name: 'Wanda', contact: null };
  const joined = { person, joinedOn: '2026-11-24', now: NOON };
  const participantId = await addParticipant(app.db, scope, joined);
  await book(app.db, scope, { participantId, classId, now: NOON - 1000 });
  await expect(page.getByRole('button', { name: 'Wanda: here' })).toBeHidden();
  await clock.pass(20_000);
  await stored(page, () => page.getByRole('button', { name: 'Wanda: here' }).click());
  await begin(page, clock);
  const { score } = await app.db('runs').where({ session_id: sessionId }).first('score');
  const lift = (score as Score).steps.find((step) => step.id === 's2.1.work.both');
  const told = { cautions: [{ caution: 'jaw' as const }], consentOn: '2026-11-24' };
  await keepCautions(app.db, scope, { participantId, ...told });
  await clock.passInStrides((lift?.startMs ?? 0) + 1500);
  await clock.pass(20_000);
  await expect(page.getByTestId('watch')).toContainText('Wanda');
});

test('a class that is changed after its stage was opened is led as it is now', async ({
  app,
  studio: page,
  clock,
  opened: { sessionId },
}) => {
  const { class_id: id, studio_id: studioId } = await app
    .db('sessions')
    .where({ id: sessionId })
    .first();
  const { plan } = await getClass(app.db, { studioId }, id);
  const phases = { ...plan.phases, massage: plan.phases.work.slice(1), work: [] };
  const changed = { id, plan: { ...plan, phases }, basedOn: 1, now: NOON };
  await savePlan(app.db, { studioId, name: 'Ines' }, changed);
  const again = page.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
  await clock.pass(20_000);
  await (await again).finished();
  await begin(page, clock);
  await expect(page.getByRole('button', { name: /^Soft jaw drop, / })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Long O cheek lift, / })).toHaveCount(0);
});

test('a session that is called off or moved says so on its stage, and is not started', async ({
  app,
  studio: page,
  clock,
  opened: { sessionId },
}) => {
  const session = () => app.db('sessions').where({ id: sessionId });
  const start = page.getByRole('button', { name: 'Start the class' });
  const { starts_at: at } = await session().first();
  const later = new Date(at.getTime() + 15 * 60_000);
  await session().update({ status: 'cancelled', starts_at: later });
  await clock.pass(20_000);
  await expect(page.getByText('This session was called off while')).toBeVisible();
  await expect(start).toBeDisabled();
  await expect(
    page.getByText(/^It was moved meanwhile, from \d\d:\d\d to \d\d:\d\d\.$/),
  ).toBeVisible();
  const day = new Date(at.getTime() + 86_400_000);
  await session().update({ status: 'planned', starts_at: day });
  await clock.pass(20_000);
  await expect(page.getByText(/^It was moved meanwhile, from \w+ .* to \w+ .*\.$/)).toBeVisible();
  await expect(page.getByText('This session was called off while')).toBeHidden();
  await expect(start).toBeEnabled();
});

test('where the browser keeps nothing a class is led and stored all the same, and says so', async ({
  app,
  studio: page,
  clock,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('Nothing is kept in a private window.', 'InvalidStateError');
    };
  });
  const { sessionId, score } = await lead(app, page, clock, undefined, async () => {
    await expect(page.getByText('This browser keeps nothing on this device')).toBeVisible();
  });
  await page.context().setOffline(true);
  const unsent = page.waitForEvent('requestfailed', (r) => r.url().endsWith('/events'));
  await page.keyboard.press('+');
  await unsent;
  await expect(page.getByText('nothing is lost as long as this page stays open')).toBeVisible();
  // What waits may be sent as soon as there is a connection again.
  await stored(page, async () => {
    await page.context().setOffline(false);
    await clock.pass(2000);
  });
  await clock.passInStrides(score.totalMs + 120_000);
  await page.getByRole('button', { name: 'Finish and store' }).click();
  await expect(page.getByText('The session is stored.')).toBeVisible();
  const { status } = await app.db('sessions').where({ id: sessionId }).first('status');
  expect(status).toBe('held');
  const longer = await app.db('run_events').where({ type: 'extended' });
  expect(longer.length).toBeGreaterThan(0);
});

test('what was led is reviewed, and its lengths are used next time', async ({
  app,
  studio: page,
  clock,
  held: { sessionId, score },
}) => {
  await stored(page, () => page.keyboard.press('+'));
  await stored(page, () => page.keyboard.press('r'));
  await clock.passInStrides(score.totalMs + 120_000);
  const row = page.getByRole('row', { name: /^Long O cheek lift/ });
  await expect(row).toBeVisible();
  await expect(
    page.getByText('One person is booked and not marked: they will be stored as not here.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Finish and store' }).click();
  const lengths = page.getByRole('region', { name: 'Use these lengths next time?' });
  await expect(lengths).toContainText('3 rounds instead of 2');
  await lengths.getByRole('button', { name: 'Use these lengths next time' }).click();
  await expect(page.getByText('The class has these lengths now.')).toBeVisible();
  const { class_id } = await app.db('sessions').where({ id: sessionId }).first('class_id');
  const { plan: kept } = await app.db('classes').where({ id: class_id }).first('plan');
  expect((kept as Plan).phases.work[0]?.segments[0]?.rounds).toBe(3);
});

test('a stage that fails is put up again by itself, and the class goes on', async ({
  app,
  studio: page,
  clock,
  held: { sessionId },
}) => {
  const before = await page.getByTestId('move').textContent();
  // As where a program of the browser has put something of its own in the place of what the page made.
  await page.evaluate(() => {
    const insert = Node.prototype.insertBefore;
    Node.prototype.insertBefore = () => {
      Node.prototype.insertBefore = insert;
      throw new DOMException('not a child of this node', 'NotFoundError');
    };
  });
  const failed = page.waitForEvent('console', (m) => m.text().includes('not a child of this node'));
  await stored(page, () => page.keyboard.press('Space'));
  await failed;
  await expect(page.getByTestId('doing')).toHaveText('Paused');
  await expect(page.getByTestId('move')).toHaveText(before ?? '');
  await stored(page, () => page.keyboard.press('Space'));
  await clock.pass(1000);
  await expect(page.getByTestId('doing')).toHaveText('Work');
  const { countdown } = await projected(app, sessionId, clock.now);
  await expect(page.getByTestId('countdown')).toHaveText(countdown);
});

/** A phone and tablets, where the roll stands below what is done. */
const UPRIGHT = [
  [360, 740],
  [744, 1133],
  [820, 1180],
] as const;
/** A phone, tablets as they are held, and a small laptop. */
const HANDS = [
  [360, 740],
  [820, 1180],
  [1024, 768],
  [1280, 800],
] as const;

test('on a phone and a tablet no name slides away under the finger, and what is pressed twice is done twice everywhere', async ({
  app,
  studio: page,
  clock,
  led: { sessionId, score },
}) => {
  const ben = page.getByRole('button', { name: 'Ben: here' });
  const stands = () =>
    ben.evaluate((e) => {
      const { x, y } = e.getBoundingClientRect();
      return `${x} ${y + scrollY}`;
    });
  const moves = new Set<string>();
  const places = Object.fromEntries(UPRIGHT.map((size) => [String(size), new Set<string>()]));
  const seen = async () => {
    moves.add((await page.getByTestId('move').textContent()) ?? '');
    for (const [width, height] of UPRIGHT) {
      await page.setViewportSize({ width, height });
      places[`${width},${height}`]?.add(await stands());
    }
  };
  await seen();
  await stored(page, () => page.getByRole('button', { name: 'Ada: late' }).click());
  for (let s = 0; s < score.totalMs / 1000 - 20; s += 4) {
    await clock.passInStrides(4000);
    await seen();
  }
  expect(moves.size).toBe(4);
  const slid = Object.entries(places).filter(([, found]) => found.size > 1);
  expect(slid.map(([size, found]) => [size, ...found])).toEqual([]);
  for (const [width, height] of HANDS) {
    await page.setViewportSize({ width, height });
    // What was done before cannot be taken back any more.
    await clock.passInStrides(UNDO_MS + 1000);
    await expect(page.getByTestId('undo')).toBeHidden();
    const longer = page.getByRole('button', { name: /^\d+ s longer/ });
    await longer.scrollIntoViewIfNeeded();
    const box = await longer.boundingBox();
    for (let n = 0; n < 2; n++) {
      await stored(page, () => page.mouse.click((box?.x ?? 0) + 20, (box?.y ?? 0) + 15));
      await expect(page.getByTestId('undo')).toBeInViewport({ ratio: 1 });
    }
    expect(await longer.boundingBox(), `${width} by ${height}`).toEqual(box);
  }
  const run = await app.db('runs').where({ session_id: sessionId }).first('id');
  const done = await app.db('run_events').where({ run_id: run.id }).orderBy('seq').pluck('type');
  expect(done.filter((type) => type === 'extended')).toHaveLength(2 * HANDS.length);
  expect(done).not.toContain('undone');
});
