import { dequal } from 'dequal';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { isExpected, toldOf, Unreachable } from '@/browser/api';
import { boxShelf } from '@/browser/box-shelf';
import { deviceId, isOpenElsewhere } from '@/browser/device';
import { newId } from '@/browser/new-id';
import { Outbox } from '@/browser/outbox';
import {
  cellOf,
  isRefusedForGood,
  type RegisterAct,
  registerActSchema,
  registersOf,
  type Saying,
  sendAct,
} from '@/browser/register-acts';
import type { RegisterCell, RegisterLine } from '@/core/calls';
import { useWarnOfLoss } from '../kit/use-warn-of-loss';

const RETRY_MS = 3000;
/** Most acts that wait to be stored. */
export const MOST_WAITING = 500;
/** Most refusals that are told at once, the newest. */
const MOST_TOLD = 10;

const KEPT = 'What you marked is kept here.';
const UNKEPT = 'This browser has no room for what you marked. Leave the page open.';

/** Somebody in one session. */
interface Place {
  participantId: string;
  sessionId: string;
}

/** A change that was made here, and how the place was shown before it. */
interface Made extends Place {
  id: string;
  before: RegisterCell | null;
}

export interface RegisterState {
  lines: readonly RegisterLine[];
  /** Places of this register where something is not stored yet. */
  waiting: readonly Place[];
  /** Why what waits is not stored, and how much that is. */
  stuck: { says: string; acts: number } | null;
  /** What was refused for good, in sentences, until it is understood. */
  refused: readonly { id: string; says: string }[];
  understood: () => void;
  /** Names what was taken back last, for those who do not see it. */
  done: string;
  say: (place: Place, said: Saying | null) => void;
  retry: () => void;
  /** Takes the last change made here back; nothing where there is none. */
  undo: () => void;
  /** Takes any correction back, by its id. */
  takeBack: (id: string) => void;
  canUndo: boolean;
}

const placeOf = (act: RegisterAct) => (act.type === 'said' ? act : act.of);

/** The lines as they are once an act is done. */
function shownWith(
  lines: readonly RegisterLine[],
  act: RegisterAct,
  nameOf: (id: string) => string,
): readonly RegisterLine[] {
  const place = placeOf(act);
  if (!place) return lines;
  const { participantId, sessionId, shows } = place;
  const without = {
    booked: false,
    expected: [],
    cells: [],
    streak: null,
    came: 0,
    of: 0,
    says: '',
  };
  const line = lines.find((l) => l.participantId === participantId);
  const before = line ?? { participantId, name: nameOf(participantId), ...without };
  const others = before.cells.filter((c) => c.sessionId !== sessionId);
  const after = { ...before, cells: shows ? [...others, shows] : others };
  return line ? lines.map((l) => (l === line ? after : l)) : [...lines, after];
}

/**
 * A register that is marked faster than the server answers: what is said is seen at once, stored in the order in which
 * it was said, and kept on the device until the server has it, also where the page is left.
 * @param from first day of the register, ISO 8601
 * @param others people who have no line yet
 */
