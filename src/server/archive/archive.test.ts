import { randomUUID } from 'node:crypto';
import { LIBRARY } from '@library';
import { smallPlan } from '@testing/arbitrary';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import type { Plan } from '@/core/class';
import { USUAL_SOUNDS } from '@/core/speech';
import { STREAK_RULES } from '@/core/streak';
import { signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { closeFor } from '../calendar/closures';
import { planSessions } from '../calendar/plan';
import { createClass, savePlan } from '../classes/classes';
import { csvOf, rowsIn, rowsInTurn } from '../csv';
import { saveOwnMove } from '../moves/moves';
import { keepCautions } from '../people/carried';
import { consentToCheckIns, keepCheckIn } from '../people/check-ins';
import { giveHomeClass } from '../people/home';
import { joinPeople } from '../people/join';
import { addParticipant, book, pause } from '../people/people';
import { logPractice } from '../people/practice';
import { enrol, makeProgramme } from '../people/programmes';
import { keepRule } from '../people/rules';
import { correct } from '../register/correct';
import { answerQuestion, appendEvents, closeSession, prepareRun } from '../runs';
import { setComing } from '../sessions/bookings';
import { saveRecording } from '../speech/recordings';
import { keepSaidWord } from '../speech/said-words';
import { chooseSpeech } from '../speech/teacher-speech';
import { changeStudio, deleteStudio } from '../studio/studios';
import { stretchesOf } from '../testing/stretches';
import {
  DAY,
  MINUTE,
  makeClass,
  makeStudio,
  NOON,
  personOf,
  testDatabase,
  weekly,
} from '../testing/studio';
import { hummedWav } from '../testing/wav';
import { archiveOf } from './export';
import { takeIn } from './import';
import { TABLES, TEACHERS } from './tables';
import { unzipped } from './unzip';

const db = testDatabase();
const ZONE = 'Europe/Dublin';

async function teacherIn(of: { teacherId: string }): Promise<Teacher> {
  const me = await teacherOf(db(), await signInAs(db(), of.teacherId, NOON), NOON);
  if (!me) throw new Error('not signed in');
  return me;
}

async function* piecesOf(bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  for (let at = 0; at < bytes.length; at += 10_000) yield bytes.subarray(at, at + 10_000);
}

const written = (studioId: string) => archiveOf(db(), { studioId }, { now: NOON });

/** The files of an archive as text, with teachers by their email instead of their id. */
function told(files: ReadonlyMap<string, Uint8Array>): Map<string, string> {
  const text = new Map([...files].map(([name, b]) => [name, Buffer.from(b).toString('latin1')]));
  const emails = (rowsIn(text.get('teachers.csv') ?? '') ?? []).map((t) => [t.id, t.email]);
  for (const [name, content] of text) {
    text.set(
      name,
      emails.reduce((all, [id = '', email = '']) => all.replaceAll(id, email), content),
    );
  }
  const teachers = rowsIn(text.get('teachers.csv') ?? '') ?? [];
  text.set(
    'teachers.csv',
    teachers
      .map(
        (t) =>
          `${t.email} ${t.name} ${t.voice} ${JSON.stringify([t.voices, t.sounds, t.device_voices])}`,
      )
      .sort()
      .join('\n'),
  );
  text.delete('README.txt');
  return text;
}

const word = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 }).map((t) => {
  // PostgreSQL stores no NUL, and lone halves of a pair are no text.
  return t.replace(/\0/g, '').trim() || '=1+1';
});
const anyStudio = fc.record({
  plans: fc.array(smallPlan(40), { minLength: 1, maxLength: 3 }),
  people: fc.array(fc.record({ name: word, contact: fc.option(word), carries: fc.boolean() }), {
    maxLength: 5,
  }),
  words: fc.record({ place: fc.option(word), closure: word, parked: word, note: fc.string() }),
  weeks: fc.integer({ min: 1, max: 4 }),
  roomFor: fc.option(fc.integer({ min: 1, max: 3 })),
});
type AnyStudio = typeof anyStudio extends fc.Arbitrary<infer T> ? T : never;

