import { createHash } from 'node:crypto';
import { came } from '@/core/attendance';
import { Refusal, type RollEntry } from '@/core/calls';
import { blocksOf, changeRules, resolve, withEasier } from '@/core/class';
import { shownIn, withoutShown } from '@/core/follow';
import { factorOf, type Talk } from '@/core/run';
import type { MovesMet, Score } from '@/core/score';
import { type Utterance, utteranceKey, wordsKey } from '@/core/speech';
import { getClass, type StoredClass } from '../classes/classes';
import { compileMeasured, followable } from '../compiling/measured';
import type { Db } from '../db';
import { movesMet, ownMovesStamp, studioBook } from '../moves/moves';
import { found, type Scope } from '../scope';
import { roll } from '../sessions/register';
import { getSession } from '../sessions/sessions';
import type { Speaker } from '../speech/speaker';
import { voice } from '../speech/voice';
import { eventsOf, hasStarted, openLog, type RunLog } from './log';
import { keepScores } from './scores';

/** What a session is led with: its score, made ready with measured speech. */

/** A session as it is led: the score it was started with, and everything that happened. */
export interface Run extends RunLog {
  score: Score;
  /** The same class with the easier version of every move that has one. */
  easier: Score | null;
}

async function runOf(db: Db, scope: Scope, where: { id: string } | { session_id: string }) {
  const row = await db('runs')
    .where({ ...where, studio_id: scope.studioId })
    .whereNotNull('score')
    .first('id', 'session_id', 'score', 'easier', 'leader', 'prepared');
  if (!row) return undefined;
  const { id, leader, prepared: made } = row;
  // The scores were compiled and stored by this server, so their shape is known.
  const [score, easier] = [row.score as Score, row.easier as Score | null];
  const events = await eventsOf(db, scope, id);
  return { id, sessionId: row.session_id, score, easier, events, leader, made } satisfies Run;
}

/** @throws Refusal `not-found` where the run is not the studio's, or not ready yet */
export async function getRun(db: Db, scope: Scope, id: string): Promise<Run> {
  return found(await runOf(db, scope, { id }), 'run');
}

/** The run of a session once it has been made ready. */
export async function runOfSession(
  db: Db,
  scope: Scope,
  sessionId: string,
): Promise<Run | undefined> {
  return runOf(db, scope, { session_id: sessionId });
}

/** How the cues of a run are said. */
export interface SaidBy {
  /** Who says them; this machine's voice where nobody is named, nobody where it is null. */
  speaker?: Speaker | null;
  /** How the teacher talks; as the cues are where nobody is known. */
  talk?: Talk;
  /** The teacher in whose voice they are said to those who follow. */
  teacherId?: string;
  /** Another rate for this run than the class has. */
  wordsPerMinute?: number;
}

const saidIn = ({ cues, spares = [], wordsPerMinute }: Score): Utterance[] =>
  [...cues, ...spares.flatMap((spare) => spare.cues)].map(({ text, language }) => ({
    text,
    language,
    wordsPerMinute,
  }));

/** Everything that a class may say, each text once. */
export function allSaid(scores: readonly (Score | null)[]): Utterance[] {
  const said = scores.flatMap((score) => (score ? saidIn(score) : []));
  return [...new Map(said.map((utterance) => [utteranceKey(utterance), utterance])).values()];
}

/** Who else than the machine says what a class may say, and how surely its lengths are known. */
function saidOn(
  { deviceVoices, isRecorded = () => false, isMeasured = () => true }: Partial<Speaker>,
  scores: readonly Score[],
): Pick<Score, 'deviceVoices' | 'recorded'> & Partial<Pick<Score, 'speech'>> {
  const said = allSaid(scores);
  return {
    ...(deviceVoices && { deviceVoices }),
    recorded: said.filter(isRecorded).map(wordsKey),
    ...(said.every(isMeasured) ? {} : { speech: 'mixed' }),
  };
}

/** What a session is made ready from, besides the studio's own moves. */
interface Grounds {
  stored: StoredClass;
  room: MovesMet;
}

