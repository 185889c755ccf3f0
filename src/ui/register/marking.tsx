import { Undo2 } from 'lucide-react';
import { useId, useState } from 'react';
import type { Saying } from '@/browser/register-acts';
import { MARK_KEYS, MARK_NAMES, MARKS } from '@/core/attendance';
import { MOST_MINUTES_OFF, type RegisterLine } from '@/core/calls';
import type { RegisterSession } from './register-grid';
import type { RegisterState } from './use-register';

/** The cell that is chosen, and what can be said of it, by touch as by keyboard. */
export function Marking({
  session,
  line,
  register,
  say,
}: {
  session: RegisterSession | undefined;
  line: RegisterLine | undefined;
  register: RegisterState;
  say: (said: Saying | null) => void;
}) {
  if (!session || !line) return null;
  const cell = line.cells.find((c) => c.sessionId === session.id);
  const off = session.status === 'cancelled';
  const cameIn = cell?.mark === 'here' || cell?.mark === 'late';
  return (
    <section
      aria-label="The chosen place"
      className="no-print bg-base-100 border-base-300 sticky top-0 z-20 mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-b py-2"
    >
      <p className="min-w-56 font-medium">
        {line.name}, {session.when}
      </p>
      {off ? (
        <p className="quiet">
          {session.word ? `Cancelled: ${session.word}. ` : 'Cancelled. '}It neither counts nor
          breaks.
        </p>
      ) : (
        <>
          <span className="join flex-wrap">
            {MARKS.map((mark) => (
              <button
                key={mark}
                type="button"
                className={`btn btn-sm join-item ${cell?.mark === mark ? 'btn-primary' : ''}`}
                aria-pressed={cell?.mark === mark}
                aria-keyshortcuts={MARK_KEYS[mark]}
                disabled={!session.begun && mark !== 'excused'}
                onClick={() => say({ mark })}
              >
                {MARK_NAMES[mark]}
                <kbd className="key-cap max-sm:hidden">{MARK_KEYS[mark].toUpperCase()}</kbd>
              </button>
            ))}
            <button
              type="button"
              className="btn btn-sm join-item"
              disabled={!cell}
              onClick={() => say(null)}
            >
              Clear
            </button>
          </span>
          {cell && cameIn && (
            <span
              className="flex items-center gap-3 text-sm"
              key={`${line.participantId} ${session.id}`}
            >
              <MinutesField
                label="min late"
                value={cell.lateMinutes}
                keep={(lateMinutes) =>
                  say({ mark: lateMinutes > 0 ? 'late' : 'here', lateMinutes })
                }
              />
              <MinutesField
                label="min left early"
                value={cell.leftMinutes}
                keep={(leftMinutes) => say({ mark: cell.mark, leftMinutes })}
              />
              {cell.tookMinutes !== null && (
                <span className="quiet">took part {cell.tookMinutes} min</span>
              )}
            </span>
          )}
        </>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm ml-auto"
        disabled={!register.canUndo}
        aria-keyshortcuts="Control+Z"
        onClick={register.undo}
      >
        <Undo2 size={16} aria-hidden /> Undo
      </button>
      <p role="status" className="sr-only">
        {register.done}
      </p>
      <Told register={register} />
    </section>
  );
}

/** What is not stored, and why. */
export function Told({
  register: { stuck, refused, retry, understood },
}: {
  register: RegisterState;
}) {
  return (
    <>
      {stuck && (
        <p role="alert" className="text-error w-full font-medium">
          {stuck.says}{' '}
          <button type="button" className="link" onClick={retry}>
            Store {stuck.acts} again
          </button>
        </p>
      )}
      {refused.length > 0 && (
        <div role="alert" className="text-error w-full font-medium">
          <ul>
            {refused.map(({ id, says }) => (
              <li key={id}>Not stored. {says}</li>
            ))}
          </ul>
          <button type="button" className="link" onClick={understood}>
            Understood
          </button>
        </div>
      )}
    </>
  );
}

function MinutesField({
  label,
  value,
  keep,
}: {
  label: string;
  value: number;
  keep: (minutes: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const id = useId();
  const stop = () => {
    if (typed === null) return;
    const minutes = Number(typed);
    const isRight = /^\s*\d+\s*$/.test(typed) && minutes <= MOST_MINUTES_OFF;
    setWrong(!isRight);
    if (!isRight) return;
    if (minutes !== value) keep(minutes);
    setTyped(null);
  };
  return (
    <span>
      <label className="flex items-center gap-1.5">
        <input
          className={`input input-sm figures w-14 text-right ${wrong ? 'input-error' : ''}`}
          inputMode="numeric"
          autoComplete="off"
          value={typed ?? String(value)}
          aria-invalid={wrong}
          aria-describedby={wrong ? id : undefined}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={stop}
          onKeyDown={(e) => {
            if (e.key === 'Enter') stop();
            if (e.key !== 'Escape') return;
            setTyped(null);
            setWrong(false);
          }}
        />
        {label}
      </label>
      {wrong && (
        <span id={id} role="alert" className="text-error block max-w-56">
          Write whole minutes, from 0 to {MOST_MINUTES_OFF}.
        </span>
      )}
    </span>
  );
}
