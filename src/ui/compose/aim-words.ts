import { COUNTING_NAMES, type Explain, type FaceOrder, type Plan, type Skin } from '@/core/class';
import { LANGUAGE_NAMES } from '@/core/language';
import { AREA_NAMES, PURPOSE_NAMES } from '@/core/move';

/** What the aim and the house rules of a class are called, and a class's own in one line. */

export const ORDER_NAMES: Record<FaceOrder, string> = {
  upward: 'upwards, then drain down',
  downward: 'from the forehead down',
  focus: 'the focus first',
};
export const SKIN_NAMES: Record<Skin, string> = {
  dry: 'dry throughout',
  serum: 'serum before everything',
  oilToClose: 'oil for the closing massage',
  oil: 'oil from the start',
};
export const EXPLAIN_NAMES: Record<Explain, string> = {
  first: 'in full first, short after',
  throughout: 'while the work runs',
  'names-only': 'names only',
  'new-in-room': 'in full what is new to somebody',
};
const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function aimOf({ aim }: Pick<Plan, 'aim'>): string {
  if (aim.kind === 'whole') return 'whole face';
  if (aim.kind === 'purpose') return `to ${PURPOSE_NAMES[aim.purpose]}`;
  return `for ${aim.areas.map((area) => AREA_NAMES[area]).join(', ')}`;
}

function languagesOf({ language, second }: Pick<Plan, 'language' | 'second'>): string {
  const main = LANGUAGE_NAMES[language];
  if (!second) return main;
  return `${main}, ${LANGUAGE_NAMES[second.language]} ${second.how === 'speak' ? 'after it' : 'beside it'}`;
}

/** What a class is for and how it is led, in one line. */
export function aimInWords(plan: Pick<Plan, 'aim' | 'rules' | 'language' | 'second'>): string {
  const { rules } = plan;
  return [
    `${aimOf(plan)}, ${ORDER_NAMES[rules.order]}`,
    SKIN_NAMES[rules.skin],
    `explained ${EXPLAIN_NAMES[rules.explain]}`,
    `counted ${COUNTING_NAMES[rules.counting]}`,
    languagesOf(plan),
  ]
    .map((part) => `${sentence(part)}.`)
    .join(' ');
}
