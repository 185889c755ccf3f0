import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { inspect } from 'node:util';
import { beforeAll, describe, expect, it } from 'vitest';
import { emptyPlan } from '@/core/class';
import { newClassOf } from '@/core/studio';
import { type Ids, storedOf } from './testing/two-studios';
import {
  askedWith,
  be,
  db,
  harmless,
  isFault,
  type Module,
  mine,
  other,
  outcome,
} from './testing/visitors';

/**
 * Who may do what, tried on every action that is found in this folder. One without an entry fails.
 * Whoever is no teacher of a studio neither learns nor changes anything of it: that is looked at in what comes back
 * and in what is stored, whatever the answer was.
 */

const actions = Object.fromEntries(
  Object.entries(import.meta.glob<Module>('./**/*.ts')).filter(
    ([file]) =>
      !file.endsWith('.test.ts') &&
      readFileSync(path.join(import.meta.dirname, file), 'utf8').startsWith("'use server'"),
  ),
);

const form = (fields: Record<string, string> = {}) => {
  const made = new FormData();
  for (const [name, value] of Object.entries(fields)) made.set(name, value);
  return made;
};
const when = { day: '2026-12-01', time: '12:00', place: '', link: '', roomFor: '', teacherId: '' };
const weekly = { start: '2026-12-01', time: '12:00', repeats: 'weekly', count: '2', last: '' };
const chosen = (ids: Ids) => ({ ids: ids.people, query: '' });
const checkIn = { jaw: '3', brow: '3', evenness: '3', words: '' };

const HOUSE_RULES = newClassOf(emptyPlan('Mine', 600));
/** They ask for a name to be written, and are not tried to their end: nothing would be left to try. */
const ASKS_FOR_A_NAME = ['deleteStudioAction', 'eraseAction'];

