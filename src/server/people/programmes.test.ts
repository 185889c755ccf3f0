import { randomUUID } from 'node:crypto';
import { libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { placedSegments, planSchema } from '@/core/class';
import { type HomeLine, readOf } from '@/core/home';
import { homeWordsIn } from '@/core/home/words';
import { STREAK_RULES } from '@/core/streak';
import { createClass, getClass } from '../classes/classes';
import { roomOf } from '../compose/room';
import { mark } from '../sessions/register';
import { planSession } from '../sessions/sessions';
import { DAY, makeClass, NOON, type TestClass, testDatabase } from '../testing/studio';
import { keepCautions } from './carried';
import { checkInsOf, consentToCheckIns, keepCheckIn } from './check-ins';
import {
  giveHomeClass,
  giveToMany,
  homeClassesOf,
  MOST_HOME,
  makeHomeClass,
  takeHomeClass,
} from './home';
import { logPractice } from './practice';
import {
  endProgramme,
  enrol,
  leaveProgramme,
  MOST_ENDED,
  MOST_PROGRAMMES,
  makeProgramme,
  programmesOf,
  progressOf,
} from './programmes';

const db = testDatabase();
const ZONE = 'Europe/Dublin';
const AT_NOON = { zone: ZONE, now: NOON };
const { daily, every } = STREAK_RULES;

const make = (c: TestClass, of: object = {}) =>
  makeProgramme(db(), c, {
    programme: { name: 'At home', rule: daily, weeks: 2, classId: null, ...of },
    now: NOON,
  });
const practise = (c: TestClass, days: number) =>
  logPractice(db(), c, {
    participantId: c.ada,
    at: NOON - days * DAY,
    seconds: null,
    byTeacher: true,
    ...AT_NOON,
  });

describe('a programme', () => {
  it('counts practice from the day somebody is enrolled, and says which week they are in', async () => {
    const c = await makeClass(db());
    const id = await make(c);
    for (const days of [10, 7, 6, 5, 4]) await practise(c, days);
    await enrol(db(), c, { id, participantId: c.ada, from: '2026-11-17' });
    const [ada] = await progressOf(db(), c, { of: { id }, ...AT_NOON });
    // Seven days are over: four were kept; today is the eighth and still open.
    expect(ada).toMatchObject({ week: 2, kept: { kept: 4, asked: 7 }, to: '2026-11-30' });
    expect(ada?.streak.beats).toHaveLength(8);
  });

  it('counts the meetings of its class, and ends with its weeks, with leaving, or for everybody', async () => {
    const c = await makeClass(db());
    const id = await make(c, { rule: every, classId: c.classId });
    for (const [days, value] of [
      [14, 'here'],
      [7, 'absent'],
    ] as const) {
      const startsAt = NOON - days * DAY;
      const sessionId = await planSession(db(), c, { classId: c.classId, startsAt, now: NOON });
      await mark(db(), c, { sessionId, participantId: c.ada, value, now: startsAt });
      await db()('sessions').where({ id: sessionId }).update({ status: 'held' });
    }
    await enrol(db(), c, { id, participantId: c.ada, from: '2026-11-10' });
    const ada = async () =>
      (await progressOf(db(), c, { of: { participantId: c.ada }, ...AT_NOON }))[0];
    expect(await ada()).toMatchObject({ week: 3, kept: { kept: 1, asked: 2 }, left: false });
    await leaveProgramme(db(), c, { id, participantId: c.ada, on: '2026-11-12' });
    expect(await ada()).toMatchObject({
      kept: { kept: 1, asked: 1 },
      left: true,
      to: '2026-11-12',
    });
    await enrol(db(), c, { id, participantId: c.ada, from: '2026-11-10' });
    await endProgramme(db(), c, { id, on: '2026-11-11' });
    expect(await ada()).toMatchObject({ to: '2026-11-11', left: false });
    expect((await programmesOf(db(), c))[0]).toMatchObject({ enrolled: 1, endedOn: '2026-11-11' });
  });

  it('is one of so many at most, and knows only its own studio', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    const id = await make(c);
    const theirs = enrol(db(), c, { id, participantId: other.ada, from: '2026-11-10' });
    await expect(theirs).rejects.toMatchObject({ code: 'not-found' });
    for (const theirClass of [{ classId: other.classId }, { homeClassId: other.classId }]) {
      await expect(make(c, theirClass)).rejects.toMatchObject({ code: 'not-found' });
    }
    await make(c, { name: 'B', homeClassId: c.classId });
    expect((await programmesOf(db(), c)).map((p) => p.homeClassId)).toEqual([null, c.classId]);
    const rule = JSON.stringify(daily);
    const row = { studio_id: c.studioId, name: 'x', rule, weeks: 1, created_at: new Date(NOON) };
    const many = Array.from({ length: MOST_PROGRAMMES }, () => ({ id: randomUUID(), ...row }));
    await db()('programmes').insert(many);
    await expect(make(c)).rejects.toThrow(
      'A studio has 100 programmes at most. End one that is over first.',
    );
    // Those that are over make room, and go on again where there is some.
    const ended = (of: string) => endProgramme(db(), c, { id: of, on: '2026-11-24' });
    const goesOn = (of: string) => endProgramme(db(), c, { id: of, on: null });
    const [first, second, third] = many.map((one) => one.id);
    for (const over of [id, first, second, third]) await ended(over ?? '');
    await ended(id);
    await make(c, { name: 'C' });
    await goesOn(id);
    await expect(goesOn(first ?? '')).rejects.toMatchObject({ code: 'too-many-programmes' });
    const long = { ...row, ended_on: '2020-01-01' };
    await db()('programmes').insert(
      Array.from({ length: MOST_ENDED - 3 }, () => ({ id: randomUUID(), ...long })),
    );
    await expect(ended(id)).rejects.toThrow('A studio keeps 1000 programmes that were ended');
  });
});

