'use client';

import { Plus, Trash2, Undo2 } from 'lucide-react';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { STILL, trackOf } from '@/core/face';
import {
  amountOf,
  HAND_FORMS,
  HAND_MOTIONS,
  type HalfOf,
  type HandForm,
  type HandMotion,
  hasVariant,
  type Looks,
  MOST_KEYS,
  type Move,
  type Picture,
  type UnitName,
  VARIANTS,
  type Variant,
  type WhichHand,
  wishOf,
  withAmount,
  writtenHands,
} from '@/core/move';
import { Choice } from '../kit/choice';
import { FaceDial } from '../kit/face-dial';
import { Amount, BeginFrom, FaceWithPlaces, PlaceChoice, wordsOf } from './looks-fields';
import { MovePlayer } from './move-player';

/** Units in plain words, by what they belong to. */
const GROUPS: Record<string, readonly UnitName[]> = {
  Mouth: ['12', '15', '20', '18', '22', '25', '28', '23', '10', '16', '17', 'pen'],
  Jaw: ['26', '27', '29', '30'],
  'Tongue and air': [
    '19',
    'tongueUp',
    'tongueDown',
    'tongueSide',
    'palate',
    '36',
    '33',
    '35',
    'airAbove',
    'airBelow',
  ],
  'Cheeks and nose': ['6', '14', '9', '38', '39'],
  'Brows and eyes': ['1', '2', '4', 'brace', '5', '7', '43', '61', '63', '64'],
  'Head, shoulders, breath': [
    '51',
    '53',
    '54',
    '55',
    '57',
    'shoulderUp',
    'shoulderBack',
    'shoulderDown',
    'chest',
    '21',
  ],
};
type Group = keyof typeof GROUPS;
const HALVES = ['both', 'left', 'right'] as const;
const WHICH: readonly WhichHand[] = ['both', 'left', 'right', 'cross'];
const WHICH_NAMES: Record<WhichHand, string> = {
  both: 'both hands',
  left: 'the left hand',
  right: 'the right hand',
  cross: 'the right hand on the left',
};
const FORMS = Object.keys(HAND_FORMS) as HandForm[];
const MOTIONS = Object.keys(HAND_MOTIONS) as HandMotion[];
const MOST_PLACES = 8;
const MOST_UNDONE = 100;

const empty: Picture = { keys: ['', ''] };
const PICTURE_NAMES = {
  move: 'the move',
  easier: 'its easier version',
  harder: 'its harder version',
} as const;

export interface LooksEditorProps {
  looks: Looks | undefined;
  onChange: (looks: Looks | undefined) => void;
  /** Moves to begin from. */
  moves: readonly { id: string; name: string }[];
  /** The move as it is written so far. */
  move: Move;
}

