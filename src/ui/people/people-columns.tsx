import type { ColumnDef } from '@tanstack/react-table';
import { ShieldAlert } from 'lucide-react';
import type { BeatLine } from '@/core/streak';
import { StreakButton } from '../kit/beat-line/streak-button';
import { Link } from '../kit/link';

export interface PersonRow {
  id: string;
  name: string;
  carries: boolean;
  classes: string;
  seen: string;
  in4: string;
  in12: string;
  line: { classId: string; line: BeatLine } | null;
  practice: number;
  says: string;
}

/** Columns by which the list can be sorted, as the server knows them. */
export const SORTS: Record<string, string> = {
  name: 'name',
  seen: 'seen',
  in12: 'attended',
  streak: 'streak',
  practice: 'practice',
};

export const NAMES: Record<string, string> = {
  name: 'Name',
  classes: 'Classes',
  seen: 'Last seen',
  in4: 'Came, 4 weeks',
  in12: 'Came, 12 weeks',
  line: 'Regularity',
  streak: 'In a row',
  practice: 'Practice, 12 weeks',
  says: 'To know',
};

export const COLUMNS: ColumnDef<PersonRow>[] = [
  {
    id: 'chosen',
    enableHiding: false,
    header: ({ table }) => (
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        aria-label="Choose everybody on this page"
        checked={table.getIsAllRowsSelected()}
        onChange={table.getToggleAllRowsSelectedHandler()}
      />
    ),
    cell: ({ row }) => (
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        aria-label={`Choose ${row.original.name}`}
        checked={row.getIsSelected()}
        onChange={row.getToggleSelectedHandler()}
      />
    ),
  },
  {
    id: 'name',
    enableHiding: false,
    cell: ({ row: { original: p } }) => (
      <span className="flex items-center gap-1.5 font-medium whitespace-nowrap">
        <Link href={`/people/${p.id}`} className="link link-hover">
          {p.name}
        </Link>
        {p.carries && (
          <ShieldAlert size={16} className="quiet" role="img" aria-label="carries a caution" />
        )}
      </span>
    ),
  },
  {
    id: 'classes',
    header: 'Classes',
    cell: ({ row }) => row.original.classes || <span className="quiet">not booked</span>,
  },
  {
    id: 'seen',
    cell: ({ row }) => <span className="figures whitespace-nowrap">{row.original.seen}</span>,
  },
  {
    id: 'in4',
    header: 'Came, 4 weeks',
    cell: ({ row }) => <span className="figures whitespace-nowrap">{row.original.in4}</span>,
  },
  {
    id: 'in12',
    cell: ({ row }) => <span className="figures whitespace-nowrap">{row.original.in12}</span>,
  },
  {
    id: 'line',
    header: 'Regularity',
    cell: ({ row: { original: p } }) =>
      p.line && (
        <StreakButton
          participantId={p.id}
          name={p.name}
          classId={p.line.classId}
          line={p.line.line}
        />
      ),
  },
  {
    id: 'streak',
    cell: ({ row }) => (
      <span className="figures text-lg font-bold">{row.original.line?.line.current}</span>
    ),
  },
  {
    id: 'practice',
    cell: ({ row }) => <span className="figures">{row.original.practice || ''}</span>,
  },
  {
    id: 'says',
    header: 'To know',
    cell: ({ row }) => <span className="quiet text-sm">{row.original.says}</span>,
  },
];
