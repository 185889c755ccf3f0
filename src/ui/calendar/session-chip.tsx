import clsx from 'clsx';
import { dateLabel } from '@/core/formats';
import { Link } from '../kit/link';
import { SmallRibbon } from '../kit/small-ribbon';
import type { Shown } from './types';

const STATES: Partial<Record<Shown['status'], string>> = {
  running: 'is being led',
  left: 'left standing',
  held: 'held',
};

/** A session in small; it leads to all that can be done with it. */
export function SessionChip({ session, wide = false }: { session: Shown; wide?: boolean }) {
  const { status, why, movedFrom, leader, place, overruns } = session;
  const off = status === 'cancelled';
  const notes = [
    off ? (why ?? 'cancelled') : STATES[status],
    !off && movedFrom && `from ${dateLabel(movedFrom.slice(0, 10))}, ${movedFrom.slice(11)}`,
    wide && leader,
    wide && place,
    overruns && !off && 'longer than its slot',
  ].filter((note): note is string => Boolean(note));
  return (
    <Link
      href={`/sessions/${session.id}`}
      className={clsx('hover:bg-base-200 block rounded-lg px-1.5 py-1 text-sm', off && 'quiet')}
    >
      <span className={clsx('block', off && 'line-through')}>
        <span className="figures font-semibold">{session.at.slice(11)}</span> {session.className}
      </span>
      {!off && <SmallRibbon bands={session.bands} slotMs={session.slotMs} />}
      {notes.length > 0 && <span className="quiet block text-xs">{notes.join(', ')}</span>}
    </Link>
  );
}
