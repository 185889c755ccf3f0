import { workByArea } from '@/core/balance';
import { type ResolvedClass, resolve } from '@/core/class';
import { clock } from '@/core/formats';
import { AREAS, type Area } from '@/core/move';
import type { Book, Score } from '@/core/score';
import type { Teacher } from '@/server/auth/sign-ins';
import type { StoredClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { roomOf } from '@/server/compose/room';
import { db } from '@/server/db';
import { outlineOf, type Speaker } from '@/server/speech/compile-measured';

/** How strongly the dial shows each area: the share of the most worked one. */
export function fillOf(score: Score, { moves }: ResolvedClass): Partial<Record<Area, number>> {
  const work = workByArea(score, moves);
  const most = Math.max(1, ...AREAS.map((area) => work[area]));
  return Object.fromEntries(AREAS.map((area) => [area, work[area] / most]));
}

/** A class in one line of a list. */
export interface ClassOutline {
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

/**
 * What a list shows of some classes, by id. One after the other, since each looks at a file for every
 * cue it has.
 */
export async function outlinesOf(
  teacher: Teacher,
  classes: readonly Pick<StoredClass, 'id' | 'plan'>[],
  means: Means,
): Promise<ReadonlyMap<string, ClassOutline>> {
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
  return { length, totalMs, fill: fillOf(score, resolve(plan, book)) };
}
