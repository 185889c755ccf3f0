import { setImmediate, setTimeout } from 'node:timers/promises';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { type Plan, planSchema, SAY, type Say } from '@/core/class';
import { factorOf, type Talk } from '@/core/run';
import type { Teacher } from '../auth/sign-ins';
import type { StudioBook } from '../compiling/book';
import { outlineOf } from '../compiling/measured';
import { isLight } from '../compiling/pool';
import type { ClassOutline } from '../compiling/tasks';
import { roomOf } from '../compose/room';
import { type Db, isForeignKeyError } from '../db';
import { ownMovesStamp, studioBook } from '../moves/moves';
import type { Scope } from '../scope';
import { speakerOf, type TeacherSpeaker, talkOfTeacher } from '../speech/teacher-speech';
import { errorFields, log } from '../watch/log';

interface Kept extends ClassOutline {
  /** How much this process had spoken when it was made. */
  spoken: number;
}

const MOST_KEPT = 5000;
/** What is estimated is looked at again after a while, since another process may have spoken it. */
const ESTIMATE_MS = 60_000;
/** What could not be worked out is not tried again at every look. */
const FAILED_MS = 600_000;
/** So many light classes are worked out while a list waits; what is more goes to a thread beside. */
const MOST_AT_ONCE = 20;
/** A list waits no longer for what is worked out beside; whatever is done later is there at the next look. */
const PATIENCE_MS = 2000;

/**
 * Outlines as they were made, by all that they are made from: the version of the class, the studio's moves, the
 * voice and how much the teacher talks. A plan that has not changed is not compiled again for each list. The newest
 * of each class and teacher is in the database as well.
 */
const kept = new LRUCache<string, Kept>({ max: MOST_KEPT });
const failed = new LRUCache<string, true>({ max: MOST_KEPT, ttl: FAILED_MS });
/** What is being made now, however many wait for it. */
const underway = new Map<string, Promise<ClassOutline>>();

/** What the outlines of a teacher's classes are made with. */
interface Means {
  book: () => Promise<StudioBook>;
  moves: string;
  speaker: TeacherSpeaker;
  talk: Talk;
}

async function meansOf(db: Db, teacher: Teacher): Promise<Means> {
  const [moves, talk, speaker] = await Promise.all([
    ownMovesStamp(db, teacher),
    talkOfTeacher(db, teacher),
    speakerOf(db, teacher, undefined, { device: 'as chosen' }),
  ]);
  let book: Promise<StudioBook> | undefined;
  return {
    book: () => {
      book ??= studioBook(db, teacher);
      return book;
    },
    moves,
    speaker,
    talk,
  };
}

const versionSchema = z.object({
  id: z.uuid(),
  version: z.number(),
  explain: z.string().nullable(),
  say: z.enum(SAY).nullable(),
});

/** A class as it is now, and what its outline is made from. */
interface Wanted {
  id: string;
  version: number;
  /** Whether it depends on who is booked, who may be others at the next look. */
  asksWhoIsNew: boolean;
  madeFrom: string;
}

async function wantedOf(
  db: Db,
  { studioId }: Scope,
  { classIds, means }: { classIds: Iterable<string>; means: Means },
): Promise<Wanted[]> {
  const rows = await db('classes')
    .where({ studio_id: studioId })
    .whereIn('id', [...new Set(classIds)])
    .select(
      'id',
      'version',
      db.raw("plan->'rules'->>'explain' as explain, plan->'rules'->>'say' as say"),
    );
  const from = (say: Say | null) =>
    [means.moves, factorOf(means.talk, say ?? 'all'), means.speaker.stamp].join(' ');
  return z
    .array(versionSchema)
    .parse(rows)
    .map(({ id, version, explain, say }) => ({
      id,
      version,
      asksWhoIsNew: explain === 'new-in-room',
      madeFrom: from(say),
    }));
}

/** What tells one outline from any other. */
const keyOf = ({ id, version, madeFrom }: Wanted): string => [id, version, madeFrom].join(' ');

/**
 * What a list shows of some classes, by id. A class that is still being worked out has what is known of it, as an
 * estimate, or nothing.
 * @param asked.now epoch ms
 */
export async function outlinesOf(
  db: Db,
  teacher: Teacher,
  { classIds, now }: { classIds: Iterable<string>; now: number },
): Promise<ReadonlyMap<string, ClassOutline>> {
  const means = await meansOf(db, teacher);
  const wanted = await wantedOf(db, teacher, { classIds, means });
  const outlines = new Map<string, ClassOutline>();
  const isTrue = (known: Kept) => known.measured || known.spoken === means.speaker.spoken();
  const unknown = wanted.filter((of) => {
    const known = of.asksWhoIsNew ? undefined : kept.get(keyOf(of));
    if (known && isTrue(known)) outlines.set(of.id, known);
    return !outlines.has(of.id);
  });
  const stored = await storedOf(db, teacher, unknown);
  const missing = unknown.filter((of) => {
    const known = stored.get(of.id);
    if (!known) return true;
    const same = known.madeFrom === of.madeFrom && known.outline.measured && !of.asksWhoIsNew;
    if (same) kept.set(keyOf(of), { ...known.outline, spoken: 0 });
    // As good as it is known until it has been worked out again.
    outlines.set(of.id, { ...known.outline, measured: same });
    return !same;
  });
  const plans = await plansOf(db, teacher, missing);
  const make = async (of: Wanted, plan: Plan, beside: boolean) => {
    if (failed.has(keyOf(of))) return;
    const made = await sharedOutline(db, teacher, { of, plan, means, now, beside });
    outlines.set(of.id, made);
  };
  const later: [Wanted, Plan][] = [];
  let atOnce = 0;
  for (const of of missing) {
    const plan = plans.get(of.id);
    if (!plan) continue;
    if (atOnce === MOST_AT_ONCE || !isLight(plan)) later.push([of, plan]);
    else {
      atOnce++;
      // Between two of them others have their turn.
      await setImmediate();
      await make(of, plan, false);
    }
  }
  if (later.length > 0) {
    const done = inTurn(later, (of, plan) => make(of, plan, true));
    const enough = new AbortController();
    await Promise.race([done, setTimeout(PATIENCE_MS, null, { signal: enough.signal })]);
    enough.abort();
  }
  // What comes later does not change what a list has been given.
  return new Map(outlines);
}

