'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Assistant, KnownSpeech, Outcome } from '@/browser/assistant';
import { type Difference, differences, type Plan } from '@/core/class';
import { type Obstacle, TOLERANCE_MS } from '@/core/fit';
import { clock } from '@/core/formats';
import type { Move } from '@/core/move';
import { Dialog } from '../kit/dialog';
import type { Room } from './room';
import type { MeasuredScore } from './use-score';

export interface FitDialogProps {
  plan: Plan;
  totalMs: number;
  moves: readonly Move[];
  speech: KnownSpeech;
  room: Room;
  /** Measures what a class says: how long it then is, in ms, and all lengths known. */
  measure: MeasuredScore['measure'];
  nameOf: (moveId: string) => string;
  assistant: Assistant;
  onAccept: (plan: Plan) => void;
  onClose: () => void;
}

const OBSTACLE_WORDS: Record<Obstacle, string> = {
  locks: 'segments that are kept as they are',
  floors: 'the shortest sensible work of the moves',
  ceilings: 'the longest sensible work of the moves',
  rounds: 'how far rounds may change',
  balance: 'the balance of the class',
  refusals: 'changes you did not want',
  safety: 'changes that would not be safe for somebody',
  slot: 'the slot itself, which no change of these moves can reach. Give it another slot, or add or take out a move',
};

/** Measured speech may differ from the estimate; as many goes are made to come out right by it. */
const MOST_GOES = 3;

const keyOf = (d: Difference) => `${d.segmentId} ${d.what}`;

/** Makes the class last its slot, and shows every change before it is made. */
export function FitDialog(props: FitDialogProps) {
  const { plan, totalMs, nameOf, onAccept, onClose } = props;
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [progress, setProgress] = useState({ share: 0, words: 'Looking at the class' });
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [length, setLength] = useState<number | null>(null);
  const turn = useRef(0);
  // The class stands still while the dialog is open; only what is known of its speech grows.
  const given = useRef(props);

  const run = useCallback(async (without: readonly string[]) => {
    const mine = ++turn.current;
    const { plan, moves, measure, assistant, room } = given.current;
    const { people, sessionsAWeek } = room;
    const slotMs = plan.slotSeconds * 1000;
    let { speech } = given.current;
    setOutcome(null);
    for (let go = 1; go <= MOST_GOES; go++) {
      const found = await assistant.ask(
        { kind: 'fit', plan, moves, speech, refused: without, people, sessionsAWeek },
        (share, words) => setProgress({ share, words }),
      );
      if (mine !== turn.current) return;
      const { ms, lengths } = await measure(
        found.kind === 'fits' ? found.plan : found.kind === 'cannot' ? found.nearest : plan,
      );
      if (mine !== turn.current) return;
      speech = { ...speech, lengths };
      const right = ms <= slotMs && ms >= slotMs - TOLERANCE_MS;
      if (found.kind === 'fits' && !right && go < MOST_GOES) continue;
      setLength(ms);
      setOutcome(found);
      return;
    }
  }, []);

  useEffect(() => {
    void run([]);
    return () => {
      turn.current++;
      given.current.assistant.cancel();
    };
  }, [run]);

  const fitted =
    outcome?.kind === 'fits' ? outcome.plan : outcome?.kind === 'cannot' ? outcome.nearest : null;
  const edits = fitted ? differences(plan, fitted) : [];
  const slot = clock(plan.slotSeconds * 1000);
  return (
    <Dialog
      title={`Fit to ${slot}`}
      onClose={onClose}
      wide
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Leave it as it is
          </button>
          {refused.length > 0 && (
            <button
              type="button"
              className="btn"
              onClick={() => {
                setRefused([]);
                void run([]);
              }}
            >
              Allow all again
            </button>
          )}
          {fitted && edits.length > 0 && (
            <button type="button" className="btn btn-primary" onClick={() => onAccept(fitted)}>
              {outcome?.kind === 'fits' ? 'Make these changes' : 'Come this near'}
            </button>
          )}
        </>
      }
    >
      {!outcome && (
        <div role="status">
          <p>{progress.words} …</p>
          <progress className="progress progress-secondary w-full" max={1} value={progress.share} />
        </div>
      )}
      {outcome?.kind === 'failed' && <p role="alert">The fit did not work: {outcome.message}</p>}
      {outcome?.kind === 'cannot' && (
        <div role="status" className="mb-3">
          <p className="font-medium">
            It cannot last {slot} within its limits. The nearest that works is{' '}
            {clock(outcome.nearestMs)}.
          </p>
          <p className="quiet">
            What stands in the way:{' '}
            {outcome.collide
              .map((o) => OBSTACLE_WORDS[o])
              .join(outcome.together ? ', together with ' : ', or ')}
            .
          </p>
        </div>
      )}
      {outcome?.kind === 'fits' && (
        <p role="status" className="mb-3">
          {edits.length === 0
            ? 'It lasts its slot already.'
            : `${clock(totalMs)} becomes ${clock(length ?? 0)} by ${edits.length === 1 ? 'one change' : `${edits.length} changes`}.`}
          {!outcome.proved &&
            ' The search was stopped before it could prove that no smaller change would do.'}
        </p>
      )}
      {edits.length > 0 && (
        <div className="overflow-x-auto">
          <table className="table">
            <caption className="sr-only">Changes, each of which can be refused</caption>
            <thead className="text-base-content">
              <tr>
                <th scope="col">Move</th>
                <th scope="col">What</th>
                <th scope="col">Before</th>
                <th scope="col">After</th>
                <th scope="col">
                  <span className="sr-only">Refuse</span>
                </th>
              </tr>
            </thead>
            <tbody className="text-base">
              {edits.map((d) => (
                <tr key={keyOf(d)}>
                  <td className="font-medium">{nameOf(d.moveId ?? '')}</td>
                  <td>{d.what}</td>
                  <td className="quiet">{d.before}</td>
                  <td className="font-medium">{d.after}</td>
                  <td className="text-right">
                    <button
                      type="button"
                      className="btn btn-sm"
                      aria-label={`Not this: ${nameOf(d.moveId ?? '')}, ${d.what}`}
                      onClick={() => {
                        const next = [...refused, keyOf(d)];
                        setRefused(next);
                        void run(next);
                      }}
                    >
                      Not this
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Dialog>
  );
}
