import { useEffect, useState } from 'react';
import { clock } from '@/core/formats';
import type { CatchUp, Playback } from '@/core/run';
import { Dialog } from '../kit/dialog';
import { askCatchUp, type CatchUpAnswer } from './ask-catch-up';

export interface CatchUpDialogProps {
  state: Playback;
  /** When the slot ends, epoch ms. */
  endAt: number;
  nameOf: (moveId: string) => string;
  onTrim: (trims: CatchUp) => void;
  onClose: () => void;
}

/** Shows what would be taken from the rest of the class so that it ends on time. */
export function CatchUpDialog({ state, endAt, nameOf, onTrim, onClose }: CatchUpDialogProps) {
  const [answer, setAnswer] = useState<CatchUpAnswer | null>(null);
  const [asked] = useState({ state, endAt });
  useEffect(() => {
    let gone = false;
    void askCatchUp(asked.state, asked.endAt).then((given) => {
      if (!gone) setAnswer(given);
    });
    return () => {
      gone = true;
    };
  }, [asked]);
  const trims = answer?.ok ? answer.trims : null;
  const some = trims !== null && trims.lines.length > 0;
  return (
    <Dialog
      title="Catch up"
      onClose={onClose}
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Leave it as it is
          </button>
          {some && (
            <button
              type="button"
              className="btn btn-primary upbeat-on-accent"
              onClick={() => onTrim(trims)}
              // biome-ignore lint/a11y/noAutofocus: Enter agrees, as a hand in mid-class needs it to.
              autoFocus
            >
              Trim this
            </button>
          )}
        </>
      }
    >
      {!answer && <p role="status">Looking for the least to take away. The class runs on.</p>}
      {answer?.ok === false && (
        <p role="alert">It could not be worked out: {answer.message} The class runs on as it is.</p>
      )}
      {trims && !some && (
        <p>
          {trims.lateMs <= 0
            ? `Nothing to trim: the class ends ${clock(-trims.lateMs)} inside the slot.`
            : 'There is nothing left that could be made shorter.'}
        </p>
      )}
      {some && (
        <>
          <p>
            {Math.abs(trims.lateMs) < 2500
              ? 'With this the class ends on time.'
              : trims.lateMs > 0
                ? `Even with this it ends ${clock(trims.lateMs)} past the slot.`
                : `With this it ends ${clock(-trims.lateMs)} inside the slot.`}
            {!trims.proved && ' A smaller change may be possible; the search was stopped.'}
          </p>
          <ul className="divide-base-300 mt-3 divide-y" aria-label="What is trimmed">
            {trims.lines.map(({ segmentId, moveId, words }) => (
              <li key={segmentId} className="flex flex-wrap justify-between gap-x-4 py-2">
                <span className="font-semibold">{nameOf(moveId)}</span>
                <span>{words}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Dialog>
  );
}