/** What each action is given; with the ids of another studio they have to do no harm. */
const ACTIONS: Record<string, ((ids: Ids) => unknown[]) | 'open'> = {
  beginAction: 'open',
  forgotAction: 'open',
  resetAction: 'open',
  signInAction: 'open',
  enterDemo: 'open',
  switchThemeAction: 'open',
  findAction: 'open',
  comeInAction: 'open',
  'follow/leaveAction': 'open',
  'join/joinAction': 'open',
  logMineAction: 'open',
  dropMineAction: 'open',
  checkInMineAction: 'open',
  followMineAction: 'open',
  settleAction: (i) => [
    i.sessions,
    null,
    form({ answered: `${i.runs} ${i.questions}`, seen: i.notes }),
  ],
  forgetTalkAction: () => [],
  changeNameAction: () => [null, form({ name: 'Other name' })],
  changeEmailAction: () => [null, form({ email: 'a@harbour.example', current: 'x' })],
  changePasswordAction: () => [null, form({ password: 'terns over the pier', current: 'x' })],
  signOutDeviceAction: () => [null, form({ device: randomUUID() })],
  leadClassAction: (i) => [i.classes],
  goOnAction: (i) => [form({ sessionId: i.sessions })],
  closeAsItWasAction: (i) => [form({ sessionId: i.sessions })],
  beginAnewAction: (i) => [form({ sessionId: i.sessions })],
  changeSessionAction: (i) => {
    const fields = { ...when, classId: i.classes };
    const was = JSON.stringify({ ...fields, time: '11:00' });
    return [i.sessions, null, form({ ...fields, sure: 'on', was })];
  },
  comingAction: (i) => [i.sessions, null, form({ person: i.people })],
  callOffAction: (i) => [i.sessions, null, form({ word: 'x', which: 'this' })],
  restoreAction: (i) => [i.sessions, null, form()],
  createClassAction: () => [null, form({ name: 'Mine', minutes: '20' })],
  importClassAction: () => [null, form()],
  copyClassAction: (i) => [{ id: i.classes, errand: randomUUID() }],
  changeClassAction: (i) => [{ id: i.classes, does: 'putAway' }],
  readWrittenAction: () => ['Smile pulses, 30'],
  makeWrittenAction: () => [
    {
      name: 'Mine',
      minutes: '20',
      errand: randomUUID(),
      lines: [{ move: 'smile-pulses', seconds: null, rounds: null }],
    },
  ],
  planAction: (i) => [
    null,
    form({
      ...weekly,
      ...when,
      class0: i.classes,
      class1: '',
      class2: '',
      class3: '',
      step: 'plan',
      teacherId: i.teacher,
    }),
  ],
  closeAction: () => [null, form({ name: 'Storm', from: '2026-12-24', to: '2026-12-24' })],
  reopenAction: (i) => [form({ id: i.closures })],
  dropSessionAction: (i) => [{ id: i.sessions, at: '2026-12-02T10:00', sure: true }],
  bringAction: (i) => [null, form({ text: 'BEGIN:VCALENDAR', 'class 0': i.classes })],
  makeFeedAction: (i) => [i.people, null, form()],
  dropFeedAction: (i) => [i.people, null, form()],
  renameAction: () => [null, form({ name: 'Other', timeZone: 'UTC' })],
  changeNewClassAction: () => [null, form({ newClass: JSON.stringify(HOUSE_RULES) })],
  changeRetentionAction: () => [null, form({ runsMonths: '', recordingsMonths: '' })],
  inviteAction: () => [null, form({ email: 'new@harbour.example', role: 'teacher' })],
  inviteStudioAction: () => [null, form({ email: 'new@harbour.example' })],
  withdrawAction: () => [form({ id: randomUUID() })],
  changeRoleAction: (i) => [form({ id: i.teacher, role: 'owner' })],
  removeTeacherAction: (i) => [form({ id: i.teacher })],
  removeDemoAction: () => [null, form()],
  deleteStudioAction: () => [null, form({ typedName: 'Hall', current: 'x' })],
  addPersonAction: () => [null, form({ name: 'New', contact: '' })],
  keepCautionsAction: (i) => [i.people, null, form({ withdraw: 'on' })],
  bookThemAction: (i) => [null, form({ ...chosen(i), classId: i.classes })],
  writeToThemAction: (i) => [null, form({ ...chosen(i), subject: 'Hello', body: 'Hello' })],
  giveThemAction: (i) => [null, form({ ...chosen(i), classId: i.classes })],
  changePersonAction: (i) => [i.people, null, form({ name: 'New', contact: '' })],
  bookAction: (i) => [i.people, null, form({ classId: i.classes })],
  bookingAction: (i) => [i.people, null, form({ end: i.classes })],
  pauseAction: (i) => [i.people, null, form({ from: '2026-12-01', to: '2026-12-02' })],
  noteAction: (i) => [i.people, null, form({ settle: i.notes })],
  practiceAction: (i) => [i.people, null, form({ day: '2026-11-24', minutes: '5' })],
  makeHomeAction: (i) => [i.people, null, form()],
  dropHomeAction: (i) => [i.people, null, form()],
  '(studio)/people/[id]/joinAction': (i) => [i.people, null, form({ person: i.person2 })],
  leaveAction: (i) => [i.people, null, form()],
  homeClassAction: (i) => [i.people, null, form({ minutes: '5', back: i.classes })],
  checkInConsentAction: (i) => [i.people, null, form({ withdraw: 'on' })],
  checkInAction: (i) => [i.people, null, form(checkIn)],
  eraseAction: (i) => [i.people, null, form({ name: 'Ada' })],
  knownAction: () => [[{ name: 'Marit', contact: '' }]],
  takeInAction: (i) => [[{ id: i.people, name: 'New', contact: '', language: '' }], i.classes],
  takeOutAction: (i) => [[i.people]],
  keepRuleAction: (i) => [
    i.classes,
    null,
    form({
      rule: 'every',
      from: '2026-12-01',
      name: '',
      times: '1',
      misses: '1',
      among: '4',
      leastShare: '50',
    }),
  ],
  makeProgrammeAction: (i) => [
    null,
    form({
      name: 'Quiet jaw',
      classId: i.classes,
      homeClassId: i.classes,
      rule: 'every',
      weeks: '4',
    }),
  ],
  enrolAction: (i) => [i.programmes, null, form({ person: i.people, from: '2026-12-01' })],
  endAction: (i) => [i.programmes, null, form()],
};