/** Draws how a move looks: its moments one by one, by sliders in plain words, and hands put on the face. */
export function LooksEditor({ looks, onChange, moves, move }: LooksEditorProps) {
  const [at, setAt] = useState(0);
  const [group, setGroup] = useState<Group>('Mouth');
  const [half, setHalf] = useState<HalfOf>('both');
  const [playing, setPlaying] = useState(false);
  const [before, setBefore] = useState<readonly (Looks | undefined)[]>([]);
  const [chosen, setChosen] = useState<'move' | Variant>('move');
  const versions = VARIANTS.filter((v) => hasVariant(move, v));
  const version = chosen === 'move' || !versions.includes(chosen) ? undefined : chosen;
  const drawn = version ? looks?.[version] : looks;
  const shown: Picture = drawn ?? empty;
  const index = Math.min(at, shown.keys.length - 1);
  const key = shown.keys[index] ?? '';
  /** How the hands are to be held, chosen before they have a place. */
  const [wished, setWished] = useState(wishOf(shown));
  const wish = shown.fingers ? wishOf(shown) : { ...wished, way: [] };
  const set = (next: Looks | undefined) => {
    setBefore([...before.slice(-MOST_UNDONE), looks]);
    onChange(next);
  };
  /** Changes the picture that is looked at; one of a version stands beside that of the move. */
  const change = (next: Picture | undefined) => {
    if (!version) return set(next && { ...looks, ...next, fingers: next.fingers });
    if (!looks) return;
    const { [version]: _, ...rest } = looks;
    set(next ? { ...rest, [version]: next } : rest);
  };
  const undo = () => {
    if (before.length === 0) return;
    onChange(before.at(-1));
    setBefore(before.slice(0, -1));
  };
  const setKey = (written: string) =>
    change({ ...shown, keys: shown.keys.map((k, i) => (i === index ? written : k)) });
  const setHands = (part: Partial<typeof wish>) => {
    const next = { ...wish, ...part };
    setWished(next);
    const hands = writtenHands(next);
    if (!hands && !shown.fingers) return;
    const { fingers: _, ...rest } = shown;
    change(hands ? { ...rest, fingers: hands } : rest);
  };
  const pose = useMemo(() => {
    const track = trackOf({ keys: shown.keys, hands: shown.fingers });
    const units = track.keys[index] ?? STILL.units;
    return { ...STILL, units, hands: track.hands, reach: 1, along: index === 0 ? 0.1 : 0.8 };
  }, [shown, index]);
  const onKeys = (event: KeyboardEvent) => {
    if (event.key !== 'z' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    undo();
  };

  const undoButton = (
    <button type="button" className="btn btn-sm" disabled={before.length === 0} onClick={undo}>
      <Undo2 size={15} aria-hidden /> Undo
    </button>
  );
  if (!looks) {
    return (
      <section aria-labelledby="looks" onKeyDown={onKeys}>
        <h2 id="looks" className="text-lg font-semibold">
          How it looks
        </h2>
        <p className="quiet text-sm">
          It is shown as it can be worked out of its muscles, hands and head. Draw it yourself to
          show it as you do it.
        </p>
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <button type="button" className="btn btn-outline btn-sm" onClick={() => change(empty)}>
            Draw it
          </button>
          <BeginFrom moves={moves} onBegin={set} />
          {before.length > 0 && undoButton}
        </div>
      </section>
    );
  }
  const choice = versions.length > 0 && (
    <Choice
      label="Picture of"
      value={version ?? 'move'}
      options={['move', ...versions]}
      names={PICTURE_NAMES}
      onChange={(of) => {
        setChosen(of);
        setAt(0);
      }}
      width="w-52 max-w-full"
    />
  );
  if (version && !drawn) {
    const { keys, fingers } = looks;
    return (
      <section aria-labelledby="looks" onKeyDown={onKeys}>
        <h2 id="looks" className="text-lg font-semibold">
          How it looks
        </h2>
        <div className="mt-2 grid justify-items-start gap-3">
          {choice}
          <p className="quiet text-sm">
            {version === 'easier'
              ? 'It is shown as less of the move, until it is drawn.'
              : 'It is shown as the move, until it is drawn.'}
          </p>
          <button
            type="button"
            className="btn btn-outline btn-sm"
            onClick={() => change({ keys, ...(fingers && { fingers }) })}
          >
            Draw it, from the picture of the move
          </button>
          {before.length > 0 && undoButton}
        </div>
      </section>
    );
  }
  return (
    <section aria-labelledby="looks" onKeyDown={onKeys}>
      <h2 id="looks" className="text-lg font-semibold">
        How it looks
      </h2>
      <div className="mt-2 grid gap-5 lg:grid-cols-[15rem_minmax(0,1fr)]">
        <div>
          <FaceWithPlaces
            onPlace={(point) =>
              wish.way.length < MOST_PLACES && setHands({ way: [...wish.way, point] })
            }
          >
            <FaceDial size={290} pose={pose} fill={move.areas} label="The moment that is drawn" />
          </FaceWithPlaces>
          <p className="quiet text-sm">Press a place of the face to put the hands there.</p>
        </div>
        <div className="grid content-start gap-4">
          {choice}
          <div className="flex flex-wrap items-center gap-2">
            <fieldset className="flex flex-wrap gap-1" aria-label="Moment">
              {shown.keys.map((_, i) => (
                <button
                  // biome-ignore lint/suspicious/noArrayIndexKey: moments have no name but their number.
                  key={i}
                  type="button"
                  className="btn btn-sm"
                  aria-pressed={i === index}
                  onClick={() => setAt(i)}
                >
                  Moment {i + 1}
                </button>
              ))}
            </fieldset>
            <button
              type="button"
              className="btn btn-sm"
              disabled={shown.keys.length >= MOST_KEYS}
              onClick={() => {
                change({ ...shown, keys: [...shown.keys, key] });
                setAt(shown.keys.length);
              }}
            >
              <Plus size={15} aria-hidden /> One more
            </button>
            <button
              type="button"
              className="btn btn-sm"
              disabled={shown.keys.length < 2}
              onClick={() => change({ ...shown, keys: shown.keys.filter((_, i) => i !== index) })}
            >
              <Trash2 size={15} aria-hidden /> Take it out
            </button>
            {undoButton}
          </div>
          <p className="quiet text-sm">
            A rep, breath or pass goes through the moments and back to the first; a hold goes
            through them once. {MOST_KEYS} moments at most.
          </p>
          <div className="flex flex-wrap gap-3">
            <Choice
              label="Part of the face"
              value={group}
              options={Object.keys(GROUPS)}
              onChange={setGroup}
              width="w-52 max-w-full"
            />
            <Choice
              label="Side of it"
              value={half}
              options={HALVES}
              onChange={setHalf}
              width="w-28"
            />
          </div>
          <div className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
            {(GROUPS[group] ?? []).map((name) => (
              <Amount
                key={name}
                name={name}
                half={half}
                value={amountOf(key, name, half)}
                onChange={(much) => setKey(withAmount(key, name, half, much))}
              />
            ))}
          </div>
          <div className="flex flex-wrap items-end gap-3">
            <Choice
              label="Part of the hand"
              value={wish.form}
              options={FORMS}
              names={HAND_FORMS}
              onChange={(form) => setHands({ form })}
            />
            <Choice
              label="What it does"
              value={wish.motion}
              options={MOTIONS}
              names={HAND_MOTIONS}
              onChange={(motion) => setHands({ motion })}
            />
            <Choice
              label="Which hand"
              value={wish.which}
              options={WHICH}
              names={WHICH_NAMES}
              onChange={(which) => setHands({ which })}
              width="w-56 max-w-full"
            />
            <PlaceChoice
              onPlace={(point) => setHands({ way: [...wish.way, point].slice(0, MOST_PLACES) })}
            />
          </div>
          <p className="text-sm">
            {wish.way.length === 0
              ? 'No hands on the face.'
              : `On: ${wish.way.map(wordsOf).join(', then ')}.`}{' '}
            {wish.way.length > 0 && (
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                onClick={() => setHands({ way: [] })}
              >
                Take the hands away
              </button>
            )}
          </p>
          <div className="flex flex-wrap items-end gap-3">
            <BeginFrom
              moves={moves}
              onBegin={(begun) => {
                const { keys, fingers } = (version && begun[version]) ?? begun;
                if (version) change({ keys, ...(fingers && { fingers }) });
                else set(begun);
              }}
            />
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              onClick={() => change(undefined)}
            >
              Leave it to be worked out
            </button>
          </div>
        </div>
      </div>
      <button
        type="button"
        className="btn btn-outline btn-sm mt-4"
        aria-expanded={playing}
        onClick={() => setPlaying(!playing)}
      >
        See it at its pace
      </button>
      {playing && (
        <div className="mt-2 max-w-sm">
          <MovePlayer move={move} />
        </div>
      )}
    </section>
  );
}
