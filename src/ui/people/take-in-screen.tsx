'use client';

import Link from 'next/link';
import Papa from 'papaparse';
import { useId, useState } from 'react';
import {
  COLUMNS,
  guessColumns,
  MOST_TABLE_CHARACTERS,
  MOST_TAKEN,
  type PersonColumn,
  type ReadPerson,
  type ReadTable,
  readPeople,
} from '@/core/people';
import { Page } from '../kit/page';

interface Known {
  id: string;
  name: string;
  contact: string | null;
}

export interface TakeInScreenProps {
  classes: { id: string; name: string }[];
  known: (people: { name: string; contact: string }[]) => Promise<(Known | null)[]>;
  takeIn: (
    people: { name: string; contact: string; language: string }[],
    classId: string | null,
  ) => Promise<{ ids: string[] } | { problem: string }>;
  takeOut: (ids: string[]) => Promise<number>;
}

const COLUMN_NAMES: Record<PersonColumn, string> = {
  name: 'Name',
  contact: 'Contact',
  language: 'Language',
  nothing: 'not used',
};
/** Lines of a list that are shown at once. */
const SHOWN = 300;

/** A line of the list with whom the register has by that name or contact. */
interface Line extends ReadPerson {
  known: Known | null;
}

/** Many people from a list: looked at first, with nothing stored until it is asked for. */
export function TakeInScreen({ classes, known, takeIn, takeOut }: TakeInScreenProps) {
  const [rows, setRows] = useState<string[][] | null>(null);
  const [table, setTable] = useState<ReadTable>({ headed: false, columns: [] });
  const [lines, setLines] = useState<Line[]>([]);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [classId, setClassId] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState<string[] | null>(null);
  const [done, setDone] = useState('');

  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await work();
    } catch (error) {
      // What went wrong on the server is in its log; here it is enough that nothing was stored.
      console.error(error);
      setProblem('The server does not answer as it should. Nothing was stored; try again.');
    } finally {
      setBusy(false);
    }
  };
  const look = (all: string[][], how: ReadTable) =>
    attempt(async () => {
      const people = readPeople(all, how);
      const who = await known(people.map(({ name, contact }) => ({ name, contact })));
      setTable(how);
      setLines(people.map((p, i) => ({ ...p, known: who[i] ?? null })));
      // Who is on the register already is left out unless one says otherwise.
      setLeft(new Set(people.flatMap((p, i) => (who[i] ? [p.line] : []))));
    });
  const read = (text: string) => {
    setTaken(null);
    setDone('');
    if (text.trim() === '')
      return setProblem('The list is empty. Paste some lines, or choose a file.');
    if (text.length > MOST_TABLE_CHARACTERS) {
      return setProblem('The list is too long. Take in 2,000 people at a time.');
    }
    const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
    if (data.length > MOST_TAKEN + 1) {
      return setProblem(`The list has ${data.length} lines. Take in 2,000 people at a time.`);
    }
    setRows(data);
    void look(data, guessColumns(data));
  };
  const good = lines.filter((l) => l.problem === null && !left.has(l.line));
  const wrong = lines.filter((l) => l.problem !== null).length;
  const twice = lines.filter((l) => l.problem === null && l.known).length;

  return (
    <Page title="Take in a list of people">
      <div aria-live="polite">
        {problem && (
          <p role="alert" className="text-error mb-4 font-medium">
            {problem}
          </p>
        )}
      </div>
      {taken ? (
        <div role="status" className="grid gap-4">
          <p className="text-lg font-medium">{done}</p>
          <p className="flex flex-wrap gap-3">
            <Link href="/people" className="btn btn-primary">
              See the people
            </Link>
            {taken.length > 0 && (
              <button
                type="button"
                className="btn btn-outline"
                disabled={busy}
                onClick={() =>
                  attempt(async () => {
                    const out = await takeOut(taken);
                    const stay = taken.length - out;
                    setDone(
                      `${out} people are out again.${stay > 0 ? ` ${stay} stay, since something is known of them by now.` : ''}`,
                    );
                    setTaken([]);
                  })
                }
              >
                Undo
              </button>
            )}
          </p>
        </div>
      ) : (
        <>
          <Choose read={read} />
          {rows !== null && lines.length > 0 && (
            <>
              <Columns
                rows={rows}
                table={table}
                change={(next) => {
                  void look(rows, next);
                }}
              />
              <div className="mt-6 flex flex-wrap items-end gap-4">
                <label className="grid gap-1">
                  <span className="text-sm font-medium">Book them on</span>
                  <select
                    className="select w-64"
                    value={classId}
                    onChange={(e) => setClassId(e.target.value)}
                  >
                    <option value="">nothing yet</option>
                    {classes.map((c) => (
                      <option key={c.id} value={c.id}>
                        {c.name}
                      </option>
                    ))}
                  </select>
                </label>
                <button
                  type="button"
                  className="btn btn-primary"
                  disabled={busy || good.length === 0}
                  onClick={() =>
                    attempt(async () => {
                      const people = good.map(({ name, contact, language }) => {
                        return { name, contact, language };
                      });
                      const answer = await takeIn(people, classId || null);
                      if ('problem' in answer) return setProblem(answer.problem);
                      const { ids } = answer;
                      setTaken(ids);
                      setDone(
                        ids.length === 1
                          ? '1 person was taken in.'
                          : `${ids.length} people were taken in.`,
                      );
                    })
                  }
                >
                  Take in {good.length}
                </button>
                <p role="status" className="quiet">
                  {lines.length} lines: {good.length} to take in, {twice} on the register already,{' '}
                  {wrong} with something wrong.
                </p>
              </div>
              <Preview
                lines={lines}
                left={left}
                toggle={(line) =>
                  setLeft((before) => {
                    const next = new Set(before);
                    if (!next.delete(line)) next.add(line);
                    return next;
                  })
                }
              />
            </>
          )}
        </>
      )}
    </Page>
  );
}

function Choose({ read }: { read: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <div className="grid gap-6 md:grid-cols-2">
      <label className="grid content-start gap-1">
        <span className="font-medium">A CSV file, as any spreadsheet writes it</span>
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="file-input w-full"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (file) read(await file.text());
          }}
        />
      </label>
      <form
        className="grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          read(text);
        }}
      >
        <label className="grid gap-1">
          <span className="font-medium">Or lines to paste</span>
          <textarea
            className="textarea w-full"
            rows={4}
            placeholder={'Name, contact\nMarit, marit@example.org'}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-outline justify-self-start">
          Look at it
        </button>
      </form>
    </div>
  );
}

function Columns({
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

function Preview({
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
