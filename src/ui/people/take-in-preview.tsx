import { useId } from 'react';
import { COLUMNS, type PersonColumn, type ReadPerson, type ReadTable } from '@/core/people';
import { Link } from '../kit/link';

export interface Known {
  id: string;
  name: string;
  contact: string | null;
}

/** A line of the list with whom the register has by that name or contact. */
export interface Line extends ReadPerson {
  /** By which they are taken in: once, however often it is asked for. */
  id: string;
  known: Known | null;
}

const COLUMN_NAMES: Record<PersonColumn, string> = {
  name: 'Name',
  familyName: 'Family name',
  contact: 'Contact',
  language: 'Language',
  nothing: 'not used',
};

/** Lines of a list that are shown at once. */
const SHOWN = 300;

/** What the columns of a list hold, as it was guessed and can be changed. */
export function Columns({
  rows,
  table,
  change,
}: {
  rows: string[][];
  table: ReadTable;
  change: (table: ReadTable) => void;
}) {
  const id = useId();
  const example = rows[table.headed ? 1 : 0] ?? [];
  return (
    <fieldset className="mt-8">
      <legend className="text-xl font-semibold">What the columns hold</legend>
      <div className="mt-2 flex flex-wrap gap-4">
        {table.columns.map((column, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
          <label key={i} className="grid gap-1">
            <span className="quiet max-w-44 truncate text-sm">
              {rows[0]?.[i] || `Column ${i + 1}`}
              {example[i] && table.headed ? `: ${example[i]}` : ''}
            </span>
            <select
              className="select w-44"
              aria-label={`Column ${i + 1}`}
              value={column}
              onChange={(e) => {
                const now = e.target.value as PersonColumn;
                const columns = table.columns.map((c, n) =>
                  n === i ? now : c === now ? 'nothing' : c,
                );
                change({ ...table, columns });
              }}
            >
              {COLUMNS.map((c) => (
                <option key={c} value={c}>
                  {COLUMN_NAMES[c]}
                </option>
              ))}
            </select>
          </label>
        ))}
        <label htmlFor={id} className="flex items-center gap-2 self-end pb-2">
          <input
            id={id}
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={table.headed}
            onChange={(e) => change({ ...table, headed: e.target.checked })}
          />
          The first line names the columns
        </label>
      </div>
    </fieldset>
  );
}

/** The lines of a list, those to look at first. */
export function Preview({
  lines,
  left,
  toggle,
}: {
  lines: readonly Line[];
  left: ReadonlySet<number>;
  toggle: (line: number) => void;
}) {
  // What is to be looked at comes first.
  const rank = (l: Line) => (l.problem ? 0 : l.known ? 1 : 2);
  const inOrder = [...lines].sort((a, b) => rank(a) - rank(b) || a.line - b.line);
  return (
    <div className="mt-4 overflow-x-auto">
      <table className="table">
        <caption className="sr-only">The people of the list</caption>
        <thead>
          <tr className="text-base-content text-sm">
            <th scope="col">Take in</th>
            <th scope="col">Line</th>
            <th scope="col">Name</th>
            <th scope="col">Contact</th>
            <th scope="col">Language</th>
            <th scope="col">To know</th>
          </tr>
        </thead>
        <tbody className="text-base">
          {inOrder.slice(0, SHOWN).map((l) => (
            <tr key={l.line} className={l.problem ? 'quiet' : ''}>
              <td>
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  aria-label={`Take in line ${l.line}, ${l.name || 'without a name'}`}
                  disabled={l.problem !== null}
                  checked={l.problem === null && !left.has(l.line)}
                  onChange={() => toggle(l.line)}
                />
              </td>
              <td className="figures">{l.line}</td>
              <th scope="row" className="font-medium">
                {l.name}
              </th>
              <td>{l.contact}</td>
              <td>{l.language}</td>
              <td>
                {l.problem && <span className="text-error font-medium">{l.problem}</span>}
                {!l.problem && l.known && (
                  <>
                    on the register already:{' '}
                    <Link href={`/people/${l.known.id}`} className="link">
                      {l.known.name}
                    </Link>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {inOrder.length > SHOWN && (
        <p className="quiet mt-2">
          The first {SHOWN} are shown, those to look at before the others.
        </p>
      )}
    </div>
  );
}