describe('a class to do at home', () => {
  const homeOf = (c: TestClass) =>
    makeHomeClass(db(), c, { participantId: c.ada, minutes: 3, ...AT_NOON });

  /** Ada has been corrected in a move, and has met nothing else. */
  async function corrected(move: string): Promise<TestClass> {
    const c = await makeClass(db());
    await db()('form_notes').insert({
      id: randomUUID(),
      studio_id: c.studioId,
      participant_id: c.ada,
      session_id: c.sessionId,
      move_id: move,
      note: 'left corner lower',
      noted_at: new Date(NOON),
    });
    return c;
  }

  it('is drafted out of notes, shown with its words, known to the checks, and taken back', async () => {
    const c = await corrected('tall-o-cheek-lift');
    const { classId } = await homeOf(c);
    const { plan } = await getClass(db(), c, classId);
    expect(placedSegments(plan).map((p) => p.segment.move)).toEqual(['tall-o-cheek-lift']);
    const [shown] = await homeClassesOf(db(), c, c.ada);
    expect(shown?.totalMs).toBeLessThanOrEqual(180_000);
    expect(shown?.lines[0]?.how).not.toBe('');
    expect(shown?.lines[0]?.mind).not.toBe('');
    // Whoever changes it in Compose is told of what Ada carries.
    const cautions = [{ caution: 'jaw' as const }];
    await keepCautions(db(), c, { participantId: c.ada, cautions, consentOn: '2026-11-24' });
    const { people } = await roomOf(db(), c, { classId, ...AT_NOON });
    expect(people).toMatchObject([{ id: c.ada, cautions }]);
    await takeHomeClass(db(), c, { participantId: c.ada, classId });
    expect(await homeClassesOf(db(), c, c.ada)).toEqual([]);
  });

  it('is given to nobody who carries something against it, and says so where that comes later', async () => {
    const c = await corrected('tall-o-cheek-lift');
    const { classId } = await homeOf(c);
    const line = async () => (await homeClassesOf(db(), c, c.ada))[0]?.lines[0];
    expect(await line()).toMatchObject({ does: 'asPlanned', because: null });
    const cautions = [{ caution: 'jaw' as const }];
    for (const participantId of [c.ada, c.ben]) {
      await keepCautions(db(), c, { participantId, cautions, consentOn: '2026-11-24' });
    }
    expect(await line()).toMatchObject({ does: 'easier', because: 'carried' });
    const many = await giveToMany(db(), c, { ids: [c.ada, c.ben], classId, now: NOON });
    expect(many).toEqual({ given: 0, against: ['Ada', 'Ben'] });
  });

  it('is given to nobody whom a single round of it, a stage or a let-go is against', async () => {
    const c = await makeClass(db());
    const cautions = [{ caution: 'neck' as const }];
    await keepCautions(db(), c, { participantId: c.ada, cautions, consentOn: '2026-11-24' });
    const given = async (line: Parameters<typeof planOf>[0][number]) => {
      const plan = planSchema.parse(planOf([line], {}, 600));
      const classId = await createClass(db(), c, plan, NOON);
      const many = await giveToMany(db(), c, { ids: [c.ada], classId, now: NOON });
      await giveHomeClass(db(), c, { participantId: c.ada, classId, now: NOON });
      const shown = (await homeClassesOf(db(), c, c.ada)).find((h) => h.classId === classId);
      const [told] = shown?.lines ?? [];
      // Words that are against somebody are not told them either.
      expect(`${told?.how} ${told?.mind}`).not.toContain('Lift the chin');
      return [many.given, told?.does];
    };
    const brow = { move: 'staged-brow-hold', rounds: 1 };
    expect(await given(brow)).toEqual([1, 'asPlanned']);
    const stages = [{ words: 'Lift the chin and look up.', length: { share: 1 } }];
    expect(await given({ ...brow, stages })).toEqual([0, 'easier']);
    const byRound = [{}, { variant: 'harder' as const }];
    expect(await given({ move: 'folded-lip-press', rounds: 2, byRound })).toEqual([0, 'easier']);
  });

  it('says how much of each move there is and on which sides, in its language, however little is said', async () => {
    const c = await makeClass(db());
    const dose = { kind: 'hold', seconds: 20 } as const;
    const plan = planOf([{ move: 'chin-over-shoulder', rounds: 2, dose }], { say: 'counts' }, 600);
    for (const [language, says] of [
      ['en', '2 rounds of 20 seconds on each side'],
      ['de', '2 Runden, je 20 Sekunden auf jeder Seite'],
    ] as const) {
      const classId = await createClass(db(), c, { ...plan, language }, NOON);
      await giveHomeClass(db(), c, { participantId: c.ada, classId, now: NOON });
      const shown = (await homeClassesOf(db(), c, c.ada)).find((h) => h.classId === classId);
      expect(shown?.lines.map((line) => line.dose)).toEqual([says]);
      const text = libraryMove('chin-over-shoulder')?.text[language];
      expect(shown?.lines[0]?.how).toBe(text?.setup.join(' '));
      for (const words of text?.form ?? []) expect(shown?.lines[0]?.mind).toContain(words);
    }
  });

  it('says how much there is of the version that is for them, and nothing of what they leave out', async () => {
    const c = await makeClass(db());
    const dose = { kind: 'reps', reps: 20, secondsEach: 1 } as const;
    const plan = planOf([{ move: 'smile-pulses', rounds: 2, dose }], {}, 600);
    const classId = await createClass(db(), c, plan, NOON);
    await giveHomeClass(db(), c, { participantId: c.ada, classId, now: NOON });
    const shown = async (...carried: ('skin' | 'palsy')[]) => {
      const cautions = carried.map((caution) => ({ caution }));
      await keepCautions(db(), c, { participantId: c.ada, cautions, consentOn: '2026-11-24' });
      const [line] = (await homeClassesOf(db(), c, c.ada))[0]?.lines ?? [];
      return line && [line.dose, line.does, line.how];
    };
    const { text } = libraryMove('smile-pulses') ?? {};
    const usual = await shown();
    expect(usual).toEqual(['2 rounds, 20 times each', 'asPlanned', text?.en?.setup.join(' ')]);
    // How it is done in the version that is for them, and not as it was planned.
    const eased = await shown('skin');
    expect(eased?.slice(0, 2)).toEqual(['2 rounds of 20 seconds', 'easier']);
    expect(eased?.[2]).not.toBe('');
    expect(eased?.[2]).not.toBe(usual?.[2]);
    expect(await shown('palsy')).toEqual([null, 'leaveOut', '']);
  });

  it('says of each version by itself how it is done, where rounds have another', async () => {
    const c = await makeClass(db());
    const dose = { kind: 'reps', reps: 30, secondsEach: 1 } as const;
    const byRound = [{}, { variant: 'easier' as const }];
    const line = { move: 'smile-pulses', rounds: 3, dose, byRound };
    const classId = await createClass(db(), c, planOf([line], {}, 600), NOON);
    await giveHomeClass(db(), c, { participantId: c.ada, classId, now: NOON });
    const [usual, easier, ...more] = (await homeClassesOf(db(), c, c.ada))[0]?.lines ?? [];
    expect(more).toEqual([]);
    expect([usual?.name, usual?.dose]).toEqual(['Smile pulses', '2 rounds, 30 times each']);
    expect(easier?.name).toMatch(/ \(easier version\)$/);
    expect(easier?.how).not.toBe(usual?.how);
    expect(usual?.id).not.toBe(easier?.id);
    expect([usual?.does, easier?.does]).toEqual(['asPlanned', 'asPlanned']);
  });

  it('has nothing strong, which would be done every day, and says how often what is capped may come', async () => {
    const c = await makeClass(db());
    const strong = ['soft-jaw-drop', 'jaw-knuckle-circles'].map((move) => ({ move }));
    const classId = await createClass(db(), c, planOf(strong, { skin: 'oil' }), NOON);
    await giveHomeClass(db(), c, { participantId: c.ada, classId, now: NOON });
    const [shown] = await homeClassesOf(db(), c, c.ada);
    const { lines = [], kit } = shown ?? {};
    expect(kit).toEqual(['oil']);
    expect(lines.map(({ does, because, aWeek }) => [does, because, aWeek])).toEqual([
      ['asPlanned', null, null],
      ['easier', 'strong', null],
    ]);
    const { given } = homeWordsIn('en');
    expect(lines.map((line) => readOf(line, given))).toEqual([
      lines[0]?.how,
      `${given.strongEasier} ${lines[1]?.how}`,
    ]);
    const capped = { ...(lines[0] as HomeLine), how: 'So.', aWeek: 1 };
    expect(readOf(capped, given)).toBe(`So. ${given.once}`);
    expect(readOf({ ...capped, aWeek: 3 }, given)).toBe(
      'So. At most 3 times a week, with what you do in class.',
    );
  });

  it('needs something they have met, and is one of so many at most', async () => {
    await expect(homeOf(await makeClass(db()))).rejects.toMatchObject({ code: 'nothing-for-home' });
    const c = await corrected('tall-o-cheek-lift');
    for (let i = 0; i < MOST_HOME; i++) await homeOf(c);
    await expect(homeOf(c)).rejects.toMatchObject({ code: 'too-many-home' });
  });
});

