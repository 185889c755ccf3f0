import { randomUUID } from 'node:crypto';
import { libraryMove } from '@library';
import { FILM } from '@testing/films';
import type { Move } from '@/core/move';
import { wavOf } from '@/core/speech';
import { hashPassword } from '@/server/auth/passwords';
import type { Db } from '@/server/db';
import { seedDemo } from '@/server/demo/seed';
import { orderFilm } from '@/server/film/films';
import type { FilmMaker } from '@/server/film/maker';
import { behind, openDoor } from '@/server/follow/doors';
import { comeIn } from '@/server/follow/followers';
import { saveOwnMove } from '@/server/moves/moves';
import { giveHomeClass } from '@/server/people/home';
import { makeHome } from '@/server/people/practice';
import { prepareRun } from '@/server/runs';
import { putAttendance } from '@/server/sessions/register';
import { saveRecording } from '@/server/speech/recordings';
import { keepSaidWord } from '@/server/speech/said-words';
import { NOON } from '@/server/testing/studio';

/** Studios with something of everything, to be tried from outside. */

export interface Full {
  studioId: string;
  /** An owner, and a teacher who is none. */
  owner: string;
  colleague: string;
  ids: Ids;
}

/** One thing of each kind. */
export interface Ids {
  classes: string;
  people: string;
  person2: string;
  sessions: string;
  runs: string;
  recordings: string;
  words: string;
  music: string;
  films: string;
  moves: string;
  changes: string;
  programmes: string;
  closures: string;
  notes: string;
  questions: string;
  homeToken: string;
  followers: string;
  teacher: string;
}

const smile = libraryMove('smile-pulses') as Move;
const WAV = wavOf({ samples: new Float32Array(2400), rate: 24_000 });

/** @param mark stands in everything that people have written in it */
export async function fullStudio(db: Db, mark: string): Promise<Full> {
  const email = `${mark.toLowerCase()}@harbour.example`;
  await seedDemo(db, 'unknown', NOON, { email, endsAt: NOON + 365 * 86_400_000 });
  const { id: owner, studio_id: studioId } = await db('teachers').where({ email }).first();
  const scope = { studioId };
  const of = { studio_id: studioId };
  await db('studios')
    .where({ id: studioId })
    .update({ is_demo: false, name: `Hall ${mark}` });
  const colleague = randomUUID();
  await db('teachers').insert({
    id: colleague,
    ...of,
    email: `second-${email}`,
    name: `Sten ${mark}`,
    role: 'teacher',
    password_hash: await hashPassword('a long enough password'),
    created_at: new Date(NOON),
  });
  await db('participants')
    .where(of)
    .update({ name: db.raw("name || ' ' || ?", [mark]) });
  await db('classes')
    .where(of)
    .update({
      plan: db.raw("jsonb_set(plan, '{name}', to_jsonb(plan->>'name' || ' ' || ?::text))", [mark]),
    });
  const first = async (table: string, where: object = {}) =>
    (
      await db(table)
        .where({ ...of, ...where })
        .orderBy('id')
        .first('id')
    )?.id as string;
  const [one, two] = await db('participants').where(of).orderBy('name').pluck('id');
  const session = await db('sessions')
    .where({ ...of, status: 'planned' })
    .orderBy('starts_at')
    .first('id');
  const run = await prepareRun(db, scope, { sessionId: session.id, now: NOON, speaker: null });
  const cue = { language: 'en', text: `Soft jaw ${mark}.`, wav: WAV } as const;
  const said = { language: 'en' as const, written: `Hall ${mark}`, said: mark };
  const word = await keepSaidWord(db, scope, said, NOON);
  const classId = await first('classes');
  // A film that waits for its turn: nobody makes it here.
  const maker = { add: async () => {}, stop: () => {} } as unknown as FilmMaker;
  const ordered = { id: randomUUID(), classId, options: FILM, now: NOON };
  const film = await orderFilm({ db, maker }, { id: owner, studioId }, ordered);
  const recording = await saveRecording(db, { id: owner, studioId }, cue, NOON);
  const song = randomUUID();
  await db('music').insert({
    id: song,
    ...of,
    name: `Song ${mark}`,
    ms: 60_000,
    added_at: new Date(NOON),
    sound: Buffer.from(`ID3 ${mark}`),
  });
  const move = `own-${mark.toLowerCase()}`;
  await saveOwnMove(db, scope, { ...smile, id: move }, { now: NOON });
  const held = await first('sessions', { status: 'held' });
  const change = await putAttendance(db, scope, {
    line: { sessionId: held, participantId: one },
    after: { mark: 'excused', arrivedAt: null, leftAt: null },
    by: `Ines ${mark}`,
    now: NOON,
  });
  const home = { participantId: one, classId, now: NOON };
  await giveHomeClass(db, scope, home);
  const door = await openDoor(db, scope, session.id, NOON);
  const inside = await behind(db, door.code, NOON);
  if (!inside) throw new Error('the door that was opened leads nowhere');
  await comeIn(db, inside, { name: `Jon ${mark}` }, NOON);
  const parked = await db('run_events')
    .where({ ...of, type: 'parked' })
    .first('id');
  return {
    studioId,
    owner,
    colleague,
    ids: {
      classes: classId,
      people: one,
      person2: two,
      sessions: session.id,
      runs: run.id,
      recordings: recording.id,
      words: word.id,
      music: song,
      films: film.id,
      moves: move,
      changes: change ?? '',
      programmes: await first('programmes'),
      closures: await first('closures'),
      notes: await first('form_notes'),
      questions: parked.id,
      homeToken: await makeHome(db, scope, one),
      teacher: colleague,
      followers: await first('followers'),
    },
  };
}

let asked = '';

/** All that is stored of a studio, as one text. Sign-ins, which say when they were seen, are of teachers. */
export async function storedOf(db: Db, studioId: string): Promise<string> {
  if (!asked) {
    const tables: string[] = await db('information_schema.columns')
      .where({ table_schema: 'public', column_name: 'studio_id' })
      .orderBy('table_name')
      .pluck('table_name');
    const sums = tables.map(
      (t) =>
        `select '${t}' as of, md5(string_agg(t::text, ' ' order by t::text)) as sum from ${t} t where studio_id = :id`,
    );
    const studio = "select 'studios', md5(t::text) from studios t where id = :id";
    asked = [...sums, studio].join(' union all ');
  }
  const { rows } = await db.raw(asked, { id: studioId });
  return JSON.stringify(rows);
}
