import { MOST_EVENTS, type RefusalCode } from '@/core/calls';
import { isRoomEvent, type NewRunEvent, newRunEventSchema } from '@/core/run';
import { Refused, toldOf } from './api';
import { boxShelf } from './box-shelf';
import { Outbox, type Refusals } from './outbox';

/** What happens in a class, on its way to the server. */

interface Opening {
  /** The id of this tab. */
  device: string;
  isOpen: (device: string) => Promise<boolean>;
  onKeeps: (keeps: boolean) => void;
  /**
   * As which device something is sent.
   * @param leftBy the tab that has left it behind; nothing where it happened in this one
   */
  as: (leftBy: string | undefined) => string;
  send: (device: string, events: NewRunEvent[]) => Promise<void>;
  /** Hears of what the server will never take, and what it said. */
  onRefused: (event: NewRunEvent, says: string) => void;
}

export interface RunBox extends Pick<Outbox<NewRunEvent>, 'loaded' | 'waiting' | 'add' | 'flush'> {
  /**
   * Another device leads than the one whose turn it is to be sent: takes out what that one bent, and hands it back.
   * What happened among the people waits on.
   */
  giveWay: () => Promise<NewRunEvent[]>;
}

/** The events of a run that wait in this browser: those of this tab, and of tabs that are gone. */
export function runBox(runId: string, opening: Opening): RunBox {
  const { device, isOpen, onKeeps, as, send, onRefused } = opening;
  const shelf = boxShelf(runId, { schema: newRunEventSchema, device, isOpen, onKeeps });
  const senderOf = (event: NewRunEvent) => as(shelf.leftBy(event.id));
  const box: Outbox<NewRunEvent> = new Outbox(
    shelf,
    async (events) => {
      const [first] = events;
      if (first) await send(senderOf(first), events);
    },
    (waiting) => {
      const [first] = waiting;
      const others = waiting.findIndex((event) => first && senderOf(event) !== senderOf(first));
      return Math.min(MOST_EVENTS, others < 0 ? waiting.length : others);
    },
    refusals(onRefused),
  );
  return {
    loaded: box.loaded,
    waiting: () => box.waiting(),
    add: (event) => box.add(event),
    flush: () => box.flush(),
    giveWay: async () => {
      const [first] = box.waiting();
      if (!first) return [];
      const sender = senderOf(first);
      return box.take((event) => !isRoomEvent(event) && senderOf(event) === sender);
    },
  };
}

/** Refusals that the same event meets each time, however often it is sent. */
const FOR_GOOD: readonly (RefusalCode | undefined)[] = ['too-many-people', 'log-full'];

/** Of a log that is full, and of people for whom the register has no room, with what is told of them after. */
function refusals(tell: Opening['onRefused']): Refusals<NewRunEvent> {
  const people = new Set<string>();
  const isOfThem = (event: NewRunEvent) =>
    'participantId' in event && people.has(event.participantId);
  return {
    areForGood: (problem, events) =>
      problem instanceof Refused &&
      (FOR_GOOD.includes(problem.code) || (problem.code === 'not-found' && events.some(isOfThem))),
    setAside: (event, problem) => {
      if (event.type === 'walkedIn') people.add(event.participantId);
      tell(event, toldOf(problem));
    },
  };
}
