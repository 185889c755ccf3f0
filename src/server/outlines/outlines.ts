import { setImmediate } from 'node:timers/promises';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import { type Plan, planSchema, resolve, SAY, type Say } from '@/core/class';
import type { Area } from '@/core/move';
import { type Band, bandsOf, fillOf } from '@/core/outline';
import { factorOf, type Talk } from '@/core/run';
import type { Book } from '@/core/score';
import type { Teacher } from '../auth/sign-ins';
import { roomOf } from '../compose/room';
import type { Db } from '../db';
import { ownMovesStamp, studioBook } from '../moves/moves';
import type { Scope } from '../scope';
import { outlineOf } from '../speech/compile-measured';
import { speakerOf, type TeacherSpeaker, talkOfTeacher } from '../speech/teacher-speech';

/** A class in one line of a list. */
export interface ClassOutline {
  /** Its kinds in turn, for a ribbon in small. */
  bands: readonly Band[];
  totalMs: number;
  /** Whether that is as long as the voice really takes; an estimate where not all of it was spoken yet. */
  measured: boolean;
  fill: Partial<Record<Area, number>>;
}

interface Kept extends ClassOutline {
  /** How much this process had spoken when it was made. */
  spoken: number;
}

const MOST_KEPT = 5000;
/** What is estimated is looked at again after a while, since another process may have spoken it. */
const ESTIMATE_MS = 60_000;

/**
 * Outlines as they were made, by all that they are made from: the version of the class, the studio's moves, the
 * voice and how much the teacher talks. A plan that has not changed is not compiled again for each list.
 */
const kept = new LRUCache<string, Kept>({ max: MOST_KEPT });

/** What the outlines of a teacher's classes are made with. */
interface Means {
  book: () => Promise<Book>;
  moves: string;
  speaker: TeacherSpeaker;
  talk: Talk;
}

async function meansOf(db: Db, teacher: Teacher): Promise<Means> {
  const [moves, talk, speaker] = await Promise.all([
    ownMovesStamp(db, teacher),
    talkOfTeacher(db, teacher),
    speakerOf(db, teacher),
  ]);
  let book: Promise<Book> | undefined;
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

/** What a list shows of some classes, by id. @param now epoch ms */
export async function outlinesOf(
  db: Db,
  teacher: Teacher,
  { classIds, now }: { classIds: Iterable<string>; now: number },
): Promise<ReadonlyMap<string, ClassOutline>> {
  const [means, rows] = await Promise.all([
    meansOf(db, teacher),
    db('classes')
      .where({ studio_id: teacher.studioId })
      .whereIn('id', [...new Set(classIds)])
      .select(
        'id',
        'version',
        db.raw("plan->'rules'->>'explain' as explain, plan->'rules'->>'say' as say"),
      ),
  ]);
  const versions = z.array(versionSchema).parse(rows);
  const keyOf = ({ id, version, say }: { id: string; version: number; say: Say | null }) => {
    const factor = factorOf(means.talk, say ?? 'all');
    return [id, version, means.moves, factor, means.speaker.stamp].join(' ');
  };
  const outlines = new Map<string, ClassOutline>();
  const missing: string[] = [];
  for (const of of versions) {
    const known = of.explain === 'new-in-room' ? undefined : kept.get(keyOf(of));
    if (known && (known.measured || known.spoken === means.speaker.spoken())) {
      outlines.set(of.id, known);
    } else missing.push(of.id);
  }
  const plans = await plansOf(db, teacher, missing);
  // One after the other, since each looks at a file for every cue it has.
  for (const of of versions) {
    const plan = plans.get(of.id);
    if (!plan) continue;
    // Between two of them others have their turn.
    await setImmediate();
    const spoken = means.speaker.spoken();
    const outline = await outlineFor(db, teacher, { id: of.id, plan, means, now });
    kept.set(keyOf(of), { ...outline, spoken }, outline.measured ? {} : { ttl: ESTIMATE_MS });
    outlines.set(of.id, outline);
  }
  return outlines;
}

async function plansOf(
  db: Db,
  { studioId }: Scope,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Plan>> {
  if (ids.length === 0) return new Map();
  const rows = await db('classes')
    .where({ studio_id: studioId })
    .whereIn('id', [...ids])
    .select('id', 'plan');
  return new Map(rows.map((row) => [row.id, planSchema.parse(row.plan)]));
}

async function outlineFor(
  db: Db,
  teacher: Teacher,
  { id, plan, means, now }: { id: string; plan: Plan; means: Means; now: number },
): Promise<ClassOutline> {
  const { speaker, talk } = means;
  const book = await means.book();
  const asksWhoIsNew = plan.rules.explain === 'new-in-room';
  const people = asksWhoIsNew
    ? (await roomOf(db, teacher, { classId: id, zone: teacher.timeZone, now })).people
    : undefined;
  const room = people?.map((p) => p.met);
  const outline = await outlineOf(plan, book, speaker, {
    room,
    talkingFactor: factorOf(talk, plan.rules.say),
  });
  const { score, totalMs, measured } = outline;
  const resolved = resolve(plan, book);
  return { totalMs, measured, fill: fillOf(score, resolved), bands: bandsOf(score, resolved) };
}
