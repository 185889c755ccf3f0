'use client';

import Papa from 'papaparse';
import { useState } from 'react';
import { newId } from '@/browser/new-id';
import {
  guessColumns,
  MOST_TABLE_CHARACTERS,
  MOST_TAKEN,
  type ReadTable,
  readPeople,
} from '@/core/people';
import { ChooseText } from '../kit/choose-text';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { Problem } from '../kit/problem';
import { useCalledActs } from '../kit/use-act';
import { Columns, type Known, type Line, Preview } from './take-in-preview';

export interface TakeInScreenProps {
  classes: { id: string; name: string }[];
  known: (people: { name: string; contact: string }[]) => Promise<(Known | null)[]>;
  takeIn: (
    people: { id: string; name: string; contact: string; language: string }[],
    classId: string | null,
  ) => Promise<{ ids: string[] } | { problem: string }>;
  takeOut: (ids: string[]) => Promise<{ out: number; moved: string }>;
}

/** Many people from a list: looked at first, with nothing stored until it is asked for. */
export function TakeInScreen({ classes, known, takeIn, takeOut }: TakeInScreenProps) {
  const [rows, setRows] = useState<string[][] | null>(null);
  const [table, setTable] = useState<ReadTable>({ headed: false, columns: [] });
  const [lines, setLines] = useState<Line[]>([]);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [classId, setClassId] = useState('');
  const { problem, tell, busy, attempt } = useCalledActs();
  const [taken, setTaken] = useState<string[] | null>(null);
  const [done, setDone] = useState('');

  const look = (all: string[][], how: ReadTable) =>
    attempt(async () => {
      const people = readPeople(all, how);
      const who = await known(people.map(({ name, contact }) => ({ name, contact })));
      setTable(how);
      setLines(people.map((p, i) => ({ ...p, id: newId(), known: who[i] ?? null })));
      // Who is on the register already is left out unless one says otherwise.
      setLeft(new Set(people.flatMap((p, i) => (who[i] ? [p.line] : []))));
    });
  const read = (text: string) => {
    setTaken(null);
    setDone('');
    if (text.trim() === '') return tell('The list is empty. Paste some lines, or choose a file.');
    if (text.length > MOST_TABLE_CHARACTERS) {
      return tell('The list is too long. Take in 2,000 people at a time.');
    }
    const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
    if (data.length > MOST_TAKEN + 1) {
      return tell(`The list has ${data.length} lines. Take in 2,000 people at a time.`);
    }
    setRows(data);
    void look(data, guessColumns(data));
  };
  const good = lines.filter((l) => l.problem === null && !left.has(l.line));
  const wrong = lines.filter((l) => l.problem !== null).length;
  const twice = lines.filter((l) => l.problem === null && l.known).length;

  return (
    <Page title="Take in a list of people">
      <Problem says={problem} className="mb-4" />
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
                    const { out, moved } = await takeOut(taken);
                    const stay = taken.length - out;
                    setDone(
                      `${out} people are out again.${stay > 0 ? ` ${stay} stay, since something is known of them by now.` : ''}${moved}`,
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
          <ChooseText
            file="A CSV file, as any spreadsheet writes it"
            accept=".csv,text/csv,text/plain"
            placeholder={'Name, contact\nMarit, marit@example.org'}
            submit="Look at it"
            read={read}
            tell={tell}
          />
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
                      const people = good.map(({ id, name, contact, language }) => {
                        return { id, name, contact, language };
                      });
                      const answer = await takeIn(people, classId || null);
                      if ('problem' in answer) return tell(answer.problem);
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
