'use client';

import { Pause, Play, Trash2 } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import { musicUrl } from '@/browser/hear';
import { musicNameSchema } from '@/core/calls';
import {
  hasRoom,
  PHASE_NAMES,
  PHASES,
  type Plan,
  playlistOf,
  putUnder,
  togglePiece,
  togglePieceThroughout,
} from '@/core/class';
import { clock } from '@/core/formats';
import {
  isBed,
  LONGEST_NAME,
  LONGEST_PIECE_MINUTES,
  MOST_IN_PLAYLIST,
  MOST_MUSIC_MEGABYTES,
  MOST_MUSIC_MINUTES,
  MOST_PIECES,
  type MusicId,
  type PieceOfMusic,
  SHORTEST_PIECE_SECONDS,
  UNDER_DB,
  USUAL_UNDER_DB,
} from '@/core/music';
import { piecesWanted } from '@/core/take-away';
import { Choice } from '../kit/choice';
import { Dialog } from '../kit/dialog';
import { SureButton } from '../kit/sure-button';
import { useAttempt } from '../kit/use-attempt';
import { type Pieces, usePieces } from './use-pieces';

const UNDER_NAMES: Record<string, string> = {
  12: '12 dB softer, lively',
  16: '16 dB softer',
  20: '20 dB softer, clear for everybody',
  24: '24 dB softer',
  28: '28 dB softer, hardly there',
};

export interface MusicDialogProps {
  plan: Plan;
  edit: (change: (plan: Plan) => Plan) => void;
  onClose: () => void;
}

