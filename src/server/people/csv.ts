import { dateOn } from '@/core/formats';
import { csvOf } from '../csv';
import type { ListedPerson } from './list';

/** People of a list as CSV (RFC 4180); what they carry is not in it. */
export function peopleCsv(people: readonly ListedPerson[], zone: string): string {
  const columns = [
    'Name',
    'Contact',
    'Language',
    'On the register since',
    'Classes',
    'Last seen',
    'Came in all',
    'Came in 12 weeks',
    'Of',
    'In a row',
    'Practised in 12 weeks',
    'To know',
  ];
  const rows = people.map((p) => [
    p.name,
    p.contact ?? '',
    p.language ?? '',
    p.joinedOn,
    p.classes.join('; '),
    p.lastAt === null ? '' : dateOn(p.lastAt, zone),
    String(p.times),
    String(p.in12.came),
    String(p.in12.of),
    String(p.best?.streak.current ?? 0),
    String(p.practice),
    p.marks.map((m) => m.says).join('; '),
  ]);
  return csvOf(columns, rows, { named: true });
}
