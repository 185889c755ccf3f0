'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Errands } from '@/browser/errand';
import { clock } from '@/core/formats';
import { type Dose, doseLabel, doseMs } from '@/core/move';
import {
  type ChosenLine,
  doseLasting,
  type Guess,
  MOST_WRITTEN_CHARACTERS,
  SURE,
  type WrittenLine,
} from '@/core/written';
import { ChooseText } from '../kit/choose-text';
import { Page } from '../kit/page';
import { Problem } from '../kit/problem';
import { useCalledActs } from '../kit/use-act';

export type ReadWritten = { lines: (WrittenLine & { guesses: Guess[] })[] } | { problem: string };

export interface AskedWritten {
  name: string;
  minutes: string;
  lines: ChosenLine[];
  /** What it is sent for: the same, sent again. */
  errand: string;
}

export interface WrittenScreenProps {
  /** All moves, by name. */
  moves: { id: string; name: string; dose: Dose }[];
  read: (text: string) => Promise<ReadWritten>;
  make: (asked: AskedWritten) => Promise<{ id: string } | { problem: string }>;
}

type Line = WrittenLine & { guesses: Guess[]; moveId: string };

/** A class out of a list or of captions: read first, looked at, and made when it is asked for. */
export function WrittenScreen({ moves, read, make }: WrittenScreenProps) {
  const router = useRouter();
  const [lines, setLines] = useState<Line[]>([]);
  const { problem, tell, busy, attempt } = useCalledActs();
  const making = useCalledActs();
  const [errands] = useState(() => new Errands());
  const look = (written: string) =>
    attempt(async () => {
      making.tell(null);
      if (written.trim() === '') return tell('Paste some lines first, or choose a file.');
      if (written.length > MOST_WRITTEN_CHARACTERS) {
        return tell('This text is too long to be one class.');
      }
      const found = await read(written);
      if ('problem' in found) return tell(found.problem);
      setLines(found.lines.map((l) => ({ ...l, moveId: l.guesses[0]?.moveId ?? '' })));
    });
  const choose = (line: number, moveId: string) =>
    setLines((all) => all.map((l) => (l.line === line ? { ...l, moveId } : l)));
  return (
    <Page title="A class that is written down">
      <p className="max-w-prose">
        A list with a name, a length and rounds on each line, or timed text (WebVTT, SRT). Up Beat
        guesses which moves are meant; look at them before the class is made.
      </p>
      <div className="mt-4">
        <ChooseText
          file="A file (.csv, .txt, .vtt, .srt)"
          accept=".csv,.txt,.vtt,.srt,text/*"
          placeholder={'Smile pulses, 30 s, 3\nSoft jaw drop, 0:45'}
          submit="Read it"
          busy={busy}
          read={(written) => void look(written)}
          tell={tell}
        />
      </div>
      <Problem says={problem} className="mt-4" />
      {lines.length > 0 && (
        <>
          <Lines lines={lines} moves={moves} onChoose={choose} />
          <Make
            lines={lines}
            busy={busy || making.busy}
            make={(asked) =>
              making.attempt(async () => {
                const made = await errands.send(JSON.stringify(asked), (errand) =>
                  make({ ...asked, errand }),
                );
                if ('problem' in made) making.tell(made.problem);
                else router.push(`/classes/${made.id}`);
              })
            }
          />
          <Problem says={making.problem} className="mt-3" />
        </>
      )}
    </Page>
  );
}

interface LinesProps {
  lines: readonly Line[];
  moves: WrittenScreenProps['moves'];
  onChoose: (line: number, moveId: string) => void;
}

