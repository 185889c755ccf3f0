import clsx from 'clsx';
import { ShieldAlert } from 'lucide-react';
import { MARK_NAMES, type Mark } from '@/core/attendance';
import type { RollEntry } from '@/core/calls';
import { grouped } from '@/core/collections';
import { MARK_ICONS } from './mark-icons';
import type { Roll } from './use-roll';

export interface RollChipsProps {
  entries: readonly RollEntry[];
  roll: Roll;
  compact: boolean;
  /** What is to be known of somebody now. */
  noteOf: (entry: RollEntry) => string;
  /** What is true of somebody throughout the session. */
  alwaysOf: (entry: RollEntry) => string;
  /** Names who was touched last, for the marks that a touch does not make. */
  touch: (participantId: string) => void;
  keyOf?: (participantId: string) => string | undefined;
  onPick?: (participantId: string) => void;
}

/** What one more touch makes of somebody: here, then late, then nothing. */
const NEXT: Record<Mark | 'nothing', Mark | null> = {
  nothing: 'here',
  here: 'late',
  late: null,
  absent: 'here',
  excused: 'here',
};

/** Beside the stage, what is true of more people than this is folded. */
const FOLDED_FROM = 8;

/**
 * Many names, close, in columns: those of whom there is something to know first, the rest to be folded. A name stands in
 * one place from the roll to the register, whatever is marked and whichever move comes: else the next touch of it would
 * mark somebody else.
 */
export function RollChips(props: RollChipsProps) {
  const { entries, compact, alwaysOf } = props;
  const wordOf = (e: RollEntry) =>
    alwaysOf(e) || (e.cautions.length > 0 ? 'carries a caution' : '');
  const groups = grouped(entries, wordOf);
  const rest = groups.get('') ?? [];
  // What is true of few stands before what is true of many.
  const toKnow = [...groups]
    .filter(([word]) => word !== '')
    .sort(([, a], [, b]) => a.length - b.length);
  const columns = compact
    ? 'grid-cols-2'
    : 'grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] max-sm:grid-cols-2';
  const chips = (some: readonly RollEntry[]) => (
    <ul className={`grid gap-1 ${columns}`}>
      {some.map((entry) => (
        <Chip key={entry.participantId} entry={entry} {...props} />
      ))}
    </ul>
  );
  const marked = rest.filter((e) => e.attendance !== null).length;
  return (
    <>
      {toKnow.map(([word, people]) => (
        <section key={word} aria-label={word} className="mb-2">
          {compact && people.length > FOLDED_FROM ? (
            <details open={props.onPick !== undefined || undefined}>
              <summary className="text-accent mb-0.5 cursor-pointer text-sm">
                <span className="inline-block first-letter:uppercase">{word}</span>: {people.length}
              </summary>
              {chips(people)}
            </details>
          ) : (
            <>
              <h3 className="text-accent mb-0.5 text-sm first-letter:uppercase">{word}</h3>
              {chips(people)}
            </>
          )}
        </section>
      ))}
      {rest.length > 0 && (
        <details open={!compact || props.onPick !== undefined || undefined}>
          <summary className="quiet mb-1 cursor-pointer text-sm">
            {toKnow.length > 0 ? 'Everybody else' : 'Everybody'}: {marked} of {rest.length} marked
          </summary>
          {chips(rest)}
        </details>
      )}
    </>
  );
}

function Chip({
  entry,
  roll,
  compact,
  noteOf,
  alwaysOf,
  touch,
  keyOf,
  onPick,
}: RollChipsProps & { entry: RollEntry }) {
  const { participantId, name, attendance, cautions } = entry;
  const mark = attendance?.mark;
  const Icon = mark && MARK_ICONS[mark];
  const gone = (attendance?.leftAt ?? null) !== null;
  const keyName = keyOf?.(participantId);
  const note = gone ? 'left early' : noteOf(entry);
  if (onPick && keyName) {
    return (
      <li>
        <button
          type="button"
          className="btn btn-sm btn-accent upbeat-on-accent w-full justify-start px-2"
          aria-label={`Note it for ${name}`}
          aria-keyshortcuts={keyName}
          onClick={() => onPick(participantId)}
        >
          <kbd className="key-cap">{keyName}</kbd>
          <span className="truncate">{name}</span>
        </button>
      </li>
    );
  }
  return (
    <li>
      <button
        type="button"
        aria-pressed={mark === 'here' || mark === 'late'}
        aria-label={`${name}: ${mark ? MARK_NAMES[mark] : 'not marked'}${note && `, ${note}`}${cautions.length ? ', carries a caution' : ''}`}
        onClick={() => {
          touch(participantId);
          roll.mark(participantId, NEXT[mark ?? 'nothing']);
        }}
        className={clsx(
          'flex min-h-9 w-full cursor-pointer items-center gap-1.5 rounded-lg border px-2 py-1 text-left leading-tight',
          mark === 'here' && 'bg-secondary text-secondary-content border-secondary',
          mark === 'late' && 'border-secondary border-2',
          (mark === 'absent' || mark === 'excused') && 'border-base-300 quiet',
          !mark && 'border-base-content/40',
        )}
      >
        <span className={clsx('min-w-0 flex-1 truncate font-medium', gone && 'line-through')}>
          {name}
        </span>
        {compact && note && note !== alwaysOf(entry) && (
          <span className="text-accent max-w-1/2 truncate text-xs" aria-hidden>
            {note}
          </span>
        )}
        {cautions.length > 0 && <ShieldAlert size={16} aria-hidden className="shrink-0" />}
        {Icon && <Icon size={16} aria-hidden className="shrink-0" />}
      </button>
    </li>
  );
}