describe('check-ins', () => {
  const given = { jaw: 4, brow: 6, evenness: 5, words: 'easier on the left' };
  const at = (c: TestClass, weeks: number) => {
    return { participantId: c.ada, zone: ZONE, now: NOON + weeks * 7 * DAY };
  };

  it('are asked for only with consent, in their weeks, once each, and forgotten when it is withdrawn', async () => {
    const c = await makeClass(db());
    await expect(keepCheckIn(db(), c, { ...at(c, 0), given })).rejects.toMatchObject({
      code: 'no-check-in-due',
    });
    await consentToCheckIns(db(), c, { participantId: c.ada, on: '2026-11-24' });
    const due: (number | null)[] = [];
    for (const week of [0, 1, 2, 3, 8, 9, 20, 21])
      due.push((await checkInsOf(db(), c, at(c, week))).due);
    expect(due).toEqual([0, null, 2, null, 8, null, 20, null]);
    await keepCheckIn(db(), c, { ...at(c, 0), given });
    const kept = await checkInsOf(db(), c, at(c, 0));
    expect(kept).toMatchObject({ due: null, given: [{ week: 0, ...given }] });
    await consentToCheckIns(db(), c, { participantId: c.ada, on: null });
    expect(await checkInsOf(db(), c, at(c, 0))).toEqual({ consentOn: null, given: [], due: null });
  });
});
