import { LRUCache } from 'lru-cache';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import {
  type Bend,
  isRoomEvent,
  type NewRunEvent,
  type RoomEvent,
  type RunEvent,
} from '@/core/run';
import { asBefore, type Db, isUniqueError } from '../db';
import { announcing, type RunNews } from '../live/hub';
import { currentPerson } from '../people/former';
import { found, type Scope } from '../scope';
import { leave, mark, walkIn } from '../sessions/register';
import { takesPlace } from '../sessions/sessions';
import { amendFormNotes } from './form-notes';
import { eventsOf, type RunLog } from './log';
import { beginWith } from './scores';

/** What is added to the log of a session. */

/** A class of four hours with forty people has a few hundred. */
export const MOST_LOGGED = 5000;

/** How far ahead of the server's clock a device may be, in ms, before its time is drawn back. */
const CLOCK_SLACK_MS = 2_000;

/** Who sends events, and from where. */
export interface Sender {
  /** The device, where only the leading one may bend the run. */
  device?: string;
  /** The studio's time zone, for the day somebody joins on. */
  timeZone?: string;
  /** Who leads, to learn how much they talk. */
  teacherId?: string;
  /** Their name, which stands beside what they change in a register that is closed. */
  by?: string;
}

interface Appending extends Sender {
  runId: string;
  drafts: readonly NewRunEvent[];
  /** The newest event that is known to whoever sends them. */
  after?: number;
  now: number;
}

/**
 * Appends events to a run's log, each once, in the order given, and keeps the register up with them.
 * Times are kept from running backwards or ahead of the server's clock.
 * @returns what came after what is known, with what is appended now, and who leads
 * @throws Refusal `not-found`; `not-leading` where another device leads; `log-full`
 */
export async function appendEvents(db: Db, scope: Scope, asked: Appending): Promise<RunLog> {
  const log = (await appendAtOnce(db, scope, asked)) ?? (await appendInTurn(db, scope, asked));
  const newest = log.events.at(-1);
  if (newest) {
    const { sessionId, made } = log;
    ends.set(asked.runId, { sessionId, made, seq: newest.seq, at: newest.at });
  }
  return log;
}

/** Where a log ended when this process last looked. */
interface End {
  sessionId: string;
  made: number;
  seq: number;
  at: number;
}
const ends = new LRUCache<string, End>({ max: 1000 });

/**
 * A press in a class that runs: whoever leads bends it, and knows all that has happened. Everybody in the room waits
 * for it, so it is one way to the database and back, and not five.
 * @returns null where it is anything else, or where the log ends otherwise by now; then nothing was appended
 */
async function appendAtOnce(
  db: Db,
  scope: Scope,
  { runId, drafts, after, now, device }: Appending,
): Promise<RunLog | null> {
  // What is refused here would break off a transaction that goes on.
  if (db.isTransaction) return null;
  const end = ends.get(runId);
  const isPress = device && drafts.every((e) => !isRoomEvent(e) && e.type !== 'started');
  if (!isPress || !end || end.seq !== after || end.seq + drafts.length > MOST_LOGGED) return null;
  const { sessionId, made } = end;
  const events = following(end, drafts, now);
  const rows = JSON.stringify(rowsOf(scope, runId, events, now));
  const ofRun = { runId, studioId: scope.studioId };
  try {
    const press = db.raw(
      `with run as (
         select id from runs where id = :runId and studio_id = :studioId and leader = :device
           and started_at is not null for update
       )
       insert into run_events
       select added.* from run, jsonb_populate_recordset(cast(null as run_events), :rows) as added
       where exists (select from run_events
           where run_id = :runId and studio_id = :studioId and seq = :seq and at_ms = :at)
       returning :notice`,
      { ...ofRun, device, rows, ...end, notice: announcing(db, runId, newsOf(end.seq, events)) },
    );
    const appended = await press.options(asBefore('press'));
    return appended.rowCount ? { id: runId, sessionId, events, leader: device, made } : null;
  } catch (error) {
    // Somebody was a moment earlier, or it was sent before.
    if (isUniqueError(error)) return null;
    throw error;
  }
}