/** A studio with everything that an archive has, made as people make it. */
async function madeFrom({ plans, people, words, weeks, roomFor }: AnyStudio) {
  const studio = await makeStudio(db());
  const email = `${randomUUID()}@example.org`;
  await db()('teachers').where({ id: studio.teacherId }).update({ email });
  const me = await teacherIn(studio);
  await changeStudio(db(), me, { retention: { runsMonths: 7, recordingsMonths: null } });
  const [move] = LIBRARY;
  if (!move) throw new Error('no library');
  await saveOwnMove(db(), me, { ...move, id: 'harbour-hum' }, { now: NOON });
  await db()('music').insert({
    id: randomUUID(),
    studio_id: studio.studioId,
    name: words.note.replace(/\0/g, '').slice(0, 80) || '=song',
    ms: 65_000,
    added_at: new Date(NOON),
    sound: Buffer.from(`ID3${words.closure}`),
  });
  const classIds: string[] = [];
  for (const plan of plans) {
    const id = await createClass(db(), me, plan, NOON - 90 * DAY);
    const renamed: Plan = { ...plan, name: 'Another name' };
    await savePlan(db(), me, { id, plan: renamed, basedOn: 1, now: NOON - 80 * DAY });
    classIds.push(id);
  }
  const [classId = ''] = classIds;
  const ids: string[] = [];
  for (const { name, contact, carries } of people) {
    const person = { name, contact };
    const id = await addParticipant(db(), me, { person, joinedOn: '2026-09-01', now: NOON });
    await book(db(), me, { participantId: id, classId, now: NOON - 60 * DAY });
    if (carries) {
      const cautions = [{ caution: 'jaw' as const }];
      await keepCautions(db(), me, { participantId: id, cautions, consentOn: '2026-09-02' });
    }
    ids.push(id);
  }
  await closeFor(db(), me, {
    closure: { from: '2026-12-07', to: '2026-12-13', name: words.closure },
    zone: ZONE,
    now: NOON,
  });
  const where = { teacherId: me.id, place: words.place, link: null, roomFor };
  const wish = { start: '2026-12-01', time: '18:30', rule: weekly(weeks), classIds, ...where };
  const [next = ''] = await planSessions(db(), me, { wish, zone: ZONE, now: NOON });
  const [first] = ids;
  if (first) {
    const of = { sessionId: next, participantId: first, coming: false, now: NOON };
    await setComing(db(), me, of);
  }
  const past = { ...wish, start: '2026-11-20', rule: null, classIds: [classId] };
  const [sessionId = ''] = await planSessions(db(), me, { wish: past, zone: ZONE, now: NOON });
  const run = await prepareRun(db(), me, { sessionId, now: NOON, speaker: null });
  const question = { id: randomUUID(), type: 'parked' as const, at: NOON, note: words.parked };
  const drafts = [
    { id: randomUUID(), type: 'started' as const, at: NOON },
    question,
    ...ids.map((participantId) => {
      return {
        id: randomUUID(),
        type: 'marked' as const,
        at: NOON,
        participantId,
        mark: 'late' as const,
      };
    }),
    ...ids.slice(0, 1).map((participantId) => ({
      id: randomUUID(),
      type: 'corrected' as const,
      at: NOON,
      participantId,
      moveId: move.id,
      note: words.note.replace(/\0/g, ''),
    })),
  ];
  await appendEvents(db(), me, { runId: run.id, drafts, now: NOON });
  const draft = { id: randomUUID(), at: NOON + MINUTE };
  await closeSession(db(), me, { sessionId, draft, now: NOON + MINUTE, teacherId: me.id });
  await answerQuestion(db(), me, { runId: run.id, id: question.id, now: NOON });
  if (first) await careFor(me, { participantId: first, classId, sessionId, word: words.parked });
  const said = { language: 'en' as const, text: words.closure, wav: hummedWav() };
  await saveRecording(db(), me, said, NOON);
  await keepSaidWord(db(), me, { language: 'de', written: 'Tern', said: 'Törn' }, NOON);
  await chooseSpeech(db(), me, {
    voice: 'soft',
    voices: { en: 'warm' },
    deviceVoices: { de: 'Kiosk German' },
    ownVoice: true,
    speaksSelf: false,
    sounds: { ...USUAL_SOUNDS, countedBy: 'wood', bells: 'class' },
  });
  await db()('classes')
    .where({ id: classId })
    .update({ take_home: true, put_away_at: new Date(NOON) });
  return { me, ids, email };
}

