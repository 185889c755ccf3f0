import { CALLS } from '@/core/calls';
import { newRunEventSchema } from '@/core/run';
import { ask, isExpected, Refused, toldOf, Unreachable } from './api';
import { boxShelf } from './box-shelf';
import { inDatabase, type WaitingRow } from './database';
import { deviceId, isOpenElsewhere } from './device';
import { Outbox } from './outbox';
import {
  isRefusedForGood,
  isRegisters,
  type RegisterAct,
  type Registers,
  registerActSchema,
  registersOf,
  sendAct,
} from './register-acts';
import { runBox } from './run-box';

/** What waits in this browser, of whichever class: what happened while it was led, and what was done in registers. */

/** Nothing of the log is needed back. */
const NOTHING_AFTER = 1_000_000;

/** Whether it can be read what a row says. */
export const isReadable = ({ runId, event }: WaitingRow): boolean =>
  (isRegisters(runId) ? registerActSchema : newRunEventSchema).safeParse(event).success;

/** What became of what waited. */
export interface Sent {
  stored: number;
  /** What the server said of that which it will never take. It does not wait any more. */
  refused: string[];
  /** What the server said of that which waits on. */
  stuck: string[];
  /** Why nothing more was sent: the server does not answer, or nobody is signed in. Then all else waits on. */
  stopped: Refused | Unreachable | null;
}

interface Asked {
  /** Whether another tab is open under a device's id: it sends what is its own. */
  isOpen?: (device: string) => Promise<boolean>;
  /** The studio that somebody is signed in to: registers of others wait for theirs. All are sent where none is named. */
  studioId?: string;
}

/** Sends of one run, or one studio's registers, what waits; in the order in which it happened. */
type Sending = (isOpen: (device: string) => Promise<boolean>, sent: Sent) => Promise<void>;

const ofRun =
  (runId: string): Sending =>
  async (isOpen, sent) => {
    const device = await deviceId();
    const box = runBox(runId, {
      device,
      isOpen,
      onKeeps: () => {},
      as: (leftBy) => leftBy ?? device,
      send: async (by, events) => {
        const body = { device: by, events, after: NOTHING_AFTER };
        await ask(CALLS.sendEvents, { id: runId, body });
        sent.stored += events.length;
      },
      onRefused: (_, says) => sent.refused.push(says),
    });
    await box.loaded;
    // Whoever took the lead over bends the class; who was there is stored all the same.
    for (let waits = true; waits; ) {
      try {
        await box.flush();
        waits = false;
      } catch (problem) {
        if (!(problem instanceof Refused) || problem.code !== 'not-leading') throw problem;
        if ((await box.giveWay()).length === 0) throw problem;
        sent.refused.push(problem.message);
      }
    }
  };

const ofRegisters =
  (registers: Registers): Sending =>
  async (isOpen, sent) => {
    const opening = { schema: registerActSchema, device: deviceId(), isOpen, onKeeps: () => {} };
    const send = async ([act]: RegisterAct[]) => {
      if (!act) return;
      await sendAct(act, new Date().toISOString().slice(0, 10));
      sent.stored++;
    };
    const box = new Outbox(boxShelf(registers, opening), send, () => 1, {
      areForGood: isRefusedForGood,
      setAside: (_, problem) => sent.refused.push(toldOf(problem)),
    });
    await box.flush();
  };

/** Sends what waits. Where one class or register is refused, it waits on, and the others are sent. */
export async function sendWaiting({
  isOpen = isOpenElsewhere,
  studioId,
}: Asked = {}): Promise<Sent> {
  const rows = await inDatabase((db) => db.getAll('outbox'));
  const sent: Sent = { stored: 0, refused: [], stuck: [], stopped: null };
  for (const of of new Set(rows.map(({ runId }) => runId))) {
    if (studioId && isRegisters(of) && of !== registersOf(studioId)) continue;
    const sending = isRegisters(of) ? ofRegisters(of) : ofRun(of);
    try {
      await sending(isOpen, sent);
    } catch (problem) {
      if (!isExpected(problem)) throw problem;
      if (problem instanceof Unreachable || problem.code === 'signed-out') {
        return { ...sent, stopped: problem };
      }
      sent.stuck.push(problem.message);
    }
  }
  return sent;
}