function Lines({ lines, moves, onChoose }: LinesProps) {
  const names = new Map(moves.map(({ id, name }) => [id, name]));
  const usual = new Map(moves.map(({ id, dose }) => [id, dose]));
  const open = lines.filter((l) => isUnsure(l) || l.notes.length > 0).length;
  return (
    <section aria-label="What was read" className="mt-8">
      <p role="status" className="font-medium">
        {lines.length} {lines.length === 1 ? 'line' : 'lines'},{' '}
        {open === 0 ? 'all of them sure.' : `${open} to look at.`}
      </p>
      <ol className="divide-base-300 mt-2 divide-y">
        {lines.map((l) => (
          <li key={l.line} className="grid gap-2 py-2 md:grid-cols-2 md:items-center">
            <p>
              <span className="font-medium">{l.text || '(no name)'}</span>{' '}
              <span className="quiet figures text-sm">
                {l.seconds !== null && clock(l.seconds * 1000)}
                {l.rounds !== null && ` × ${l.rounds}`}
              </span>
              <DoseOf usual={usual.get(l.moveId)} seconds={l.seconds} />
              {l.notes.map((note) => (
                <span key={note} className="text-error block text-sm">
                  {note}
                </span>
              ))}
            </p>
            <label className="flex items-center gap-2">
              <span className="sr-only">Move for {l.text || `line ${l.line}`}</span>
              <select
                className="select w-full max-w-sm"
                value={l.moveId}
                onChange={({ target }) => onChoose(l.line, target.value)}
              >
                <option value="">Leave this line out</option>
                {l.guesses.length > 0 && (
                  <optgroup label="Likely">
                    {l.guesses.map(({ moveId }) => (
                      <option key={moveId} value={moveId}>
                        {names.get(moveId)}
                      </option>
                    ))}
                  </optgroup>
                )}
                <optgroup label="All moves">
                  {moves
                    .filter(({ id }) => !l.guesses.some((g) => g.moveId === id))
                    .map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                </optgroup>
              </select>
              {isUnsure(l) && (
                <span className="bg-accent text-accent-content rounded px-1.5 text-sm font-semibold">
                  {l.moveId ? 'unsure' : 'left out'}
                </span>
              )}
            </label>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What a line becomes: whole breaths or strokes seldom last just as long as it says. */
function DoseOf({ usual, seconds }: { usual: Dose | undefined; seconds: number | null }) {
  if (!usual) return null;
  const dose = seconds === null ? usual : doseLasting({ dose: usual }, seconds);
  if (dose) {
    return (
      <span className="quiet block text-sm">
        Becomes {doseLabel(dose)}: {clock(doseMs(dose))} each time.
      </span>
    );
  }
  return (
    <span className="text-error block text-sm">
      This move cannot last so long. It becomes {doseLabel(usual)}, as usual.
    </span>
  );
}

/** Whether a line is to be looked at: it is left out, or what it was taken for is only likely. */
const isUnsure = ({ moveId, guesses }: Line): boolean =>
  (guesses.find((g) => g.moveId === moveId)?.alike ?? (moveId ? 1 : 0)) < SURE;

interface MakeProps {
  lines: readonly Line[];
  busy: boolean;
  make: (asked: Omit<AskedWritten, 'errand'>) => Promise<void>;
}

function Make({ lines, busy, make }: MakeProps) {
  const [name, setName] = useState('');
  const [minutes, setMinutes] = useState('20');
  const chosen = lines.filter((l) => l.moveId !== '');
  return (
    <form
      className="mt-6 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void make({
          name,
          minutes,
          lines: chosen.map(({ moveId, seconds, rounds }) => ({ move: moveId, seconds, rounds })),
        });
      }}
    >
      <label className="grid gap-1">
        <span className="text-sm font-medium">Name of the class</span>
        <input
          className="input w-64"
          required
          maxLength={80}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <label className="grid gap-1">
        <span className="text-sm font-medium">Slot, in minutes</span>
        <input
          className="input w-32"
          inputMode="numeric"
          required
          value={minutes}
          onChange={({ target }) => setMinutes(target.value)}
        />
      </label>
      <button
        type="submit"
        className="btn btn-primary upbeat-on-accent"
        disabled={busy || chosen.length === 0}
      >
        Make a class of {chosen.length} {chosen.length === 1 ? 'move' : 'moves'}
      </button>
      {chosen.length < lines.length && (
        <p className="w-full text-sm">
          {lines.length - chosen.length} of {lines.length} lines are left out.
        </p>
      )}
    </form>
  );
}
