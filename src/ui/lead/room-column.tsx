import { MessageCircleQuestion, NotebookPen, Smartphone } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { isAwaited } from '@/core/attendance';
import type { RollEntry } from '@/core/calls';
import type { Move } from '@/core/move';
import { greetingOf } from '@/core/today';
import { useMoves } from '../kit/moves';
import { personKeys } from './person-keys';
import { RollList } from './roll-list';
import { isHere, mayBeHere, type Roll } from './use-roll';
import { type AsDone, watched } from './watch';

/** A person is to be picked for a correction; `nobody` is a key that was pressed and means none of them. */
export interface Picking {
  nobody?: string;
}

export interface RoomColumnProps {
  roll: Roll;
  move: Move | undefined;
  /** The step that runs. */
  step: AsDone;
  picking: Picking | null;
  setPicking: (picking: Picking | null) => void;
  parking: boolean;
  setParking: (parking: boolean) => void;
  /** How many follow on screens of their own; null where nobody can. */
  following: number | null;
  openDoor: () => void;
}

/** Who is in the room, and who of them needs an eye on them in the move in work. Never on a projector. */
export const RoomColumn = memo(function RoomColumn(props: RoomColumnProps) {
  const { roll, move, step, picking, setPicking, parking, setParking, following } = props;
  const moves = useMoves();
  const here = roll.entries.filter(isHere);
  // Who waits for room or said that they cannot come counts once they are there.
  const expected = roll.entries.filter((e) => e.attendance || isAwaited(e)).length;
  const noticed = useMemo(
    () => (move ? watched(roll.entries, move, step, moves) : []),
    [roll.entries, move, step, moves],
  );
  /** Room for them is kept where somebody may be noticed in another move, so that the roll does not slide. */
  const anyNoticed = roll.entries.some((e) => e.cautions.length > 0 || e.notes.length > 0);
  const keys = useMemo(() => personKeys(roll.entries), [roll.entries]);
  // What is half typed stays while the field is shut.
  const [question, setQuestion] = useState('');
  const note = (entry: RollEntry) => {
    const greeting = greetingOf(entry, roll.startsAt);
    if (greeting) return greeting;
    // Also of who is not marked yet: a name does not move as it is marked.
    return move && mayBeHere(entry) && !entry.met.includes(move.id) ? 'new to this move' : null;
  };
  return (
    <section
      aria-label="In the room"
      className="flex min-h-0 min-w-0 flex-col max-lg:col-span-full"
    >
      <h2 className="flex items-baseline justify-between text-lg font-semibold">
        In the room
        <span className="quiet figures text-base font-normal">
          {here.length} of {expected}
        </span>
      </h2>
      <div className="my-1 flex gap-2">
        <button
          type="button"
          className="btn btn-sm flex-1 px-2"
          aria-pressed={picking !== null}
          aria-keyshortcuts="n"
          onClick={() => setPicking(picking ? null : {})}
        >
          <NotebookPen size={16} aria-hidden /> Correct
          <span className="key-cap" aria-hidden>
            N
          </span>
        </button>
        <button
          type="button"
          className="btn btn-sm flex-1 px-2"
          aria-pressed={parking}
          aria-keyshortcuts="q"
          onClick={() => setParking(!parking)}
        >
          <MessageCircleQuestion size={16} aria-hidden /> Question
          <span className="key-cap" aria-hidden>
            Q
          </span>
        </button>
        <button
          type="button"
          className="btn btn-sm px-2"
          aria-label={following === null ? 'Followers' : `Followers: ${following}`}
          title="Who follows on a screen of their own"
          onClick={props.openDoor}
        >
          <Smartphone size={16} aria-hidden />
          {following !== null && <span className="figures">{following}</span>}
        </button>
      </div>
      {picking && (
        <p role="status" className="quiet mb-1 text-sm">
          {picking.nobody && `Nobody has the key ${picking.nobody.toUpperCase()}. `}
          Press the key of a name, or Escape.
        </p>
      )}
      {parking && (
        <ParkForm
          text={question}
          setText={setQuestion}
          onPark={() => {
            if (question.trim()) roll.park(question.trim());
            setQuestion('');
            setParking(false);
          }}
          onShut={() => setParking(false)}
        />
      )}
      {anyNoticed && (
        <div className="mb-1 max-h-[40%] min-h-11.5 shrink-0 overflow-y-auto">
          {noticed.length > 0 && (
            <ul className="border-accent border-l-4 pl-2" data-testid="watch">
              {noticed.map(({ person, words }) => (
                <li key={person.participantId} className="py-0.5 leading-tight">
                  <span className="font-semibold">{person.name}</span>{' '}
                  <span className="text-sm">{words.join(' ')}</span>
                  {!isHere(person) && <span className="quiet text-sm"> (not marked yet)</span>}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      <div className="min-h-0 flex-1 overflow-y-auto pr-1">
        <RollList
          roll={roll}
          compact
          note={note}
          keyOf={(id) => keys.get(id)}
          onPick={
            picking
              ? (id) => {
                  if (move) roll.correct(id, move.id);
                  setPicking(null);
                }
              : undefined
          }
        />
      </div>
    </section>
  );
});

interface ParkFormProps {
  text: string;
  setText: (text: string) => void;
  onPark: () => void;
  onShut: () => void;
}

function ParkForm({ text, setText, onPark, onShut }: ParkFormProps) {
  return (
    <form
      className="mb-1"
      onSubmit={(event) => {
        event.preventDefault();
        onPark();
      }}
    >
      <input
        // biome-ignore lint/a11y/noAutofocus: the key that opened it means to type into it.
        autoFocus
        aria-label="A question to come back to"
        placeholder="A question to come back to"
        maxLength={300}
        className="input input-sm w-full"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Escape') onShut();
          e.stopPropagation();
        }}
      />
    </form>
  );
}
