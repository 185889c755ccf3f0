import type { Excuse, Per } from '../counted';
import type { LessBecause, StreakWords } from './words';

const UNITS: Record<Per, [one: string, many: string]> = {
  meeting: ['Treffen', 'Treffen'],
  week: ['Woche', 'Wochen'],
  day: ['Tag', 'Tage'],
};
/** As what is counted in: "von je 4 Tagen". */
const AMONG: Record<Per, string> = { meeting: 'Treffen', week: 'Wochen', day: 'Tagen' };
const NONE: Record<Per, string> = { meeting: 'kein Treffen', week: 'keine Woche', day: 'kein Tag' };
const NEITHER = 'es zählt nicht und bricht nichts ab';
const LESS: Record<LessBecause, string> = {
  'no-whole-week': 'es keine ganze Woche ist',
  'days-off': 'Tage davon frei waren',
  'no-more-on': 'nicht mehr stattfand',
};
const EXCUSES: Record<Excuse, string> = {
  excused: 'wer entschuldigt war',
  pause: 'eine Pause',
  holiday: 'ein freier Tag',
};

const times = (n: number): string => (n === 1 ? 'einmal' : n === 2 ? 'zweimal' : `${n} Mal`);
const capital = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());

export const german: StreakWords = {
  count: (n, per, forgives) =>
    `${n} ${UNITS[per][n === 1 ? 0 : 1]} ${forgives ? 'durchgehalten' : 'in Folge'}`,
  span: (first, last) => `${first} bis ${last}`,
  because: {
    came: 'da',
    late: 'später gekommen, das zählt',
    practised: 'stattdessen zu Hause geübt, das zählt',
    absent: 'nicht da',
    excused: `entschuldigt, ${NEITHER}`,
    pause: `in einer Pause, ${NEITHER}`,
    frozen: `ein freigenommener Tag, ${NEITHER}`,
    cancelled: `abgesagt, ${NEITHER}`,
    unmarked: `nichts eingetragen, ${NEITHER}`,
    'not-closed': 'noch nicht abgeschlossen',
    'to-come': 'kommt noch',
    'nothing-on': `nichts fand statt, ${NEITHER}`,
  },
  holiday: (name) => `${name || 'frei'}, ${NEITHER}`,
  cancelledFor: (why) => `abgesagt (${why}), ${NEITHER}`,
  tooShort: (share, asked) => `bei ${share} % davon dabei, und ${asked} % sind gefragt`,
  soFar: (got, need) => `bisher ${got} von ${need}`,
  done: (got) => (got === 0 ? 'nichts gemacht' : `${times(got)} gemacht`),
  asked: (need) => `, und ${times(need)} war gefragt`,
  askedLess: (need, why) => `, und nur ${times(need)} war gefragt, weil ${LESS[why]}`,
  kept: (count) => `Das macht ${count}.`,
  forgiven: (count) => `Das wird nachgesehen, und es bleiben ${count}.`,
  ended: 'Mit dem Nächsten wird neu gezählt.',

  asks: (per, n) =>
    per === 'meeting'
      ? 'Jedes Treffen zählt'
      : `${capital(times(n))} ${per === 'week' ? 'in der Woche' : 'am Tag'} ist gefragt`,
  mayMiss: (misses, among, per) =>
    misses === 0
      ? `${NONE[per]} darf fehlen`
      : `von je ${among} ${AMONG[per]} ${misses === 1 ? 'darf' : 'dürfen'} ${misses} fehlen`,
  forDays: (days) => `, ${days % 7 === 0 ? `${days / 7} Wochen` : `${days} Tage`} lang`,
  thereafter: '; danach: ',
  practice: { counts: 'Übung zu Hause zählt.', doesNot: 'Übung zu Hause zählt nicht.' },
  leastShare: (percent) =>
    `Wer bei weniger als ${percent} % einer Stunde da war, war nicht bei ihr.`,
  excuses: (those) =>
    those.length > 0
      ? `Ein abgesagtes Treffen${those.map((e, i) => `${i === those.length - 1 ? ' und' : ','} ${EXCUSES[e]}`).join('')} zählen nicht und brechen nichts ab.`
      : 'Nur ein abgesagtes Treffen zählt nicht und bricht nichts ab.',
  freezes: (days, among) =>
    days === 1
      ? `Von je ${among} Tagen darf einer freigenommen werden.`
      : `Von je ${among} Tagen dürfen ${days} freigenommen werden.`,

  looks: {
    kept: 'gehalten',
    late: 'gehalten, später gekommen',
    missed: 'ausgelassen',
    off: 'abgesagt',
    grain: 'zählt nicht',
    'to come': 'kommt noch',
  },
  nothingYet: 'noch nichts',
  programme: {
    left: 'verlassen',
    over: 'vorbei',
    toBegin: 'beginnt noch',
    week: (week, of) => `Woche ${week} von ${of}`,
  },
};