/** What is played under a class, phase by phase, and the music that the studio has. */
export function MusicDialog({ plan, edit, onClose }: MusicDialogProps) {
  const shelf = usePieces();
  const preview = usePreview();
  const underDb = plan.music?.underDb ?? USUAL_UNDER_DB;
  const gone = piecesWanted(plan.music).filter(
    (id) => shelf.pieces && !shelf.pieces.some((piece) => piece.id === id),
  );
  const rows = { plan, edit, shelf, preview };
  return (
    <Dialog title="Music under the class" onClose={onClose} wide>
      <p className="mb-3">
        Press where a piece is to be played. A phase plays its pieces one after the other in the
        order of their numbers, over and over, and softer while somebody speaks.
      </p>
      {shelf.error && (
        <p role="alert" className="text-error">
          {shelf.error}
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="w-full min-w-136">
          <thead>
            <tr className="text-left text-sm">
              <th scope="col" className="py-1 font-medium">
                Piece
              </th>
              {PHASES.map((phase) => (
                <th key={phase} scope="col" className="w-18 px-1 text-center font-medium">
                  {PHASE_NAMES[phase]}
                </th>
              ))}
              <th scope="col" className="w-18 px-1 text-center font-medium">
                Throughout
              </th>
            </tr>
          </thead>
          <tbody className="divide-base-300 divide-y">
            {shelf.pieces?.map((piece) => (
              <PieceRow key={piece.id} piece={piece} {...rows} />
            ))}
            {gone.map((id) => (
              <tr key={id}>
                <th scope="row" className="quiet py-2 text-left font-normal">
                  A piece that your studio has no more; it is left out
                </th>
                <PhaseCells plan={plan} edit={edit} id={id} name="the piece that is gone" />
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet mt-1 text-sm">
        The first two are made by Up Beat and belong to nobody else. A phase has {MOST_IN_PLAYLIST}{' '}
        pieces at most.
      </p>
      <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3">
        <Choice
          label="While somebody speaks"
          value={String(underDb)}
          options={[...new Set([...UNDER_DB, underDb])].sort((a, b) => a - b).map(String)}
          names={{ [underDb]: `${underDb} dB softer`, ...UNDER_NAMES }}
          onChange={(db) => edit((p) => putUnder(p, Number(db)))}
          width="w-72"
        />
        <AddMusic shelf={shelf} />
      </div>
    </Dialog>
  );
}

interface RowProps {
  plan: Plan;
  edit: (change: (plan: Plan) => Plan) => void;
  shelf: Pieces;
  preview: Preview;
}

function PieceRow({ piece, plan, edit, shelf, preview }: RowProps & { piece: PieceOfMusic }) {
  const { id, name, ms } = piece;
  const plays = preview.playing === id;
  return (
    <tr>
      <th scope="row" className="py-1 text-left font-normal">
        <span className="flex items-center gap-2">
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            onClick={() => preview.toggle(id)}
          >
            {plays ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
            <span className="sr-only">
              {plays ? 'Stop' : 'Hear'} {name}
            </span>
          </button>
          {isBed(id) ? (
            <span className="min-w-0 grow font-medium">{name}</span>
          ) : (
            <OwnName piece={piece} shelf={shelf} />
          )}
          <span className="figures quiet text-sm">{clock(ms)}</span>
          {!isBed(id) && <RemovePiece piece={piece} shelf={shelf} />}
        </span>
      </th>
      <PhaseCells plan={plan} edit={edit} id={id} name={name} />
    </tr>
  );
}

interface CellsProps {
  plan: Plan;
  edit: (change: (plan: Plan) => Plan) => void;
  id: MusicId;
  name: string;
}

/** Where a piece is played: its number in the playlist of each phase. */
function PhaseCells({ plan, edit, id, name }: CellsProps) {
  const throughout = PHASES.every((phase) => playlistOf(plan.music, phase).includes(id));
  return (
    <>
      {PHASES.map((phase) => {
        const place = playlistOf(plan.music, phase).indexOf(id) + 1;
        return (
          <td key={phase} className="px-1 py-1 text-center">
            <button
              type="button"
              aria-pressed={place > 0}
              disabled={place === 0 && !hasRoom(plan, phase)}
              onClick={() => edit((p) => togglePiece(p, phase, id))}
              className={`btn btn-square figures ${place > 0 ? 'btn-secondary' : 'btn-outline border-base-content/60'}`}
            >
              <span aria-hidden>{place > 0 ? place : ''}</span>
              <span className="sr-only">
                {name} in {PHASE_NAMES[phase]}
                {place > 0 && `, number ${place}`}
              </span>
            </button>
          </td>
        );
      })}
      <td className="px-1 py-1 text-center">
        <input
          type="checkbox"
          className="checkbox border-base-content/70"
          checked={throughout}
          onChange={() => edit((p) => togglePieceThroughout(p, id))}
          aria-label={`${name} throughout`}
        />
      </td>
    </>
  );
}

function OwnName({ piece, shelf }: { piece: PieceOfMusic; shelf: Pieces }) {
  const { error, attempt } = useAttempt('It keeps its name.');
  const [typed, setTyped] = useState<string | null>(null);
  const errorId = useId();
  const read = musicNameSchema.safeParse(typed ?? piece.name);
  const wrong = read.success ? error : (read.error.issues[0]?.message ?? null);
  const settle = async () => {
    if (typed === null || !read.success) return;
    if (read.data !== piece.name && !(await attempt(() => shelf.rename(piece.id, read.data)))) {
      return;
    }
    setTyped(null);
  };
  return (
    <span className="min-w-32 grow">
      <input
        className="input input-sm w-full"
        aria-label={`Name of ${piece.name}`}
        aria-invalid={wrong !== null}
        aria-describedby={wrong ? errorId : undefined}
        maxLength={LONGEST_NAME}
        value={typed ?? piece.name}
        onChange={({ target }) => setTyped(target.value)}
        onBlur={() => void settle()}
        onKeyDown={(event) => event.key === 'Enter' && void settle()}
      />
      {wrong && (
        <span id={errorId} role="alert" className="text-error block text-sm">
          {wrong}
        </span>
      )}
    </span>
  );
}

/** Removes a piece: classes that play it go on without it. */
function RemovePiece({ piece, shelf }: { piece: PieceOfMusic; shelf: Pieces }) {
  const { error, busy, attempt } = useAttempt('Nothing was removed.');
  return (
    <>
      <SureButton
        className="btn btn-sm btn-ghost btn-square"
        disabled={busy}
        label={`Remove ${piece.name}`}
        title={`Remove ${piece.name} for good?`}
        says="Classes that play it go on without it."
        yes="Remove it for good"
        onSure={() => void attempt(() => shelf.remove(piece.id))}
      >
        <Trash2 size={16} aria-hidden />
      </SureButton>
      {error && (
        <span role="alert" className="text-error text-sm">
          {error}
        </span>
      )}
    </>
  );
}

function AddMusic({ shelf }: { shelf: Pieces }) {
  const { error, busy, attempt } = useAttempt('Nothing was taken in.');
  const field = useRef<HTMLInputElement>(null);
  const hint = useId();
  const add = async (file: File | undefined) => {
    if (!file) return;
    await attempt(() => shelf.add(file));
    if (field.current) field.current.value = '';
  };
  return (
    <div className="min-w-0 basis-full">
      <label className="grid w-fit text-sm leading-6 font-medium">
        Add music of your own
        <input
          ref={field}
          type="file"
          accept="audio/*"
          className="file-input w-72 max-w-full font-normal"
          disabled={busy}
          aria-describedby={hint}
          onChange={({ target }) => void add(target.files?.[0])}
        />
      </label>
      <p role="status" className="text-sm empty:hidden">
        {busy && 'It is taken in, and made as loud as all else …'}
      </p>
      {error && (
        <p role="alert" className="text-error text-sm">
          {error}
        </p>
      )}
      <p id={hint} className="quiet mt-1 text-sm">
        Bring only what you may play to a group; the rights stay where they are. A piece lasts{' '}
        {SHORTEST_PIECE_SECONDS} seconds to {LONGEST_PIECE_MINUTES} minutes and has{' '}
        {MOST_MUSIC_MEGABYTES} MB at most; a studio keeps {MOST_PIECES} pieces and{' '}
        {MOST_MUSIC_MINUTES} minutes.
      </p>
    </div>
  );
}

interface Preview {
  playing: MusicId | null;
  toggle: (id: MusicId) => void;
}

/** Hears one piece at a time; none once the dialog is closed. */
function usePreview(): Preview {
  const [playing, setPlaying] = useState<MusicId | null>(null);
  const audio = useRef<HTMLAudioElement | null>(null);
  const stop = () => {
    audio.current?.pause();
    audio.current = null;
    setPlaying(null);
  };
  useEffect(() => () => audio.current?.pause(), []);
  const toggle = (id: MusicId) => {
    stop();
    if (playing === id) return;
    const made = new Audio(musicUrl(id));
    audio.current = made;
    setPlaying(id);
    const over = () => audio.current === made && stop();
    made.onended = over;
    made.onerror = over;
    // What cannot be played ends at once; the row shows that it does.
    made.play().catch(over);
  };
  return { playing, toggle };
}
