import type { Plan } from '../class';
import { type Move, type MoveText, moveText } from '../move';
import type { Phrases } from '../speech';
import type { CueKind } from './score';
import type { Turn } from './turns';

export interface Saying {
  kind: CueKind;
  text: string;
}

/** The words of a segment: the teacher's own where they wrote some, else the library's. */
export function segmentText(turn: Pick<Turn, 'segment'>, move: Move, plan: Plan): MoveText {
  const text = moveText(move, plan.language);
  const own = turn.segment.cues;
  return own
    ? {
        name: text.name,
        setup: own.setup ?? text.setup,
        short: own.short ?? text.short,
        form: own.form ?? text.form,
        letGo: own.letGo ?? text.letGo,
      }
    : text;
}

function announcement(turn: Turn, text: MoveText, phrases: Phrases): string {
  const { segment, round, rounds } = turn;
  if (round === 1) {
    return segment.cues?.announce ?? `${text.name}. ${phrases.dose(segment.dose, rounds)}.`;
  }
  const which = round === rounds && rounds > 2 ? phrases.lastRound : phrases.round(round);
  return turn.sameAsBefore ? `${which}.` : `${text.name}. ${which}.`;
}

/** What is said before the work, in order, without the count-in. */
export function upbeatSayings(turn: Turn, text: MoveText, plan: Plan, phrases: Phrases): Saying[] {
  const sayings: Saying[] = [{ kind: 'announce', text: announcement(turn, text, phrases) }];
  if (plan.rules.explain === 'first') sayings.push(...explanation(turn, text));
  const { sides } = turn.segment;
  if (sides === 'each' || sides === 'directions') {
    sayings.push({ kind: 'side', text: phrases.firstSide[sides] });
  }
  return sayings;
}

/**
 * Whether a let-go without a release or rest of its own is said before the next announcement. Classes
 * that go by names or talk throughout run straight on instead (common practice).
 */
export const carriesLetGo = (plan: Plan): boolean => plan.rules.explain === 'first';

/** What is explained while the work runs, where the class talks throughout. */
export function guidance(turn: Turn, text: MoveText, plan: Plan): Saying[] {
  return plan.rules.explain === 'throughout' ? explanation(turn, text) : [];
}

function explanation(turn: Turn, text: MoveText): Saying[] {
  return turn.firstOfMove
    ? text.setup.map((sentence) => ({ kind: 'setup', text: sentence }))
    : [{ kind: 'short', text: text.short }];
}
