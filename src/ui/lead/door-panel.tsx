'use client';

import { Smartphone } from 'lucide-react';
import { useEffect, useId } from 'react';
import { shownCode } from '@/core/follow';
import { Dialog } from '../kit/dialog';
import { QrCode } from '../kit/qr-code';
import type { FollowDoor } from './use-door';
import type { Roll } from './use-roll';

export interface DoorPanelProps {
  door: FollowDoor;
  roll: Roll;
}

/** How people come in on screens of their own, and who did. */
export function DoorPanel({ door, roll }: DoorPanelProps) {
  const heading = useId();
  const { door: stands, count } = door;
  return (
    <section aria-labelledby={heading} className="mt-6">
      <h2 id={heading} className="flex items-baseline justify-between font-semibold">
        On screens of their own
        {count !== null && (
          <span className="quiet figures font-normal" role="status">
            {count === 1 ? '1 follows' : `${count} follow`}
          </span>
        )}
      </h2>
      {stands ? (
        <Standing door={door} stands={stands} roll={roll} />
      ) : (
        <>
          <p className="quiet mt-1">
            Whoever has the code sees and hears the class on their phone, in step. Nothing of
            anybody else reaches them.
          </p>
          <button type="button" className="btn btn-neutral mt-2 w-full" onClick={door.open}>
            <Smartphone size={18} aria-hidden /> Let people follow
          </button>
        </>
      )}
      {door.error && (
        <p role="alert" className="border-error mt-2 border-l-4 pl-3">
          {door.error}
        </p>
      )}
    </section>
  );
}

function Standing({
  door,
  stands,
  roll,
}: DoorPanelProps & { stands: NonNullable<FollowDoor['door']> }) {
  return (
    <>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <QrCode {...stands.qr} className="h-32 w-32" label="Picture that leads to the class" />
        <div>
          <p className="figures text-4xl font-bold tracking-wider" data-testid="code">
            {shownCode(stands.code)}
          </p>
          <p className="quiet break-all">{stands.place}</p>
        </div>
      </div>
      {stands.shut ? (
        <p className="mt-2">
          The door is shut: nobody else comes in.{' '}
          <button type="button" className="btn btn-sm" onClick={door.open}>
            Open it again
          </button>
        </p>
      ) : (
        <button type="button" className="btn btn-sm btn-neutral mt-2" onClick={door.shut}>
          Shut the door
        </button>
      )}
      <label className="mt-2 flex min-h-10 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          className="checkbox border-base-content/70"
          checked={stands.takeHome}
          onChange={({ target }) => door.letTakeHome(target.checked)}
        />
        Whoever follows may do this class again alone
      </label>
      {door.followers.length > 0 && (
        <ul className="mt-2 max-h-64 overflow-y-auto" aria-label="Who follows">
          {door.followers.map((follower) => (
            <Row key={follower.id} {...{ follower, door, roll }} />
          ))}
        </ul>
      )}
    </>
  );
}

function Row({
  follower,
  door,
  roll,
}: DoorPanelProps & { follower: FollowDoor['followers'][number] }) {
  const { id, name, participantId, there } = follower;
  const entry = roll.entries.find((e) => e.participantId === participantId);
  const who = name ?? 'Without a name';
  return (
    <li className="border-base-300 flex items-center gap-2 border-b py-1">
      <span className={`min-w-0 flex-1 truncate ${there ? '' : 'quiet'}`}>
        {who}
        {participantId && <span className="text-accent"> joined</span>}
        {!there && ' (away)'}
      </span>
      {entry && !entry.attendance && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => roll.mark(entry.participantId, 'here')}
        >
          Here<span className="sr-only"> {who}</span>
        </button>
      )}
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => door.turnAway(id)}>
        Turn away<span className="sr-only"> {who}</span>
      </button>
    </li>
  );
}

/** The same while the class runs. */
export function DoorDialog({ onClose, ...panel }: DoorPanelProps & { onClose: () => void }) {
  const { look } = panel.door;
  useEffect(() => void look(), [look]);
  return (
    <Dialog title="Followers" onClose={onClose}>
      <DoorPanel {...panel} />
    </Dialog>
  );
}
