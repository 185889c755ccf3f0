import { type Plan, stagesIn } from '../class';
import type { Language } from '../language';
import { countWord, type Phrases } from '../speech';
import type { CountsOn } from './counting';
import { CUE_GAP_MS } from './lane';
import type { Scoring } from './piece';
import { type Cue, type CueKind, EVEN, MORE, type Spare, type SpareName, type Step } from './score';
import { beyond, inFull, inTheMiddle, notLast } from './step-key';
import { BEAT_MS, COUNT_IN, inOwnWords, type Length, switchMs, talkMs, upbeatMs } from './timing';
import { doseOn, type Turn } from './turns';
import { type Pace, type Saying, Wording } from './wording';
import { countedOn } from './work-cues';

type Words = (phrases: Phrases) => [kind: CueKind, text: string][];

/** What each spare says that is the same in every class, before it is counted in. */
const SAYS: Record<(typeof MORE)[number] | (typeof EVEN)[number], Words> = {
  more: (p) => [['announce', p.oneMore]],
  moreEach: (p) => [
    ['announce', p.oneMore],
    ['side', p.firstSide.each],
  ],
  moreDirections: (p) => [
    ['announce', p.oneMore],
    ['side', p.firstSide.directions],
  ],
  moreRight: (p) => [
    ['announce', p.oneMore],
    ['side', p.otherSide.each],
  ],
  left: (p) => [['side', p.evenOut.left]],
  right: (p) => [['side', p.evenOut.right]],
  one: (p) => [['side', p.evenOut.one]],
  other: (p) => [['side', p.evenOut.other]],
};

interface Speaks {
  plan: Plan;
  phrases: Phrases;
  length: Length;
  talkingFactor: number;
}

/** Lays what a spare says one after the other, and its count-in at its end. */
function spareOf(
  { name, durationMs, step = 0 }: Pick<Spare, 'name' | 'durationMs'> & { step?: number },
  sayings: readonly Saying[],
  countIn: boolean,
  { plan: { language: main }, phrases, length, talkingFactor }: Speaks,
): Spare {
  const talk = inOwnWords(length, talkingFactor);
  const cues: Cue[] = [];
  const put = (
    { kind, text, language, also, ref }: Saying,
    { offsetMs, fromEnd }: Pick<Cue, 'offsetMs' | 'fromEnd'>,
    of: Length = length,
  ) =>
    cues.push({
      id: `${name}#${cues.length}`,
      step,
      kind,
      text,
      language,
      ...(also !== undefined && { also }),
      ...(ref !== undefined && { ref }),
      offsetMs,
      startMs: offsetMs,
      durationMs: of(text, language),
      fromEnd,
    });
  let from = 0;
  for (const saying of sayings) {
    put(saying, { offsetMs: from, fromEnd: false }, talk);
    from += talkMs([saying], talk);
  }
  for (let n = COUNT_IN; countIn && n >= 1; n--) {
    const text = countWord(phrases, n);
    if (length(text, main) + CUE_GAP_MS > BEAT_MS) continue;
    const offsetMs = durationMs - n * BEAT_MS;
    put({ kind: 'countIn', text, language: main }, { offsetMs, fromEnd: true });
  }
  return { name, durationMs, cues };
}

/** Words turns, and makes spares that lead in as the step of a name does; none where there is no such step. */
export function leadingInto(
  steps: readonly Step[],
  { plan, phrasesOf, room, talkingFactor }: Scoring,
  length: Length,
) {
  const speaks = { plan, phrases: phrasesOf(plan.language), length, talkingFactor };
  const indexOf = new Map(steps.map(({ id }, i) => [id, i]));
  return {
    wordingOf: (turn: Turn) => new Wording(turn, plan, phrasesOf, room),
    spare: (id: string, name: SpareName, sayings: readonly Saying[], pace: Pace): Spare[] => {
      const step = indexOf.get(id);
      if (step === undefined) return [];
      const durationMs = upbeatMs(sayings, pace, length, talkingFactor);
      return [spareOf({ name, durationMs, step }, sayings, pace.countIn, speaks)];
    },
  };
}
type Leading = ReturnType<typeof leadingInto>;

