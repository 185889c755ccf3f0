import { workByArea } from '@/core/balance';
import { type ResolvedClass, resolve } from '@/core/class';
import { clock } from '@/core/formats';
import { AREAS, type Area } from '@/core/move';
import { type Book, type Score, segmentRuns } from '@/core/score';
import type { Teacher } from '@/server/auth/sign-ins';
import type { StoredClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { roomOf } from '@/server/compose/room';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { outlineOf, type Speaker } from '@/server/speech/compile-measured';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import type { Band } from '@/ui/kit/small-ribbon';

/** How strongly the dial shows each area: the share of the most worked one. */
export function fillOf(score: Score, { moves }: ResolvedClass): Partial<Record<Area, number>> {
  const work = workByArea(score, moves);
  const most = Math.max(1, ...AREAS.map((area) => work[area]));
  return Object.fromEntries(AREAS.map((area) => [area, work[area] / most]));
}

/** The kinds of a class in turn, neighbours of one kind together. */
function bandsOf(score: Score, { moves }: ResolvedClass): Band[] {
  const bands: Band[] = [];
  for (const { steps, startMs, endMs } of segmentRuns(score)) {
    const kind = moves.get(steps[0]?.moveId ?? '')?.kind ?? 'breath';
    const last = bands.at(-1);
    if (last?.kind === kind) last.ms += endMs - startMs;
    else bands.push({ kind, ms: endMs - startMs });
  }
  return bands;
}

/** A class in one line of a list. */
export interface ClassOutline {
  /** Its kinds in turn, for a ribbon in small. */
  bands: Band[];
  /** As long as Compose says it is, once its voice was measured there; "about" so long before. */
  length: string;
  totalMs: number;
  fill: Partial<Record<Area, number>>;
}

/** What outlines are made with: moves and words, who speaks, and how much the teacher talks. */
interface Means {
  book: Book;
  speaker: Speaker;
  factor: number;
}

/** What the outlines of a teacher's classes are made with. */
async function meansOf(teacher: Teacher): Promise<Means> {
  const [book, talk, speaker] = await Promise.all([
    studioBook(db(), teacher),
    talkOfTeacher(db(), teacher),
    speakerOf(db(), teacher),
  ]);
  return { book, speaker, factor: talk.factor };
}

/**
 * What a list shows of some classes, by id. One after the other, since each looks at a file for every
 * cue it has.
 */
export async function outlinesOf(
  teacher: Teacher,
  classes: readonly Pick<StoredClass, 'id' | 'plan'>[],
): Promise<ReadonlyMap<string, ClassOutline>> {
  const means = await meansOf(teacher);
  const outlines = new Map<string, ClassOutline>();
  for (const of of classes) outlines.set(of.id, await outlineFor(teacher, of, means));
  return outlines;
}

async function outlineFor(
  teacher: Teacher,
  { id, plan }: Pick<StoredClass, 'id' | 'plan'>,
  { book, speaker, factor }: Means,
): Promise<ClassOutline> {
  const asksWhoIsNew = plan.rules.explain === 'new-in-room';
  const people = asksWhoIsNew
    ? (await roomOf(db(), teacher, { classId: id, zone: teacher.timeZone, now: now() })).people
    : undefined;
  const room = people?.map((p) => p.met);
  const outline = await outlineOf(plan, book, speaker, { room, talkingFactor: factor });
  const { score, totalMs, measured } = outline;
  const length = `${measured ? '' : 'about '}${clock(totalMs)}`;
  const resolved = resolve(plan, book);
  return { length, totalMs, fill: fillOf(score, resolved), bands: bandsOf(score, resolved) };
}
