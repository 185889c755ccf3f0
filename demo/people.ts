import type { Mark } from '@/core/attendance';
import type { CarriedCaution } from '@/core/move';

/** One letter a week, the oldest first: h here, l late, a absent, e excused. */
export interface DemoPerson {
  name: string;
  contact?: string;
  /** Weeks ago they joined. */
  joined: number;
  choir?: string;
  nightShift?: string;
  online?: string;
  /** What they carry and agreed to have kept. */
  cautions?: CarriedCaution[];
  /** Practice at home, so many days ago. */
  practice?: readonly number[];
  /** A pause, from so many days ago to so many days ago. */
  pause?: readonly [from: number, to: number];
  /** In the demo's programme, since so many days ago. */
  programme?: number;
}

export const MARK_OF: Record<string, Mark> = { h: 'here', l: 'late', a: 'absent', e: 'excused' };

/** Invented people of an invented harbour town. */
export const PEOPLE: DemoPerson[] = [
  {
    name: 'Marit',
    contact: 'marit@example.org',
    joined: 30,
    choir: 'hhhhhhhh',
    nightShift: 'hahhahhh',
  },
  { name: 'Joss', joined: 26, choir: 'hhahhhhl' },
  {
    name: 'Odile',
    contact: 'odile@example.org',
    joined: 22,
    choir: 'hlhhhhhh',
    online: 'hhhhhhhh',
    cautions: [{ caution: 'neck' }],
  },
  { name: 'Tarek', joined: 20, choir: 'aahhhahh', cautions: [{ caution: 'jaw' }] },
  { name: 'Wen', contact: 'wen@example.org', joined: 18, choir: 'hhhhhaah' },
  { name: 'Halvor', joined: 16, choir: 'hhhahhha' },
  { name: 'Priya', joined: 14, choir: 'hhhhhhhh', nightShift: 'hhhhahhh' },
  { name: 'Bastian', joined: 12, choir: 'lhlhhlhh' },
  { name: 'Yusra', contact: 'yusra@example.org', joined: 11, nightShift: 'hhhhhhhh' },
  { name: 'Colm', joined: 11, nightShift: 'hahahaha' },
  {
    name: 'Edda',
    joined: 10,
    nightShift: 'hhlhhhah',
    cautions: [{ caution: 'eyes' }, { caution: 'skin', areas: ['chin'] }],
  },
  {
    name: 'Farid',
    contact: 'farid@example.org',
    joined: 10,
    nightShift: 'aahhlhhh',
    online: 'hhahhhhh',
  },
  { name: 'Greta', joined: 9, nightShift: 'hhhaaaaa' },
  {
    name: 'Ilse',
    joined: 9,
    online: 'hhhhhhhh',
    cautions: [{ caution: 'pregnancy' }],
    practice: [1, 3, 4, 7, 8, 9, 12, 13, 18, 24, 25, 28],
    programme: 30,
  },
  {
    name: 'Noor',
    contact: 'noor@example.org',
    joined: 8,
    online: 'ahhhhahh',
    practice: [
      1, 2, 3, 4, 5, 6, 8, 9, 10, 11, 12, 14, 15, 16, 17, 19, 20, 21, 22, 23, 25, 26, 27, 29,
    ],
    programme: 30,
  },
  { name: 'Otis', joined: 5, online: 'hhhl', pause: [20, 16] },
  { name: 'Runa', joined: 3, choir: 'hh', online: 'heh' },
  { name: 'Sanna', joined: 0, choir: '' },
];

/** A programme of eight weeks, in its fifth. */
export const PROGRAMME = { name: 'Eight weeks at home', rule: 'otherDay', weeks: 8 } as const;