/** All that is kept of one person besides. */
async function careFor(
  me: Teacher,
  of: { participantId: string; classId: string; sessionId: string; word: string },
): Promise<void> {
  const { participantId, classId, sessionId, word } = of;
  const at = { zone: ZONE, now: NOON };
  const rule = { ...STREAK_RULES.twenty, name: word.slice(0, 80) };
  await keepRule(db(), me, { classId, from: '2026-11-24', rule, today: '2026-11-24', now: NOON });
  const span = { from: '2026-12-01', to: '2026-12-02' };
  await pause(db(), me, { participantId, span, now: NOON });
  const practised = { participantId, at: NOON, seconds: 60, byTeacher: true };
  await logPractice(db(), me, { ...practised, ...at });
  await db()('days_off').insert({
    studio_id: me.studioId,
    participant_id: participantId,
    day: '2026-11-20',
  });
  const line = { sessionId, participantId };
  await correct(db(), me, { line, said: { mark: 'excused' }, by: word.slice(0, 80), now: NOON });
  const id = await makeProgramme(db(), me, {
    programme: { name: word.slice(0, 80), rule, weeks: 8, classId },
    now: NOON,
  });
  await enrol(db(), me, { id, participantId, from: '2026-11-24' });
  await giveHomeClass(db(), me, { participantId, classId, now: NOON });
  await consentToCheckIns(db(), me, { participantId, on: '2026-11-24' });
  const given = { jaw: 1, brow: 2, evenness: 3, words: word };
  await keepCheckIn(db(), me, { participantId, given, ...at });
  const slip = await addParticipant(db(), me, {
    person: { name: 'Slip', contact: null },
    joinedOn: '2026-09-01',
    now: NOON,
  });
  await joinPeople(db(), me, { keptId: participantId, goneId: slip, now: NOON });
}

/** The same teacher on a server that knows nothing yet. */
async function elsewhere(email: string): Promise<Teacher> {
  const fresh = await makeStudio(db());
  await db()('teachers').where({ id: fresh.teacherId }).update({ email });
  return teacherIn(fresh);
}