export function useRegister(
  initial: readonly RegisterLine[],
  {
    studioId,
    classId,
    from,
    others,
  }: {
    studioId: string;
    classId: string;
    from: string;
    others: readonly { id: string; name: string }[];
  },
): RegisterState {
  const [stored, setStored] = useState(initial);
  // As they are told from others of their name, which an answer about one of them cannot know.
  const [names] = useState(
    () =>
      new Map([
        ...others.map((o): [string, string] => [o.id, o.name]),
        ...initial.map((l): [string, string] => [l.participantId, l.name]),
      ]),
  );
  const nameOf = useCallback((id: string) => names.get(id) ?? 'Somebody', [names]);
  const [waiting, setWaiting] = useState<readonly RegisterAct[]>([]);
  const [problem, setProblem] = useState<Error | null>(null);
  const [keeps, setKeeps] = useState(true);
  const [refused, setRefused] = useState<RegisterState['refused']>([]);
  const [done, setDone] = useState('');
  const [made, setMade] = useState<readonly Made[]>([]);
  const box = useRef<Outbox<RegisterAct> | null>(null);
  /** Acts that changed nothing, so that there is nothing to take back. */
  const idle = useRef(new Set<string>());

  const shown = useCallback(() => setWaiting(box.current?.waiting() ?? []), []);
  const forget = useCallback((id: string) => {
    idle.current.add(id);
    setMade((all) => all.filter((m) => m.id !== id));
  }, []);
  const tell = useCallback((says: string) => {
    setRefused((all) => [...all, { id: newId(), says }].slice(-MOST_TOLD));
  }, []);
  const setAside = useCallback(
    (act: RegisterAct, why: unknown) => {
      forget(act.id);
      const place = placeOf(act);
      tell(`${place ? `${nameOf(place.participantId)}: ` : ''}${toldOf(why)}`);
    },
    [forget, tell, nameOf],
  );
  const send = useCallback(
    async ([act]: RegisterAct[]) => {
      shown();
      if (!act || (act.type === 'takenBack' && idle.current.has(act.change))) return;
      const answer = await sendAct(act, from);
      if (!answer) return;
      const { line, change } = answer;
      if (change === null) forget(act.id);
      const participantId = line?.participantId ?? placeOf(act)?.participantId;
      if (act.type === 'takenBack') setDone(`Taken back${line ? ` for ${line.name}` : ''}.`);
      // What was left from the register of another class is none of these lines.
      if (act.classId !== classId) return;
      setStored((all) => {
        if (!line) return all.filter((l) => l.participantId !== participantId);
        const named = { ...line, name: names.get(line.participantId) ?? line.name };
        return all.some((l) => l.participantId === participantId)
          ? all.map((l) => (l.participantId === participantId ? named : l))
          : [...all, named];
      });
    },
    [shown, forget, classId, from, names],
  );
  const flush = useCallback(async () => {
    try {
      await box.current?.flush();
      setProblem(null);
    } catch (error) {
      if (!isExpected(error)) throw error;
      setProblem(error);
    } finally {
      shown();
    }
  }, [shown]);

  useEffect(() => {
    const shelf = boxShelf(registersOf(studioId), {
      schema: registerActSchema,
      device: deviceId(),
      isOpen: isOpenElsewhere,
      onKeeps: setKeeps,
    });
    const opened = new Outbox(shelf, send, () => 1, { areForGood: isRefusedForGood, setAside });
    box.current = opened;
    void opened.loaded.then(() => {
      if (box.current === opened) void flush();
    });
    return () => {
      box.current = null;
    };
  }, [studioId, send, setAside, flush]);

  const away = problem instanceof Unreachable;
  useEffect(() => {
    if (!problem || waiting.length === 0) return;
    const timer = away ? setInterval(flush, RETRY_MS) : undefined;
    window.addEventListener('online', flush);
    // Somebody may have signed in again elsewhere.
    window.addEventListener('focus', flush);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', flush);
      window.removeEventListener('focus', flush);
    };
  }, [problem, away, waiting, flush]);
  useWarnOfLoss(!keeps && waiting.length > 0);

  const lines = useMemo(
    () =>
      waiting
        .filter((act) => act.classId === classId)
        .reduce((all, act) => shownWith(all, act, nameOf), stored),
    [stored, waiting, classId, nameOf],
  );

  const add = useCallback(
    (act: RegisterAct): boolean => {
      const waits = box.current?.waiting().length ?? 0;
      if (waits >= MOST_WAITING) {
        tell(`${MOST_WAITING} marks wait to be stored, which is the most. Store them first.`);
        return false;
      }
      void box.current?.add(act);
      shown();
      void flush();
      return true;
    },
    [tell, shown, flush],
  );
  const say = useCallback(
    (place: Place, said: Saying | null) => {
      const { participantId, sessionId } = place;
      const cells = lines.find((l) => l.participantId === participantId)?.cells;
      const before = cells?.find((c) => c.sessionId === sessionId);
      const shows = said && cellOf(sessionId, said, before);
      const id = newId();
      if (!add({ type: 'said', id, classId, participantId, sessionId, said, shows })) return;
      // Where nothing changes to be seen, there is nothing to take back either.
      const same = dequal({ ...before, tookMinutes: null }, { ...shows, tookMinutes: null });
      const change = { id, participantId, sessionId, before: before ?? null };
      if (!same) setMade((all) => [...all, change]);
    },
    [lines, add, classId],
  );
  const takeBack = useCallback(
    (change: string) => void add({ type: 'takenBack', id: newId(), classId, change, of: null }),
    [add, classId],
  );
  const undo = useCallback(() => {
    const last = made.at(-1);
    if (!last) return;
    const { id: change, before: shows, participantId, sessionId } = last;
    const of = { participantId, sessionId, shows };
    if (add({ type: 'takenBack', id: newId(), classId, change, of })) {
      setMade((all) => all.filter((m) => m !== last));
    }
  }, [made, add, classId]);

  const acts = waiting.length;
  const stuck = problem && acts > 0 ? { says: toldOf(problem, keeps ? KEPT : UNKEPT), acts } : null;
  return {
    lines,
    waiting: waiting.filter((act) => act.classId === classId).flatMap((act) => placeOf(act) ?? []),
    stuck,
    refused,
    understood: () => setRefused([]),
    done,
    say,
    retry: flush,
    undo,
    takeBack,
    canUndo: made.length > 0,
  };
}