/** What a class could be bent by: an upbeat for one more round, a change to the side that had less. */
export function sparesOf(
  plan: Plan,
  phrasesOf: (language: Language) => Phrases,
  length: Length,
  talkingFactor: number,
): Spare[] {
  const { language, rules, second } = plan;
  const main = phrasesOf(language);
  const other = second && second.language !== language ? second : undefined;
  const sayingsOf = (words: Words): Saying[] => {
    const also = other ? words(phrasesOf(other.language)) : [];
    return words(main).flatMap(([kind, text], i): Saying[] => {
      const translated = also[i]?.[1];
      if (!other || translated === undefined) return [{ kind, text, language }];
      if (other.how === 'show') return [{ kind, text, language, also: translated }];
      return [
        { kind, text, language },
        { kind, text: translated, language: other.language },
      ];
    });
  };
  const speaks = { plan, phrases: main, length, talkingFactor };
  return [...MORE, ...EVEN].map((name): Spare => {
    const sayings = sayingsOf(SAYS[name]);
    const isUpbeat = (MORE as readonly string[]).includes(name);
    const durationMs = (isUpbeat ? upbeatMs : switchMs)(sayings, rules, length, talkingFactor);
    return spareOf({ name, durationMs }, sayings, rules.countIn, speaks);
  });
}

/** How the work of a class that is counted up is counted on where it is made longer. */
export function sparesBeyond(
  turns: readonly Turn[],
  { plan, phrasesOf, room, longestWordMs }: Scoring,
  length: Length,
): Spare[] {
  const { language } = plan;
  const phrases = phrasesOf(language);
  const all = new Map<string, CountsOn>();
  for (const turn of turns) {
    const { segment, done, sides } = turn;
    const wording = new Wording(turn, plan, phrasesOf, room);
    const counting = done.uncounted ? 'none' : wording.speaking.counting;
    for (const side of sides) {
      const dose = doseOn(turn, side);
      const stages = segment.stages ? stagesIn(dose, segment.stages) : [];
      const on = countedOn({ dose, counting, wording, stages }, longestWordMs);
      if (on) all.set(on.key, on);
    }
  }
  return [...all.values()].map(({ key, counts }): Spare => {
    const name = beyond(key);
    const cues = counts.flatMap(({ number, offsetMs, fromEnd }, i): Cue[] => {
      const text = countWord(phrases, number);
      const durationMs = length(text, language);
      const next = counts[i + 1]?.offsetMs ?? Number.POSITIVE_INFINITY;
      if (offsetMs + durationMs + CUE_GAP_MS > next) return [];
      const of = { step: 0, kind: 'count' as const, text, language, ref: 'count' };
      return [{ id: `${name}#${i}`, ...of, offsetMs, startMs: offsetMs, durationMs, fromEnd }];
    });
    return { name, durationMs: counts.at(-1)?.offsetMs ?? 0, cues };
  });
}

/** The first upbeat of every segment whose move is explained before it, as it would be were it not. */
export function sparesInFull(turns: readonly Turn[], { wordingOf, spare }: Leading): Spare[] {
  const begun = new Set<string>();
  return turns.flatMap((turn) => {
    const later = begun.has(turn.segment.id);
    begun.add(turn.segment.id);
    if (later || turn.firstOfMove) return [];
    const wording = wordingOf({ ...turn, firstOfMove: true });
    const sayings = wording.upbeat();
    if (sayings.every(({ kind }) => kind !== 'setup')) return [];
    const id = `${turn.key}.upbeat`;
    return spare(id, inFull(id), sayings, wording.pace('upbeat'));
  });
}

/** The upbeat of every round that is announced as the last one, as it would be were there more. */
export function sparesNotLast(turns: readonly Turn[], { wordingOf, spare }: Leading): Spare[] {
  return turns.flatMap((turn) => {
    if (turn.round < turn.rounds) return [];
    const last = wordingOf(turn).upbeat();
    const wording = wordingOf({ ...turn, rounds: turn.rounds + 1 });
    const sayings = wording.upbeat();
    if (sayings.every(({ text }, i) => text === last[i]?.text)) return [];
    const id = `${turn.key}.upbeat`;
    return spare(id, notLast({ id, variant: turn.variant }), sayings, wording.pace('upbeat'));
  });
}

/**
 * What leads into every part of every turn where the class changes to it in the middle. It is by the step that leads
 * into the part as planned; where it makes a difference that the room is on that part already, by the part as well.
 */
export function sparesInTheMiddle(turns: readonly Turn[], leading: Leading): Spare[] {
  return turns.flatMap((turn) => {
    // Whatever the turn is a part of, it is begun anew.
    const wording = leading.wordingOf({ ...turn, flow: undefined });
    const pace = { ...wording.pace('upbeat'), countIn: wording.speaking.countIn };
    const spare = (part: string, nth: number, begun: boolean): Spare[] => {
      const id = `${turn.key}.${part}`;
      return leading.spare(id, inTheMiddle(id), wording.inTheMiddle(nth, begun), pace);
    };
    const [, second] = turn.sides;
    return [
      ...spare('upbeat', 0, false),
      ...(second ? spare('switch', 1, false) : []),
      ...(second && turn.shared === 'directions' ? spare(`work.${second}`, 1, true) : []),
    ];
  });
}
