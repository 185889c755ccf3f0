import PQueue from 'p-queue';
import { useCallback, useMemo, useRef, useState } from 'react';
import { ask, toldOf, Unreachable } from '@/browser/api';
import type { Mark } from '@/core/attendance';
import { CALLS, type RegisterCell, type RegisterLine } from '@/core/calls';

/** What is said of somebody in one session of a register. */
export interface Saying {
  participantId: string;
  sessionId: string;
  said: { mark: Mark; lateMinutes?: number; leftMinutes?: number } | null;
}

export interface RegisterState {
  lines: readonly RegisterLine[];
  /** What is not stored yet: on its way, or waiting to be tried again. */
  waiting: readonly Saying[];
  error: string | null;
  /** Names what was done last, for those who do not see it. */
  done: string;
  say: (saying: Saying) => void;
  retry: () => void;
  /** Takes the last change made here back; nothing where there is none. */
  undo: () => void;
  /** Takes any correction back, by its id. */
  takeBack: (id: string) => void;
  canUndo: boolean;
}

const withCell = (
  line: RegisterLine,
  { sessionId, said }: Pick<Saying, 'sessionId' | 'said'>,
): RegisterLine => {
  const before = line.cells.find((c) => c.sessionId === sessionId);
  const others = line.cells.filter((c) => c.sessionId !== sessionId);
  if (!said) return { ...line, cells: others };
  const cell: RegisterCell = {
    sessionId,
    mark: said.mark,
    lateMinutes: said.lateMinutes ?? before?.lateMinutes ?? 0,
    leftMinutes: said.leftMinutes ?? before?.leftMinutes ?? 0,
    tookMinutes: null,
    changed: before?.changed ?? false,
  };
  return { ...line, cells: [...others, cell] };
};

/**
 * A register that is marked faster than the server answers: what is said is seen at once, stored in the order in
 * which it was said, and kept to be tried again where the server is away.
 * @param from first day of the register, ISO 8601
 * @param others people who have no line yet
 */
export function useRegister(
  initial: readonly RegisterLine[],
  { from, others }: { from: string; others: readonly { id: string; name: string }[] },
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
  const [waiting, setWaiting] = useState<readonly Saying[]>([]);
  const [error, setError] = useState<string | null>(null);
  const [done, setDone] = useState('');
  const [changes, setChanges] = useState<readonly string[]>([]);
  const queue = useRef<PQueue | null>(null);
  queue.current ??= new PQueue({ concurrency: 1 });

  const put = useCallback(
    (answered: RegisterLine) => {
      const line = { ...answered, name: names.get(answered.participantId) ?? answered.name };
      setStored((all) =>
        all.some((l) => l.participantId === line.participantId)
          ? all.map((l) => (l.participantId === line.participantId ? line : l))
          : [...all, line],
      );
    },
    [names],
  );
  const send = useCallback(
    (saying: Saying) =>
      queue.current?.add(async () => {
        const { sessionId, participantId, said } = saying;
        try {
          const answer = await ask(CALLS.correctMark, {
            id: sessionId,
            body: { participantId, said, from },
          });
          put(answer.line);
          if (answer.change) setChanges((all) => [...all, answer.change as string]);
          setWaiting((all) => all.filter((w) => w !== saying));
        } catch (problem) {
          setError(toldOf(problem, 'What you marked is kept here.'));
          // What was refused is not tried again; what did not arrive is.
          if (!(problem instanceof Unreachable)) {
            setWaiting((all) => all.filter((w) => w !== saying));
          }
        }
      }),
    [from, put],
  );
  const say = useCallback(
    (saying: Saying) => {
      setError(null);
      setWaiting((all) => [...all, saying]);
      send(saying);
    },
    [send],
  );
  const retry = useCallback(() => {
    setError(null);
    for (const saying of waiting) send(saying);
  }, [waiting, send]);
  const takeBack = useCallback(
    (id: string) => {
      setError(null);
      queue.current?.add(async () => {
        try {
          const { line } = await ask(CALLS.takeBackMark, { id, body: { from } });
          put(line);
          setDone(`Taken back for ${line.name}.`);
        } catch (problem) {
          setError(toldOf(problem));
        }
      });
    },
    [from, put],
  );
  const undo = useCallback(() => {
    const last = changes.at(-1);
    if (!last) return;
    setChanges((all) => all.slice(0, -1));
    takeBack(last);
  }, [changes, takeBack]);
  const lines = useMemo(
    () =>
      stored.map((line) =>
        waiting.filter((w) => w.participantId === line.participantId).reduce(withCell, line),
      ),
    [stored, waiting],
  );
  return { lines, waiting, error, done, say, retry, undo, takeBack, canUndo: changes.length > 0 };
}
