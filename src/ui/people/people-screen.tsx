'use client';

import {
  flexRender,
  getCoreRowModel,
  type RowSelectionState,
  useReactTable,
  type VisibilityState,
} from '@tanstack/react-table';
import {
  ArrowDown,
  ArrowUp,
  CalendarRange,
  ChartColumn,
  Columns3,
  Download,
  Upload,
  UserPlus,
} from 'lucide-react';
import { useEffect, useState } from 'react';
import { remember } from '@/browser/remember';
import { Empty } from '../kit/empty';
import type { FormAct } from '../kit/form';
import { Link } from '../kit/link';
import { Menu } from '../kit/menu';
import { Page } from '../kit/page';
import { AddPerson, type NewPersonState } from './add-person';
import { ColumnChoice } from './column-choice';
import { COLUMNS, NAMES, type PersonRow, SORTS } from './people-columns';
import { PeopleFilters, type PeopleFiltersProps } from './people-filters';
import { Selection } from './selection';
import { useListLink } from './use-list-link';

export interface PeopleScreenProps extends PeopleFiltersProps {
  people: PersonRow[];
  total: number;
  page: number;
  pages: number;
  sort: string;
  down: boolean;
  registers: { id: string; name: string }[];
  /** Nobody is on the register at all. */
  none: boolean;
  add: (state: NewPersonState, form: FormData) => Promise<NewPersonState>;
  book: FormAct;
  write: FormAct;
  /** Gives a class to do at home, and all that can be given. */
  give: FormAct;
  homeClasses: { id: string; name: string }[];
}

const HIDDEN_AT_FIRST: VisibilityState = { in4: false, practice: false };
const KEPT_AS = 'up-beat people columns';

/** The people of a studio: found, sorted, chosen, and what is worth knowing of each. */
export function PeopleScreen(props: PeopleScreenProps) {
  const { people, total, page, pages, sort, down, registers, none } = props;
  const [chosen, setChosen] = useState<RowSelectionState>({});
  const [adding, setAdding] = useState(none);
  const [shown, setShown] = useState<VisibilityState>(HIDDEN_AT_FIRST);
  useEffect(() => {
    const kept = localStorage.getItem(KEPT_AS);
    if (kept) setShown(JSON.parse(kept));
  }, []);
  const choose = (visibility: VisibilityState) => {
    setShown(visibility);
    remember(localStorage, KEPT_AS, JSON.stringify(visibility));
  };
  const table = useReactTable({
    data: people,
    columns: COLUMNS,
    getRowId: (row) => row.id,
    state: { rowSelection: chosen, columnVisibility: shown },
    onRowSelectionChange: setChosen,
    getCoreRowModel: getCoreRowModel(),
    manualSorting: true,
    manualPagination: true,
  });
  const ids = Object.keys(chosen).filter((id) => chosen[id]);
  const link = useListLink();
  return (
    <Page
      title="People"
      wide
      actions={
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-outline"
            aria-expanded={adding}
            onClick={() => setAdding(!adding)}
          >
            <UserPlus size={18} aria-hidden /> Add somebody
          </button>
          <Link href="/insights" className="btn btn-outline">
            <ChartColumn size={18} aria-hidden /> Insights
          </Link>
          <Link href="/people/programmes" className="btn btn-outline">
            <CalendarRange size={18} aria-hidden /> Programmes
          </Link>
          <Link href="/people/take-in" className="btn btn-outline">
            <Upload size={18} aria-hidden /> Take in a list
          </Link>
        </div>
      }
    >
      <div className="-mt-2 mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        {registers.length > 0 && <span className="quiet">Registers:</span>}
        {registers.map((r) => (
          <Link key={r.id} href={`/people/register/${r.id}`} className="link">
            {r.name}
          </Link>
        ))}
      </div>
      {adding && <AddPerson add={props.add} />}
      {none ? (
        <Empty title="Nobody on the register yet">
          <p>Everybody you teach will stand here, with how often they came. Add the first above.</p>
        </Empty>
      ) : (
        <>
          <div className="mt-4 flex flex-wrap items-end gap-3">
            <PeopleFilters {...props} />
            <span className="ml-auto flex gap-2">
              <a href={`/api/people?${link.query}`} className="btn btn-outline" download>
                <Download size={18} aria-hidden /> CSV
              </a>
              <Menu
                trigger={
                  <button type="button" className="btn btn-outline">
                    <Columns3 size={18} aria-hidden /> Columns
                  </button>
                }
              >
                <ColumnChoice
                  columns={Object.entries(NAMES).slice(1)}
                  shown={shown}
                  choose={choose}
                />
              </Menu>
            </span>
          </div>
          <Selection
            ids={ids}
            total={total}
            query={link.query}
            classes={props.classes}
            book={props.book}
            write={props.write}
            give={props.give}
            homeClasses={props.homeClasses}
            clear={() => setChosen({})}
          />
          {people.length === 0 ? (
            <div className="mt-4">
              <Empty title="Nobody like that">
                <p>
                  <Link href="/people" className="link">
                    Show everybody
                  </Link>
                </p>
              </Empty>
            </div>
          ) : (
            <div className="relative mt-3 overflow-x-auto">
              <table className="w-full text-base">
                <caption className="sr-only">
                  People, page {page} of {pages}
                </caption>
                <thead>
                  <tr className="text-left text-sm">
                    {table.getFlatHeaders().map((header) => {
                      const by = SORTS[header.column.id];
                      const on = by === sort;
                      return (
                        <th
                          key={header.id}
                          scope="col"
                          aria-sort={on ? (down ? 'descending' : 'ascending') : undefined}
                          className="px-2 py-1.5 whitespace-nowrap first:pl-0"
                        >
                          {by ? (
                            <Link
                              href={link.to({ sort: by, down: String(on ? !down : by !== 'name') })}
                              className="link link-hover inline-flex items-center gap-1"
                            >
                              {NAMES[header.column.id]}
                              {on &&
                                (down ? (
                                  <ArrowDown size={14} aria-hidden />
                                ) : (
                                  <ArrowUp size={14} aria-hidden />
                                ))}
                            </Link>
                          ) : (
                            flexRender(header.column.columnDef.header, header.getContext())
                          )}
                        </th>
                      );
                    })}
                  </tr>
                </thead>
                <tbody>
                  {table.getRowModel().rows.map((row) => (
                    <tr
                      key={row.id}
                      className={`border-base-300 border-t ${row.getIsSelected() ? 'tinted' : 'hover:bg-base-200/60'}`}
                    >
                      {row.getVisibleCells().map((cell) => (
                        <td key={cell.id} className="px-2 py-0.5 first:pl-0">
                          {flexRender(cell.column.columnDef.cell, cell.getContext())}
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
          {pages > 1 && (
            <nav aria-label="Pages" className="mt-4 flex items-center gap-3">
              {page > 1 && (
                <Link href={link.to({ page: String(page - 1) })} className="btn btn-outline btn-sm">
                  Before
                </Link>
              )}
              <span className="figures">
                Page {page} of {pages}, {total} people
              </span>
              {page < pages && (
                <Link href={link.to({ page: String(page + 1) })} className="btn btn-outline btn-sm">
                  Next
                </Link>
              )}
            </nav>
          )}
        </>
      )}
    </Page>
  );
}
