'use client';

import { useState } from 'react';
import type { BeatLine as Line } from '@/core/streak';
import { Dialog } from '../dialog';
import { NOT_FETCHED, usePart } from '../use-part';
import { BeatLine } from './beat-line';

const load = () => import('./streak-accounts');

export interface StreakButtonProps {
  participantId: string;
  name: string;
  /** Of which class; all of theirs where nothing is said. */
  classId?: string;
  line: Line;
  large?: boolean;
}

/** A beat line that tells its account, day by day, when it is pressed. */
export function StreakButton({ line, large, ...of }: StreakButtonProps) {
  const [open, setOpen] = useState(false);
  const { part, failed, fetchPart } = usePart(load);
  const show = () => {
    setOpen(true);
    void fetchPart();
  };
  return (
    <>
      <button
        type="button"
        className="hover:bg-base-200 relative max-w-full cursor-pointer overflow-x-auto rounded-lg"
        title="Told day by day"
        onClick={show}
      >
        <BeatLine line={line} large={large} />
        <span className="sr-only">, told day by day: {of.name}</span>
      </button>
      {open && (
        <Dialog title={`${of.name}, day by day`} onClose={() => setOpen(false)} wide>
          {part ? <part.StreakAccounts {...of} /> : <Coming failed={failed} />}
        </Dialog>
      )}
    </>
  );
}

/** What stands where a part is still on its way. */
function Coming({ failed }: { failed: boolean }) {
  if (!failed) return <p role="status">Working it out…</p>;
  return (
    <p role="alert" className="text-error font-medium">
      {NOT_FETCHED}
    </p>
  );
}