describe('an archive', () => {
  it('makes an equal studio on another server, from whatever people have made', async () => {
    await fc.assert(
      fc.asyncProperty(anyStudio, async (any) => {
        const { me, ids, email } = await madeFrom(any);
        const before = await unzipped(written(me.studioId));
        const [first] = ids;
        const person = first && (await personOf(db(), me, first));
        await deleteStudio(db(), me);
        const owner = await elsewhere(email);
        const done = await takeIn(db(), owner, { files: before, now: NOON });
        expect(done).toMatchObject({ people: ids.length, without: [] });
        const after = told(await unzipped(written(owner.studioId)));
        for (const [name, content] of told(before))
          expect([name, after.get(name)]).toEqual([name, content]);
        expect([...after.keys()].sort()).toEqual([...told(before).keys()].sort());
        if (first) expect(await personOf(db(), owner, first)).toEqual(person);
        await deleteStudio(db(), owner);
      }),
      { numRuns: 12 },
    );
  }, 180_000);

  it('brings the other teachers along, and says whose email is taken here', async () => {
    const c = await makeClass(db());
    const me = await teacherIn(c);
    const colleague = (name: string) => ({
      id: randomUUID(),
      studio_id: c.studioId,
      email: `${name.toLowerCase()}-${randomUUID()}@example.org`,
      name,
      role: 'teacher',
      password_hash: 'none',
      created_at: new Date(NOON),
    });
    const [bela, dov] = [colleague('Bela'), colleague('Dov')];
    await db()('teachers').insert([bela, dov]);
    await db()('sessions').where({ id: c.sessionId }).update({ teacher_id: dov.id });
    for (const { id } of [bela, dov]) {
      const wav = hummedWav();
      await saveRecording(
        db(),
        { id, studioId: c.studioId },
        { language: 'en', text: 'Lift.', wav },
        NOON,
      );
    }
    const files = await unzipped(written(c.studioId));
    await deleteStudio(db(), me);
    const taken = await makeStudio(db());
    await db()('teachers').where({ id: taken.teacherId }).update({ email: dov.email });
    const owner = await elsewhere(c.email);
    expect(await takeIn(db(), owner, { files, now: NOON })).toMatchObject({ without: ['Dov'] });
    const here = { studio_id: owner.studioId };
    expect(await db()('teachers').where(here).orderBy('name').pluck('name')).toEqual([
      'Bela',
      'Test Teacher',
    ]);
    expect(await db()('recordings').where(here)).toHaveLength(1);
    expect((await db()('sessions').where({ id: c.sessionId }).first()).teacher_id).toBeNull();
  });

  it('is read file by file, and others have their turn between two of them', async () => {
    const c = await makeClass(db());
    const me = await teacherIn(c);
    const of = { id: me.id, studioId: c.studioId };
    for (const text of ['Lift.', 'Hold.', 'Let go.']) {
      await saveRecording(db(), of, { language: 'en', text, wav: hummedWav() }, NOON);
    }
    const files = await unzipped(written(c.studioId));
    await deleteStudio(db(), me);
    const owner = await elsewhere(c.email);
    const stretches = await stretchesOf((step) => {
      class Watched extends Map<string, Uint8Array> {
        override get(name: string) {
          if (name.endsWith('.wav')) step();
          return super.get(name);
        }
      }
      return takeIn(db(), owner, { files: new Watched(files), now: NOON });
    });
    expect(stretches).toBe(3);
  });

  it('of before there were some tables and columns is taken in, with what stands for them', async () => {
    const [from] = fc.sample(anyStudio, 1);
    if (!from) throw new Error('nothing made');
    const { me, email } = await madeFrom(from);
    const files = await unzipped(written(me.studioId));
    const text = (name: string) => Buffer.from(files.get(name) ?? '').toString();
    const write = (name: string, content: string) => files.set(name, Buffer.from(content));
    await deleteStudio(db(), me);
    for (const table of [...TABLES, TEACHERS]) {
      if (table.added) files.delete(table.file);
      const lines = rowsIn(text(table.file)) ?? [];
      const kept = Object.keys(table.columns).filter((name) => !table.columns[name]?.added);
      const less = lines.map((line) => Object.fromEntries(kept.map((name) => [name, line[name]])));
      if (!table.added) write(table.file, Papa.unparse({ fields: kept, data: less }));
    }
    const settings = JSON.parse(text('studio.json'));
    write('studio.json', JSON.stringify({ ...settings, format: 'upbeat-studio/1' }));
    const there = await elsewhere(email);
    const broughtIn = await takeIn(db(), there, { files, now: NOON });
    expect(broughtIn.people).toBe(from.people.length);
    const people = await db()('participants').where({ studio_id: there.studioId }).pluck('greet');
    expect(people).toEqual(from.people.map(() => true));
    const talk = await db()('talk_samples').where({ studio_id: there.studioId });
    for (const sample of talk) expect(sample.offered_ms).toBe(sample.cues_ms);
    // One that says it is of today has to have all of it.
    await deleteStudio(db(), there);
    write('studio.json', JSON.stringify(settings));
    const owner = await elsewhere(email);
    await expect(takeIn(db(), owner, { files, now: NOON })).rejects.toMatchObject({
      code: 'bad-archive',
    });
  });

  it('is refused where something is there already, and where it is not as we write it; nothing is left', async () => {
    const c = await makeClass(db());
    const me = await teacherIn(c);
    const files = await unzipped(written(c.studioId));
    await expect(takeIn(db(), me, { files, now: NOON })).rejects.toMatchObject({
      code: 'studio-not-empty',
    });
    const other = await teacherIn(await makeStudio(db()));
    const into = (changed: ReadonlyMap<string, Uint8Array>) =>
      takeIn(db(), other, { files: changed, now: NOON });
    await expect(into(files)).rejects.toMatchObject({ code: 'archive-here' });
    await deleteStudio(db(), me);
    const text = (name: string) => Buffer.from(files.get(name) ?? '').toString();
    const but = (name: string, content: string | null) => {
      const changed = new Map(files);
      if (content === null) changed.delete(name);
      else changed.set(name, Buffer.from(content));
      return into(changed);
    };
    const plan = [...files.keys()].find((name) => name.startsWith('classes/')) ?? '';
    for (const [work, says] of [
      [() => but('people.csv', null), 'people.csv is missing'],
      [() => but('people.csv', text('people.csv').replace(c.ada, 'ada')), 'people.csv, line'],
      [() => but('people.csv', '"'), 'people.csv is no table'],
      [() => but('studio.json', '{}'), 'studio.json is not as Up Beat writes it'],
      [() => but(plan, '{"name":'), 'is no JSON'],
      [() => but(plan, '{}'), plan],
      [
        () => but('bookings.csv', text('bookings.csv').replace(c.ada, randomUUID())),
        'bookings: a line names',
      ],
      [
        () => but('sessions.csv', text('sessions.csv').replace(',planned,', ',dreamt,')),
        'sessions.csv, line 2, status',
      ],
    ] as const) {
      await expect(work()).rejects.toThrow(says);
    }
    expect(await db()('classes').where({ studio_id: other.studioId })).toEqual([]);
    expect((await into(files)).people).toBe(2);
  });

  it('that is none, is too large or unpacks to too much is refused while it comes', async () => {
    const read = (bytes: Uint8Array, most = { sent: 1e6, unpacked: 1e6, files: 3 }) =>
      unzipped(piecesOf(bytes), most);
    const small = new Uint8Array(10);
    await expect(read(Buffer.from('no archive at all'))).rejects.toThrow('This is no archive');
    await expect(read(new Uint8Array())).rejects.toThrow('This is no archive');
    await expect(read(zipSync({ a: new Uint8Array(2e6) }))).rejects.toThrow('at most');
    await expect(read(zipSync({ a: small, b: small, c: small, d: small }))).rejects.toThrow(
      '3 files at most',
    );
    const noise = fc.sample(fc.uint8Array({ minLength: 60_000, maxLength: 60_000 }), 1)[0] ?? small;
    await expect(
      read(zipSync({ a: noise }, { level: 0 }), { sent: 5e4, unpacked: 1e6, files: 3 }),
    ).rejects.toThrow('0.05 MB');
    expect([...(await read(zipSync({ a: small }))).keys()]).toEqual(['a']);
  });

  it('has nothing of another studio, and no secret', async () => {
    const [mine, other] = [await makeClass(db()), await makeClass(db())];
    await db()('participants').where({ id: other.ada }).update({ name: 'Somebody else' });
    const files = await unzipped(written(mine.studioId));
    const all = [...files.values()].map((b) => Buffer.from(b).toString('latin1')).join('\n');
    expect(all).toContain(mine.ada);
    for (const secret of [
      'Somebody else',
      other.classId,
      '$argon2',
      'password_hash',
      'feed_hash',
    ]) {
      expect(all).not.toContain(secret);
    }
  });
});