/** The moves that each person has met who is here, or is still expected. */
const metInRoom = (db: Db, scope: Scope, expected: readonly RollEntry[]): Promise<MovesMet> =>
  movesMet(
    db,
    scope,
    expected
      .filter((e) => (e.attendance ? came(e.attendance.mark) : !e.away))
      .map((e) => e.participantId),
  );

async function basis(
  db: Db,
  scope: Scope,
  { stored: { id, version, plan }, room }: Grounds,
): Promise<string> {
  const moves = new Set(blocksOf(plan).flatMap((b) => b.segments.map((s) => s.move)));
  const byRoom = plan.rules.explain === 'new-in-room' && room.length > 0;
  // What everybody has met is not explained there, and so a single newcomer makes it another class.
  const known = byRoom ? [...moves].filter((move) => room.every((met) => met.has(move))) : [];
  const of = [id, version, await ownMovesStamp(db, scope), ...known.sort()];
  return createHash('sha256').update(of.join()).digest('hex').slice(0, 16);
}

/**
 * What a session would be made ready from now: its class, the studio's moves and who is in the room, in a word
 * that is another one when any of it changes what is led.
 * @param expected everybody on the roll of the session
 * @throws Refusal `not-found`
 */
export async function basisOf(
  db: Db,
  scope: Scope,
  { classId, expected }: { classId: string; expected: readonly RollEntry[] },
): Promise<string> {
  const stored = await getClass(db, scope, classId);
  return basis(db, scope, { stored, room: await metInRoom(db, scope, expected) });
}

/**
 * Makes the run of a session ready: the class as it is now, compiled with measured speech. Once the
 * run has begun its score stands, whatever is edited after.
 * @returns it, and what it was made ready from (`basisOf`); null where it has begun
 * @throws Refusal `not-found`, `cancelled`, `empty-class`
 */
export async function prepareRun(
  db: Db,
  scope: Scope,
  {
    sessionId,
    now,
    speaker,
    talk = { self: false, samples: [] },
    teacherId,
    wordsPerMinute,
  }: SaidBy & { sessionId: string; now: number },
): Promise<Run & { basis: string | null }> {
  const session = await getSession(db, scope, sessionId);
  if (session.status === 'cancelled') throw new Refusal('cancelled');
  const existing = await runOfSession(db, scope, sessionId);
  if (existing && hasStarted(existing)) return { ...existing, basis: null };
  const stored = await getClass(db, scope, session.classId);
  const plan = wordsPerMinute ? changeRules(stored.plan, { wordsPerMinute }) : stored.plan;
  const room = await metInRoom(db, scope, await roll(db, scope, sessionId));
  const from = await basis(db, scope, { stored, room });
  const book = await studioBook(db, scope);
  const speaking = speaker === undefined ? await voice() : speaker;
  const { say } = plan.rules;
  const options = { room, talkingFactor: factorOf(talk, say) };
  const words = { say, self: talk.self };
  // With the other language beside each cue, for those who follow in it; it changes no time.
  const shown = shownIn(plan);
  const inBoth = await compileMeasured(shown, book, speaking, {
    ...options,
    forRun: 'planned',
  });
  const easierInBoth = await compileMeasured(withEasier(resolve(shown, book)), book, speaking, {
    ...options,
    forRun: 'easier',
  });
  if (inBoth.steps.length === 0) {
    throw new Refusal('empty-class');
  }
  const follow = await followable({ plan, score: inBoth, easier: easierInBoth }, book);
  const score = {
    ...withoutShown(inBoth, plan),
    ...saidOn(speaking ?? {}, [inBoth, easierInBoth]),
  };
  const easier = withoutShown(easierInBoth, plan);
  await openLog(db, scope, sessionId, now);
  await keepScores(db, scope, {
    sessionId,
    now,
    score: JSON.stringify({ ...score, words }),
    easier: JSON.stringify({ ...easier, words }),
    follow: JSON.stringify(follow),
    ledBy: teacherId ?? null,
  });
  const run = found(await runOfSession(db, scope, sessionId), 'run');
  return { ...run, basis: hasStarted(run) ? null : from };
}