async function appendInTurn(
  db: Db,
  scope: Scope,
  { runId, drafts, after = 0, now, device, timeZone = 'UTC', by }: Appending,
): Promise<RunLog> {
  return db.transaction(async (trx) => {
    const row = await trx('runs')
      .where({ id: runId, studio_id: scope.studioId })
      .forUpdate()
      .first('id', 'session_id', 'started_at', 'leader');
    const run = found(row, 'run');
    const ids = drafts.map(({ id }) => id);
    const log = await eventsOf(trx, scope, runId, { after, ids });
    const known = new Set(log.map((e) => e.id));
    const fresh = drafts.filter((draft) => !known.has(draft.id) && known.add(draft.id));
    let { leader } = run;
    if (device && fresh.some((e) => !isRoomEvent(e))) {
      if (leader && leader !== device) throw new Refusal('not-leading');
      if (!leader) await trx('runs').where({ id: runId }).update({ leader: device });
      leader = device;
    }
    const last = log.at(-1) ?? { seq: 0, at: 0 };
    // The end of a class always has a place.
    if (last.seq + fresh.length > MOST_LOGGED && fresh.some((e) => e.type !== 'finished')) {
      throw new Refusal('log-full', String(MOST_LOGGED));
    }
    const added = following(last, fresh, now);
    // Written and told at once: whoever follows waits for every way to the database and back.
    if (added.length > 0) {
      const notice = announcing(trx, runId, newsOf(last.seq, added));
      await trx('run_events')
        .insert(rowsOf(scope, runId, added, now))
        .returning(notice);
    }
    const begins = run.started_at ? undefined : fresh.find((e) => e.type === 'started');
    if (begins) await beginWith(trx, runId, begins.made);
    for (const event of added) {
      if (event.type === 'started' && begins) {
        await trx('runs')
          .where({ id: runId })
          .update({ started_at: new Date(event.at) });
        await takesPlace(trx, scope, run.session_id);
      }
      if (isRoomEvent(event)) {
        await keepRoom(trx, scope, { sessionId: run.session_id, event, timeZone, by });
      }
    }
    await amendFormNotes(trx, scope, run.session_id, added);
    const events = [...log, ...added].filter(({ seq }) => seq > after);
    const { prepared: made } = await trx('runs').where({ id: runId }).first('prepared');
    return { id: runId, sessionId: run.session_id, events, leader, made };
  });
}

/** Events with their places behind the end of a log. */
function following(
  end: { seq: number; at: number },
  drafts: readonly NewRunEvent[],
  now: number,
): RunEvent[] {
  let { seq, at } = end;
  return drafts.map((draft) => {
    seq++;
    at = Math.max(at, Math.min(draft.at, now + CLOCK_SLACK_MS));
    return { ...asKept(draft), at, seq };
  });
}

/** What began is led as a whole, and its number says nothing after. */
const asKept = (draft: NewRunEvent): NewRunEvent =>
  draft.type === 'started' ? { id: draft.id, type: draft.type, at: draft.at } : draft;

const rowsOf = (scope: Scope, runId: string, events: readonly RunEvent[], now: number) =>
  events.map(({ id, seq, type, at, ...data }) => ({
    studio_id: scope.studioId,
    run_id: runId,
    seq,
    id,
    at_ms: at,
    type,
    data,
    received_at: new Date(now),
  }));

/** What everybody may hear of events that were added behind another. */
const newsOf = (from: number, events: readonly RunEvent[]): RunNews => ({
  from,
  to: from + events.length,
  events: events.filter((event): event is Bend => !isRoomEvent(event)),
});

/** Brings the register up with something that happened in the room. */
async function keepRoom(
  db: Db,
  scope: Scope,
  {
    sessionId,
    event,
    timeZone,
    by,
  }: { sessionId: string; event: RoomEvent; timeZone: string; by?: string },
): Promise<void> {
  switch (event.type) {
    case 'marked':
      return mark(db, scope, {
        sessionId,
        participantId: event.participantId,
        value: event.mark,
        now: event.at,
        by,
      });
    case 'left':
      return leave(db, scope, {
        sessionId,
        participantId: event.participantId,
        leftAt: event.gone ? event.at : null,
        now: event.at,
        by,
      });
    case 'corrected':
      // Whoever never was here would stand in the way when the class is closed.
      await currentPerson(db, scope, event.participantId);
      return;
    case 'walkedIn': {
      const joinedOn = dateOn(event.at, timeZone);
      const { participantId: id, name } = event;
      return walkIn(db, scope, { sessionId, id, name, joinedOn, now: event.at });
    }
  }
}