const NAMES = 'a,b,c\r\n'.length;

describe('a table as CSV', () => {
  const cell = fc.oneof(
    fc.string(),
    fc.string({ unit: 'grapheme' }),
    fc.constantFrom('=1+1', '+1', '-1', '@a', "'", "'=1", '\t', '"', ',', 'a\r\nb', 'a\nb'),
  );
  const rows = fc.array(fc.tuple(fc.constantFrom('x', 'y'), cell, cell), { maxLength: 8 });

  it('is read as it was written, whatever stands in it, and no cell is a formula', () => {
    fc.assert(
      fc.property(rows, (lines) => {
        const csv = csvOf(['a', 'b', 'c'], lines, { named: true });
        expect(rowsIn(csv)).toEqual(lines.map(([a, b, c]) => ({ a, b, c })));
        const cells = Papa.parse<string[]>(csv, { delimiter: ',' }).data.flat();
        expect(cells.filter((c) => /^[=+\-@\t\r]/.test(c))).toEqual([]);
      }),
    );
  });

  it('is read in pieces as it is read whole, also where somebody has changed it by hand', async () => {
    const change = fc.record({
      at: fc.integer({ min: NAMES, max: 200 }),
      less: fc.nat(3),
      more: fc.constantFrom('', '"', '""', ',', '\r\n', '\r', 'a'),
    });
    await fc.assert(
      fc.asyncProperty(
        rows,
        fc.option(change, { nil: undefined }),
        fc.integer({ min: 0, max: 40 }),
        async (lines, changed, atATime) => {
          let csv = csvOf(['a', 'b', 'c'], lines, { named: true });
          if (changed) {
            const { at, less, more } = changed;
            csv = csv.slice(0, at) + more + csv.slice(at + less);
          }
          let turns = 0;
          const turn = async () => {
            turns++;
          };
          expect(await rowsInTurn(csv, { turn, atATime })).toEqual(rowsIn(csv));
          if (!changed) expect(turns).toBeGreaterThanOrEqual(atATime === 0 ? lines.length : 0);
        },
      ),
      { numRuns: 1000 },
    );
  });
});
