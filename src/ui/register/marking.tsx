import { Undo2 } from 'lucide-react';
import { useState } from 'react';
import { MARK_KEYS, MARK_NAMES, MARKS, type Mark } from '@/core/attendance';
import type { RegisterLine } from '@/core/calls';
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
  say: (mark: Mark | null, minutes?: { lateMinutes?: number; leftMinutes?: number }) => void;
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
                onClick={() => say(mark)}
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
                keep={(lateMinutes) => say(lateMinutes > 0 ? 'late' : 'here', { lateMinutes })}
              />
              <MinutesField
                label="min left early"
                value={cell.leftMinutes}
                keep={(leftMinutes) => say(cell.mark, { leftMinutes })}
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
      {register.error && (
        <p role="alert" className="text-error w-full font-medium">
          {register.error}{' '}
          {register.waiting.length > 0 && (
            <button type="button" className="link" onClick={register.retry}>
              Store {register.waiting.length} again
            </button>
          )}
        </p>
      )}
    </section>
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
  const stop = () => {
    const minutes = Number(typed);
    if (typed !== null && /^\d{1,3}$/.test(typed.trim()) && minutes <= 600 && minutes !== value) {
      keep(minutes);
    }
    setTyped(null);
  };
  return (
    <label className="flex items-center gap-1.5">
      <input
        className="input input-sm figures w-14 text-right"
        inputMode="numeric"
        value={typed ?? String(value)}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={stop}
        onKeyDown={(e) => e.key === 'Enter' && stop()}
      />
      {label}
    </label>
  );
}
