import { randomUUID } from 'node:crypto';
import { expect, it } from 'vitest';
import { Refusal } from '@/core/calls';
import { STREAK_RULES } from '@/core/streak';
import { callOff } from './calendar/change';
import { copyClass, getClass, listClasses, savePlan, versionsOf } from './classes/classes';
import { keepCautions } from './people/carried';
import { checkInsOf, consentToCheckIns } from './people/check-ins';
import { erasePerson } from './people/erase';
import { heldAbout } from './people/held';
import { giveHomeClass } from './people/home';
import { joinPeople } from './people/join';
import {
  addParticipant,
  book,
  changePerson,
  comeBack,
  endBooking,
  leaveStudio,
  pause,
} from './people/people';
import { logPractice, makeHome } from './people/practice';
import { keepRule } from './people/rules';
import { bringBack, putAway, removeClass } from './put-away/put-away';
import { correct } from './register/correct';
import { registerOf } from './register/grid';
import {
  appendEvents,
  basisOf,
  closeSession,
  getLog,
  getRun,
  openLog,
  prepareRun,
  runOfSession,
  takeLead,
} from './runs';
import { mark, roll, walkIn } from './sessions/register';
import { getSession, planSession, sessionsBetween } from './sessions/sessions';
import {
  DAY,
  everybodyOf,
  makeClass,
  makeStudio,
  NOON,
  personOf,
  shortPlan,
  testDatabase,
} from './testing/studio';

const db = testDatabase();

it('shows and changes nothing of another studio, whatever id is asked for', async () => {
  const theirs = await makeClass(db());
  const run = await prepareRun(db(), theirs, { sessionId: theirs.sessionId, now: NOON });
  const us = await makeStudio(db());
  const ours = await addParticipant(db(), us, {
    person: { name: 'Ours', contact: null },
    joinedOn: '2026-01-01',
    now: NOON,
  });
  const { classId, sessionId, ada } = theirs;
  const span = { from: '2026-11-24', to: '2026-11-25' };
  const atNoon = { zone: 'Europe/Dublin', now: NOON };
  const started = { id: randomUUID(), type: 'started', at: NOON } as const;
  const attempts: Record<string, () => Promise<unknown>> = {
    getClass: () => getClass(db(), us, classId),
    savePlan: () => savePlan(db(), us, { id: classId, plan: shortPlan(), basedOn: 1, now: NOON }),
    versionsOf: () => versionsOf(db(), us, classId),
    copyClass: () => copyClass(db(), us, { classId, now: NOON }),
    putAway: () => putAway(db(), us, { classId, now: NOON + DAY }),
    bringBack: () => bringBack(db(), us, classId),
    removeClass: () => removeClass(db(), us, classId),
    keepCautions: () =>
      keepCautions(db(), us, { participantId: ada, cautions: [], consentOn: '2026-01-01' }),
    planSession: () => planSession(db(), us, { classId, startsAt: NOON, now: NOON }),
    bookTheirClass: () => book(db(), us, { participantId: ours, classId, now: NOON }),
    bookTheirPerson: () => book(db(), us, { participantId: ada, classId, now: NOON }),
    getPerson: () => personOf(db(), us, ada),
    getSession: () => getSession(db(), us, sessionId),
    callOff: () => callOff(db(), us, { id: sessionId, which: 'this', word: null, now: NOON }),
    roll: () => roll(db(), us, sessionId),
    mark: () => mark(db(), us, { sessionId, participantId: ada, value: 'here', now: NOON }),
    walkIn: () =>
      walkIn(db(), us, {
        sessionId,
        id: randomUUID(),
        name: 'Spy',
        joinedOn: '2026-01-01',
        now: NOON,
      }),
    leave: () =>
      appendEvents(db(), us, {
        runId: run.id,
        drafts: [{ id: randomUUID(), type: 'left', at: NOON, participantId: ada, gone: true }],
        now: NOON,
      }),
    changePerson: () =>
      changePerson(db(), us, { id: ada, name: 'Spy', contact: null, greet: true }),
    endBooking: () => endBooking(db(), us, { participantId: ada, classId, now: NOON }),
    pause: () => pause(db(), us, { participantId: ada, span, now: NOON }),
    leaveStudio: () => leaveStudio(db(), us, { id: ada, on: span.from, now: NOON }),
    comeBack: () => comeBack(db(), us, ada),
    erasePerson: () => erasePerson(db(), us, ada),
    joinTheirs: () => joinPeople(db(), us, { keptId: ours, goneId: ada, now: NOON }),
    joinIntoTheirs: () => joinPeople(db(), us, { keptId: ada, goneId: ours, now: NOON }),
    heldAbout: () => heldAbout(db(), us, { id: ada, ...atNoon }),
    logPractice: () =>
      logPractice(db(), us, {
        participantId: ada,
        at: NOON,
        seconds: null,
        byTeacher: true,
        ...atNoon,
      }),
    makeHome: () => makeHome(db(), us, ada),
    giveHomeClass: () => giveHomeClass(db(), us, { participantId: ours, classId, now: NOON }),
    checkInsOf: () => checkInsOf(db(), us, { participantId: ada, ...atNoon }),
    consentToCheckIns: () => consentToCheckIns(db(), us, { participantId: ada, on: span.from }),
    keepRule: () =>
      keepRule(db(), us, {
        classId,
        from: span.from,
        rule: STREAK_RULES.every,
        today: span.from,
        now: NOON,
      }),
    register: () => registerOf(db(), us, { classId, from: 0, to: NOON, ...atNoon }),
    correct: () =>
      correct(db(), us, {
        line: { sessionId, participantId: ours },
        said: { mark: 'excused' },
        by: 'Spy',
        now: NOON,
      }),
    openLog: () => openLog(db(), us, sessionId, NOON),
    getLog: () => getLog(db(), us, run.id),
    takeLead: () => takeLead(db(), us, run.id, randomUUID()),
    prepareRun: () => prepareRun(db(), us, { sessionId, now: NOON }),
    basisOf: () => basisOf(db(), us, { classId, expected: [] }),
    getRun: () => getRun(db(), us, run.id),
    appendEvents: () => appendEvents(db(), us, { runId: run.id, drafts: [started], now: NOON }),
    closeSession: () => closeSession(db(), us, { sessionId, draft: started, now: NOON }),
  };
  const answered: string[] = [];
  for (const [name, attempt] of Object.entries(attempts)) {
    const refused = await attempt().then(
      () => false,
      (error: unknown) => error instanceof Refusal && error.code === 'not-found',
    );
    if (!refused) answered.push(name);
  }
  expect(answered).toEqual([]);
  expect(await runOfSession(db(), us, sessionId)).toBeUndefined();
  expect(await listClasses(db(), us)).toEqual([]);
  expect(await sessionsBetween(db(), us, 0, NOON * 2)).toEqual([]);
  expect((await everybodyOf(db(), us)).map((p) => p.name)).toEqual(['Ours']);
  expect((await getRun(db(), theirs, run.id)).events).toEqual([]);
});

it('is kept apart by the database itself', async () => {
  const [a, b] = [await makeClass(db()), await makeClass(db())];
  const crossed = {
    studio_id: a.studioId,
    class_id: a.classId,
    participant_id: b.ada,
    since: new Date(NOON),
  };
  await expect(db()('bookings').insert(crossed)).rejects.toThrow(/foreign key/);
});