/** Works one outline after the other out, also when nobody waits any more. What fails is told in the log. */
async function inTurn(
  later: readonly [Wanted, Plan][],
  make: (of: Wanted, plan: Plan) => Promise<void>,
): Promise<void> {
  for (const [of, plan] of later) {
    try {
      await make(of, plan);
    } catch (error) {
      // There is more than enough to do; the next look goes on with it.
      if (error instanceof Refusal && error.code === 'still-busy') return;
      failed.set(keyOf(of), true);
      log().warn({ ...errorFields(error) }, 'a class could not be outlined');
    }
  }
}

interface ToMake {
  of: Wanted;
  plan: Plan;
  means: Means;
  now: number;
  beside: boolean;
}

/** Makes an outline and keeps it; whoever asks for the same meanwhile gets that one. */
function sharedOutline(db: Db, teacher: Teacher, asked: ToMake): Promise<ClassOutline> {
  const key = keyOf(asked.of);
  const making = underway.get(key);
  if (making) return making;
  const made = makeOutline(db, teacher, asked).finally(() => underway.delete(key));
  underway.set(key, made);
  return made;
}

async function makeOutline(
  db: Db,
  teacher: Teacher,
  { of, plan, means, now, beside }: ToMake,
): Promise<ClassOutline> {
  const { speaker, talk } = means;
  const book = await means.book();
  const room = of.asksWhoIsNew
    ? (await roomOf(db, teacher, { classId: of.id, zone: teacher.timeZone, now })).people
    : undefined;
  const spoken = speaker.spoken();
  const outline = await outlineOf(plan, book, speaker, {
    room: room?.map((p) => p.met),
    talkingFactor: factorOf(talk, plan.rules.say),
    beside,
  });
  kept.set(keyOf(of), { ...outline, spoken }, outline.measured ? {} : { ttl: ESTIMATE_MS });
  await store(db, teacher, of, outline);
  return outline;
}

async function plansOf(
  db: Db,
  { studioId }: Scope,
  of: readonly Wanted[],
): Promise<ReadonlyMap<string, Plan>> {
  if (of.length === 0) return new Map();
  const rows = await db('classes')
    .where({ studio_id: studioId })
    .whereIn(
      'id',
      of.map(({ id }) => id),
    )
    .select('id', 'plan');
  const plans = rows.flatMap(({ id, plan }): [string, Plan][] => {
    const { data, error } = planSchema.safeParse(plan);
    // One that cannot be read takes no list along: it stands there without an outline, and can be put away.
    if (error) log().warn({ class: id }, 'a class cannot be read');
    return data ? [[id, data]] : [];
  });
  return new Map(plans);
}

interface Stored {
  madeFrom: string;
  outline: ClassOutline;
}

/** What was kept of some classes as they are now, whatever it was made from. */
async function storedOf(
  db: Db,
  { id, studioId }: Teacher,
  wanted: readonly Wanted[],
): Promise<ReadonlyMap<string, Stored>> {
  if (wanted.length === 0) return new Map();
  const versions = new Map(wanted.map((of) => [of.id, of.version]));
  const rows = await db('class_outlines')
    .where({ teacher_id: id, studio_id: studioId })
    .whereIn('class_id', [...versions.keys()])
    .select('class_id', 'version', 'made_from', 'outline');
  // Outlines were made and stored by this server, so their shape is known.
  return new Map(
    rows
      .filter((row) => versions.get(row.class_id) === row.version)
      .map((row) => [row.class_id, { madeFrom: row.made_from, outline: row.outline }]),
  );
}

async function store(
  db: Db,
  { id, studioId }: Teacher,
  of: Wanted,
  outline: ClassOutline,
): Promise<void> {
  try {
    await db('class_outlines')
      .insert({
        class_id: of.id,
        teacher_id: id,
        studio_id: studioId,
        version: of.version,
        made_from: of.madeFrom,
        outline: JSON.stringify(outline),
      })
      .onConflict(['class_id', 'teacher_id'])
      .merge();
  } catch (error) {
    // The class, or the teacher, was removed meanwhile.
    if (!isForeignKeyError(error)) throw error;
  }
}

/** Classes whose outline is made ahead. */
const ahead = new Set<string>();

/**
 * Makes the outline of a heavy class when it was saved, so that it is there when a list asks for it; a light one is
 * made as quickly when it is asked for. Nobody waits for it.
 */
export function outlineAhead(
  db: Db,
  teacher: Teacher,
  { classId, plan, now }: { classId: string; plan: Plan; now: number },
): void {
  if (isLight(plan) || ahead.has(classId)) return;
  ahead.add(classId);
  outlinesOf(db, teacher, { classIds: [classId], now })
    .catch((error: unknown) => {
      log().warn({ ...errorFields(error) }, 'a class could not be outlined');
    })
    .finally(() => ahead.delete(classId));
}
