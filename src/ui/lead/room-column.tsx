import { MessageCircleQuestion, NotebookPen, Smartphone } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import type { RollEntry } from '@/core/calls';
import { type Area, concerns, inVariant, type Move, releaseAsMove } from '@/core/move';
import type { Step } from '@/core/score';
import { greetingOf } from '@/core/today';
import { type MovesById, useMoves } from '../kit/moves';
import { RollList } from './roll-list';
import { isHere, type Roll } from './use-roll';

/** Keys that can mean a person; whoever comes after is picked by a press. */
export const PERSON_KEYS = 'abcdefghijklmnopqrstuvwxyz1234567890';
/** How much of a move's work must go to an area for a note on that area to matter. */
const MAIN_AREA = 0.5;

const mainAreas = (move: Move): Area[] =>
  (Object.entries(move.areas) as [Area, number][]).flatMap(([area, weight]) =>
    weight >= MAIN_AREA ? area : [],
  );

/** How a move is being done at this moment. */
export type AsDone = Pick<Step, 'variant' | 'release' | 'breath'>;

/** What to watch for in a person while a move is in work; empty for most people and moves. */
export function watchFor(
  person: Pick<RollEntry, 'cautions' | 'notes'>,
  move: Move,
  { variant, release, breath }: AsDone,
  moves: MovesById,
): string[] {
  const usual = inVariant(move, variant);
  const paced: Move = breath
    ? { ...usual, dose: { kind: 'breaths', breaths: 1, pattern: breath } }
    : usual;
  // While a round is let go, it is the hands of the release that a caution is about.
  const done = (release && releaseAsMove(usual, release)) ?? paced;
  const areas = new Set(mainAreas(move));
  const cautions = concerns(done, person.cautions).map((c) => c.words);
  const notes = person.notes.flatMap((note) => {
    const other = moves.get(note.moveId);
    const near = other && mainAreas(other).some((area) => areas.has(area));
    return note.moveId === move.id || near ? note.note || 'corrected last time' : [];
  });
  return [...new Set([...cautions, ...notes])];
}

export interface RoomColumnProps {
  roll: Roll;
  move: Move | undefined;
  /** The step that runs. */
  step: AsDone;
  /** A person is to be picked for a correction. */
  picking: boolean;
  setPicking: (picking: boolean) => void;
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
  const expected = roll.entries.filter((e) => e.attendance || !(e.waiting || e.away)).length;
  const watched = useMemo(
    () =>
      move
        ? roll.entries.filter(isHere).flatMap((person) => {
            const words = watchFor(person, move, step, moves);
            return words.length ? [{ person, words }] : [];
          })
        : [],
    [roll.entries, move, step, moves],
  );
  const keys = useMemo(
    () => new Map(roll.entries.filter(isHere).map((p, i) => [p.participantId, PERSON_KEYS[i]])),
    [roll.entries],
  );
  const note = (entry: RollEntry) => {
    const greeting = greetingOf(entry, roll.startsAt);
    if (greeting) return greeting;
    return move && isHere(entry) && !entry.met.includes(move.id) ? 'new to this move' : null;
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
          aria-pressed={picking}
          aria-keyshortcuts="n"
          onClick={() => setPicking(!picking)}
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
      {parking && (
        <ParkForm
          onPark={(text) => {
            if (text) roll.park(text);
            setParking(false);
          }}
        />
      )}
      {watched.length > 0 && (
        <ul
          className="border-accent mb-1 max-h-[40%] overflow-y-auto border-l-4 pl-2"
          data-testid="watch"
        >
          {watched.map(({ person, words }) => (
            <li key={person.participantId} className="py-0.5 leading-tight">
              <span className="font-semibold">{person.name}</span>{' '}
              <span className="text-sm">{words.join(' ')}</span>
            </li>
          ))}
        </ul>
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
                  setPicking(false);
                }
              : undefined
          }
        />
      </div>
    </section>
  );
});

function ParkForm({ onPark }: { onPark: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <form
      className="mb-1"
      onSubmit={(event) => {
        event.preventDefault();
        onPark(text.trim());
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
          if (e.key === 'Escape') onPark('');
          e.stopPropagation();
        }}
      />
    </form>
  );
}