type Action = (...args: unknown[]) => Promise<unknown>;
const exported = await Promise.all(
  Object.entries(actions).map(async ([file, load]) =>
    Object.entries(await load()).map(([name, act]) => {
      const folder = path.dirname(file).slice(2);
      return [`${folder}/${name}`, act as Action] as const;
    }),
  ),
);
/** By the name of the action, with its folder where two have the same. */
const ACTION = new Map(
  exported.flat().map(([full, act]) => [full in ACTIONS ? full : full.split('/').at(-1), act]),
);

beforeAll(() => askedWith.set('next-action', 'any'));

it('knows every action there is, and none that is not', () => {
  expect([...ACTION.keys()].toSorted()).toEqual(Object.keys(ACTIONS).toSorted());
});

const TRIED = Object.entries(ACTIONS).flatMap(([name, args]) =>
  args === 'open' ? [] : [[name, args] as const],
);
describe.each(TRIED)('the action %s', (name, args) => {
  const act = (given: unknown[]) => () => ACTION.get(name)?.(...given);
  const asked = () => Object.values(other.ids);

  it('is for teachers only', async () => {
    const before = await storedOf(db(), mine.studioId);
    for (const who of ['anybody', 'revoked'] as const) {
      be(who);
      for (const ids of [mine.ids, other.ids]) {
        expect(await harmless(act(args(ids)), asked())).toBe('refused signed-out');
      }
    }
    expect(await storedOf(db(), mine.studioId)).toBe(before);
  });

  it('does nothing to another studio, whichever ids it is given', async () => {
    be('owner');
    await harmless(act(args(other.ids)), asked());
    // One id of theirs among our own.
    for (const key of Object.keys(other.ids) as (keyof Ids)[]) {
      const mixed = { ...mine.ids, [key]: other.ids[key] };
      if (inspect(args(mixed)).includes(other.ids[key])) await harmless(act(args(mixed)), asked());
    }
  });
});

it('tries every action with fields that are as they should be', async () => {
  be('owner');
  const turnedAway: [string, string][] = [];
  for (const [name, args] of TRIED) {
    const came = await outcome(() => ACTION.get(name)?.(...args(mine.ids)));
    const [errors] = /errors: (\{ [^}]+\}|\[.+\])/.exec(came)?.slice(1) ?? [];
    if (errors && !ASKS_FOR_A_NAME.includes(name)) turnedAway.push([name, errors]);
  }
  expect(turnedAway).toEqual([]);
});

describe('what is done by an address', () => {
  it('is nobody’s who guesses it', async () => {
    be('anybody');
    for (const token of ['', 'x', '\0', randomUUID()]) {
      const byAddress = [
        'logMineAction',
        'dropMineAction',
        'checkInMineAction',
        'followMineAction',
      ];
      for (const name of byAddress) {
        const came = await harmless(() => ACTION.get(name)?.(token, null, form()));
        expect([name, came]).toEqual([name, '404']);
      }
    }
  });

  it('reaches one’s own things only', async () => {
    be('anybody');
    const practice = await db()('practice').where({ studio_id: other.studioId }).first('id');
    await harmless(() =>
      ACTION.get('dropMineAction')?.(mine.ids.homeToken, null, form({ drop: practice.id })),
    );
  });
});

it('gets a sentence from every action', async () => {
  be('owner');
  for (const [name, args] of TRIED) {
    for (const value of ['', '\0', '\ud83d', '-1', '1e308', '0000-01-01', '99999-01-01']) {
      const given = args(mine.ids).map((arg) => {
        if (!(arg instanceof FormData)) return arg;
        const bad = new FormData();
        for (const field of arg.keys()) bad.set(field, value);
        return bad;
      });
      const came = await outcome(() => ACTION.get(name)?.(...given));
      expect([name, value, isFault(came) && came]).toEqual([name, value, false]);
    }
  }
});
