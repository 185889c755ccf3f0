import { TRACKS } from '@library/tracks';
import { useState } from 'react';
import { POINTS } from '@/core/face';
import {
  FACE_POINTS,
  type FacePoint,
  type HalfOf,
  isPaired,
  isWay,
  type Looks,
  type UnitName,
  unitTraits,
} from '@/core/move';
import { Choice } from '../kit/choice';
import { looksOf } from './new-move';

/** The fields in which the picture of a move is drawn. */

export const wordsOf = (point: FacePoint): string =>
  point.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

interface AmountProps {
  name: UnitName;
  half: HalfOf;
  value: number;
  onChange: (much: number) => void;
}

export function Amount({ name, half, value, onChange }: AmountProps) {
  const sided = isWay(name) ? (half === 'right' ? ', to the right' : ', to the left') : '';
  const one = isPaired(name) && half !== 'both' ? `, ${half}` : '';
  return (
    <label className="grid grid-cols-[minmax(0,1fr)_7rem] items-center gap-2 text-sm">
      <span>
        {unitTraits(name).name}
        {sided}
        {one}
      </span>
      <input
        type="range"
        min={0}
        max={100}
        step={5}
        value={Math.round(100 * value)}
        onChange={(event) => onChange(Number(event.target.value) / 100)}
        className="range range-xs"
      />
    </label>
  );
}

/** The face, on which a press finds the nearest place. The list beside it does the same by keyboard. */
export function FaceWithPlaces({
  onPlace,
  children,
}: {
  onPlace: (point: FacePoint) => void;
  children: React.ReactNode;
}) {
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the list of places does the same by keyboard.
    // biome-ignore lint/a11y/useKeyWithClickEvents: the list of places does the same by keyboard.
    <div
      className="mx-auto w-fit cursor-crosshair"
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const x = ((event.clientX - box.left) / box.width) * 400;
        const y = ((event.clientY - box.top) / box.height) * 500;
        const left = x > 200 ? 400 - x : x;
        const far = (point: FacePoint) => Math.hypot(POINTS[point][0] - left, POINTS[point][1] - y);
        onPlace([...FACE_POINTS].sort((a, b) => far(a) - far(b))[0] ?? 'chin');
      }}
    >
      {children}
    </div>
  );
}

export function PlaceChoice({ onPlace }: { onPlace: (point: FacePoint) => void }) {
  const [point, setPoint] = useState<FacePoint>('cheekbone');
  return (
    <div className="flex min-w-0 flex-wrap items-end gap-1">
      <Choice
        label="Place"
        value={point}
        options={FACE_POINTS}
        names={
          Object.fromEntries(FACE_POINTS.map((p) => [p, wordsOf(p)])) as Record<FacePoint, string>
        }
        onChange={setPoint}
        width="w-40"
      />
      <button type="button" className="btn btn-outline" onClick={() => onPlace(point)}>
        Put them there
      </button>
    </div>
  );
}

/** Takes the picture of a library move to begin with. */
export function BeginFrom({
  moves,
  onBegin,
}: {
  moves: readonly { id: string; name: string }[];
  onBegin: (looks: Looks) => void;
}) {
  const [id, setId] = useState('');
  const written = TRACKS[id];
  return (
    <div className="flex min-w-0 flex-wrap items-end gap-1">
      <Choice
        label="Begin from"
        value={id}
        options={['', ...moves.filter((m) => TRACKS[m.id]).map((m) => m.id)]}
        names={{ '': 'choose a move', ...Object.fromEntries(moves.map((m) => [m.id, m.name])) }}
        onChange={setId}
        width="w-60 max-w-full"
      />
      <button
        type="button"
        className="btn btn-outline"
        disabled={!written}
        onClick={() => {
          if (!written) return;
          onBegin(looksOf(written));
        }}
      >
        Take its picture
      </button>
    </div>
  );
}
