'use client';

import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import type { RollEntry } from '@/core/calls';
import { plainName } from '@/core/people';
import { useKnown } from './use-known';
import type { Roll } from './use-roll';

/** Those on the roll whose name has a word that begins so; whoever is not marked yet comes first. */
export function foundOn(entries: readonly RollEntry[], typed: string): RollEntry[] {
  const sought = plainName(typed);
  if (sought === '') return [];
  return entries
    .filter((e) => ` ${plainName(e.name)}`.includes(` ${sought}`))
    .sort((a, b) => Number(a.attendance !== null) - Number(b.attendance !== null));
}

/** One field: a few letters and Enter mark somebody of the roll; another name is somebody who walked in. */
export function RollFinder({
  roll,
  touch,
}: {
  roll: Roll;
  touch: (participantId: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const [done, setDone] = useState({ of: '', says: '' });
  const [first] = foundOn(roll.entries, typed);
  const name = typed.trim();
  const { known, away } = useKnown(roll.sessionId, first === undefined ? name : '');
  const tell = (of: string, says: string) => {
    setDone({ of, says });
    setTyped('');
  };
  // Whom the register has no room for is gone from the roll again.
  const told = roll.entries.some((e) => e.participantId === done.of) ? done.says : '';
  const markIt = (entry: RollEntry, mark: 'here' | 'late') => {
    roll.mark(entry.participantId, mark);
    touch(entry.participantId);
    tell(entry.participantId, `${entry.name}: ${mark}.`);
  };
  const takeIn = () => {
    if (name === '') return;
    tell(roll.walkIn(name), `${name} is here, not booked.`);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (first) markIt(first, 'here');
        else takeIn();
      }}
    >
      <div className="join w-full">
        <input
          aria-label="Name: find on the roll, or take in who walked in"
          placeholder="Find or add a name"
          autoComplete="off"
          maxLength={80}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => {
            // The keys of the stage are not meant while somebody types; the first of a name is no space.
            if (e.key === 'Escape') {
              if (typed === '') e.currentTarget.blur();
              setTyped('');
            } else if (e.key !== ' ' || typed !== '') e.stopPropagation();
            if (e.key === 'Enter' && e.shiftKey && first) {
              e.preventDefault();
              markIt(first, 'late');
            }
          }}
          className="input join-item w-full"
        />
        <button
          type="button"
          className="btn join-item"
          aria-label="Add them, here"
          onClick={takeIn}
        >
          <UserPlus size={18} aria-hidden />
          Add
        </button>
      </div>
      <p className="quiet min-h-5 text-sm" aria-live="polite">
        {name === ''
          ? told
          : first
            ? `Enter: ${first.name} is here. Shift and Enter: late.`
            : `Enter takes ${name} in, here.${away ? ' Whether they are on the register cannot be seen now.' : ''}`}
      </p>
      {known.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-1.5" aria-label="On the register already">
          {known.map((p) => (
            <li key={p.id}>
              <button
                type="button"
                className="btn btn-sm"
                onClick={() => {
                  roll.takeIn(p);
                  touch(p.id);
                  tell(p.id, `${p.shown} is here, not booked.`);
                }}
              >
                It is {p.shown}
              </button>
            </li>
          ))}
        </ul>
      )}
    </form>
  );
}
