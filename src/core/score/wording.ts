import {
  cuesIn,
  isListedRef,
  type Plan,
  parseRef,
  printRef,
  type Rules,
  type SegmentCues,
  type Speaking,
  speakingOf,
} from '../class';
import { LANGUAGE_DATA, type Language, MAIN_LANGUAGE } from '../language';
import {
  type Area,
  type Dose,
  type MoveText,
  NECK,
  type Release,
  releaseTraits,
  strongAreas,
  variantText,
} from '../move';
import type { Phrases } from '../speech';
import type { CueKind, Side } from './score';
import { doseOn, releaseOf, type Turn, variantOf } from './turns';

/** Something to be said, with what is shown beside it in a second language. */
export interface Saying {
  kind: CueKind;
  text: string;
  language: Language;
  also?: string;
  /** Which cue of the segment it is, where the teacher may move or mute it. */
  ref?: string;
}

/** A saying that is wanted at a certain time of the work. */
export interface Pinned {
  saying: Saying;
  atMs: number;
}

/** How a turn is got into: by the house rules, and by what it has of its own. */
export type Pace = Pick<Rules, 'settleSeconds' | 'switchSeconds' | 'countIn'>;

/** Moves that each person in the room has met; one set a person. */
export type MovesMet = readonly ReadonlySet<string>[];

interface Voice {
  language: Language;
  phrases: Phrases;
  text: MoveText;
}

/** How a turn is done, and what to mind in it and after it, in sentences. */
export interface WordsToRead {
  how: string[];
  mind: string[];
}

/** All that is said about one turn, in the languages of the class. */
export class Wording {
  /** How this turn is spoken. */
  readonly speaking: Speaking;
  private readonly main: Voice;
  private readonly second: Voice | undefined;
  /** What the teacher wrote, muted and timed that is true of this turn. */
  private readonly cues: SegmentCues | undefined;

  constructor(
    private readonly turn: Turn,
    private readonly plan: Plan,
    phrasesOf: (language: Language) => Phrases,
    private readonly room?: MovesMet,
  ) {
    this.speaking = speakingOf(plan.rules, turn.segment);
    this.cues = cuesIn(turn.segment, turn.move, turn.variant);
    const voice = (language: Language, own?: SegmentCues): Voice => ({
      language,
      phrases: phrasesOf(language),
      text: ownWords(variantText(turn.move, language, turn.variant), own),
    });
    /** A move that is not written in the language of the class is led in the main one throughout. */
    const main = turn.move.text[plan.language] ? plan.language : MAIN_LANGUAGE;
    const other = plan.second?.language;
    this.main = voice(main, this.cues);
    this.second = other && other !== main && turn.move.text[other] ? voice(other) : undefined;
  }

  /**
   * One saying a language that is spoken; a second language that is only shown stands beside it.
   * Nothing where the teacher muted it or there are no words for it.
   */
  private say(kind: CueKind, words: (voice: Voice) => string, ref: string = kind): Saying[] {
    if (this.muted(ref)) return [];
    const { language } = this.main;
    const text = words(this.main);
    const other = this.second && words(this.second);
    const main: Saying = { kind, text, language, ref };
    if (!this.second || !other) return text ? [main] : [];
    if (this.plan.second?.how === 'show') return text ? [{ ...main, also: other }] : [];
    const second: Saying = { kind, text: other, language: this.second.language, ref };
    return text ? [main, second] : [second];
  }

  /** Whether the teacher does not want a cue to be said. */
  muted(ref: string): boolean {
    return this.cues?.muted?.includes(ref) ?? false;
  }

  private pin(ref: string): number | undefined {
    return this.cues?.pins?.find((p) => p.cue === ref)?.atSeconds;
  }

  /** What the teacher wants at a certain time of the work: reminders each time, set-up the first time. */
  pinned(firstPart: boolean): Pinned[] {
    const pins = this.cues?.pins ?? [];
    const explains = firstPart && this.inFull() && this.explains();
    return pins.flatMap(({ cue, atSeconds }) => {
      const ref = parseRef(cue);
      if (!ref || !isListedRef(ref) || (ref.kind === 'setup' && !explains)) return [];
      const sayings = this.say(ref.kind, (v) => v.text[ref.kind][ref.index] ?? '', cue);
      return sayings.map((saying) => ({ saying, atMs: Math.round(atSeconds * 1000) }));
    });
  }

  /**
   * What is said before the work, in order, without the count-in: the name, then the side, so that people
   * turn while they listen, then how it is done, and how much of it comes.
   */
  upbeat(): Saying[] {
    if (this.goesStraightOn) return [...this.again(), ...this.firstSide()];
    const { explain } = this.plan.rules;
    const explained = explain === 'first' || explain === 'new-in-room';
    return [
      ...this.opening(),
      ...this.announcement(),
      ...this.firstSide(),
      ...(explained && this.explains() ? this.explanation() : []),
      ...this.dose(),
    ];
  }

  /** What is explained while the work runs, where the class talks throughout. */
  guidance(): Saying[] {
    if (this.goesStraightOn || !this.explains()) return [];
    return this.plan.rules.explain === 'throughout' ? this.explanation() : [];
  }

  /** Whether the move is explained in full while the work runs. */
  explainsInWork(): boolean {
    return this.plan.rules.explain === 'throughout' && this.explains() && this.inFull();
  }

  otherSide(): Saying[] {
    const { shared, segment, sides, round, flow } = this.turn;
    const kind = shared === 'directions' ? 'directions' : 'each';
    const side = this.say('side', (v) => v.phrases.otherSide[kind]);
    const [, second] = sides;
    const differs = segment.uneven && shared === 'each' && round === 1 && !flow;
    if (!differs || !second || this.speaking.say === 'counts') return side;
    return [...side, ...this.doseOf(second, 1)];
  }

  /** How much one side gets in each round, where the sides are unequal. */
  private doseOf(side: Side, rounds: number): Saying[] {
    const dose = doseOn(this.turn, side);
    const later = Array.from({ length: rounds - 1 }, () => dose);
    return this.say('dose', ({ phrases }) => sentence(phrases.dose([dose, ...later], 'together')));
  }

  /**
   * What leads a class into this turn that has done it in another variant until now, or has begun it so: the side
   * again, and how it is done in full, whatever was explained before. Of how much comes only before the first round,
   * since a side that was begun in the other variant has as much as there.
   * @param nth the part of the turn that it leads into, from 0 on; `begun` where the room is on it already
   */
  inTheMiddle(nth: number, begun = false): Saying[] {
    const { round, shared, sides } = this.turn;
    if (this.speaking.say === 'counts') return nth > 0 ? this.otherSide() : [];
    const goesOn = begun && shared === 'directions';
    const side = goesOn
      ? this.say('side', (v) => v.phrases.sameWay)
      : nth > 0
        ? this.otherSide()
        : this.sideToBegin();
    const saidInWork = (ref: string) => nth === 0 && this.inFull() && this.pin(ref) !== undefined;
    const short = this.speaking.say === 'short';
    const how = short
      ? this.say('short', (v) => v.text.short)
      : this.inDetail((ref) => !saidInWork(ref));
    const begins = round === 1 && nth === 0 && sides[0] !== 'right';
    return [
      ...this.say('announce', (v) => this.nameIn(v)),
      ...side,
      ...(this.explains() ? how : []),
      ...(begins ? this.dose() : []),
    ];
  }

  letGo(): Saying[] {
    return this.speaking.say === 'counts' ? [] : this.say('letGo', (v) => v.text.letGo);
  }

  /**
   * Whether a let-go without a release or rest has a moment of its own. Classes that go by names or talk
   * throughout run straight on instead (common practice).
   */
  get alwaysLetsGo(): boolean {
    const { explain } = this.plan.rules;
    return this.explains() && (explain === 'first' || explain === 'new-in-room');
  }

  /** How the turn is got into. In one flow only its first turn is counted in; what goes straight on is not. */
  pace(into: 'upbeat' | 'switch'): Pace {
    const { settleSeconds, switchSeconds } = this.plan.rules;
    const { flow } = this.turn;
    const inFlow = flow === 'later' || (flow === 'first' && into === 'switch');
    const countIn = this.speaking.countIn && !inFlow && !(into === 'upbeat' && this.goesStraightOn);
    return { settleSeconds, switchSeconds, countIn };
  }

  /** A later round that is as the one before, and follows it without anything between them. */
  private get goesStraightOn(): boolean {
    const { segment, round, variant, sameAsBefore } = this.turn;
    const again = this.speaking.straightOn && round > 1 && sameAsBefore;
    return again && variantOf(segment, round - 1) === variant && !this.differs;
  }

  /** The round has another amount than the one before. */
  private get differs(): boolean {
    const { round, doses, dose } = this.turn;
    const before = doses[round - 2];
    if (before === undefined || before === dose) return false;
    return JSON.stringify(before) !== JSON.stringify(dose);
  }

  private again(): Saying[] {
    return this.speaking.say === 'counts' ? [] : this.say('announce', (v) => v.phrases.again);
  }

  /** Whether more is said than names, doses and counts. */
  private explains(): boolean {
    return this.speaking.say === 'all' || this.speaking.say === 'short';
  }

  /** What the block begins with; in the language of the class, since it is written in no other. */
  private opening(): Saying[] {
    const { opening } = this.turn;
    if (opening === undefined || this.speaking.say === 'counts') return [];
    return [{ kind: 'opening', text: opening, language: this.plan.language }];
  }

  /** How much comes: of all rounds before the first, later only what differs from the round before. */
  private dose(): Saying[] {
    const { round, rounds, doses, dose, shared, sides, flow } = this.turn;
    if (flow || this.speaking.say === 'counts') return [];
    const [first] = sides;
    // Where one side has more, what is said is true of the side that comes first.
    if (this.turn.segment.uneven && shared === 'each' && first) {
      return round === 1 ? this.doseOf(first, rounds) : [];
    }
    const onOneSide = sides.length === 1 && shared !== 'alternating';
    const share = onOneSide ? 'together' : shared;
    const words = (said: readonly [Dose, ...Dose[]]) =>
      this.say('dose', ({ phrases }) => sentence(phrases.dose(said, share)));
    if (round === 1) return words(doses);
    return this.differs ? words([dose]) : [];
  }

  /** How the round is let go. */
  get releaseKind(): Release {
    return releaseOf(this.turn.segment, this.plan, this.turn.done);
  }

  /** What is done in the release, said where there is one. */
  release(): Saying[] {
    return this.speaking.say === 'counts' ? [] : this.say('release', (v) => this.releaseWords(v));
  }

  /** Empty where nothing is done to let go. */
  private releaseWords({ phrases }: Voice): string {
    const kind = this.releaseKind;
    if (kind === 'none' || this.turn.segment.releaseSeconds === 0) return '';
    const neck = releaseTraits(kind).ownWordsOnNeck && strongAreas(this.turn.move).some(isNeck);
    return neck ? phrases.strokeNeck : phrases.release[kind];
  }

  /**
   * All that may be said of how the turn is done, what to mind and how to let go, whether the class says it and has
   * the time for it or not: for somebody who reads it. What the teacher muted is not in it.
   */
  read(): WordsToRead {
    const { text } = this.main;
    const listed = (kind: 'setup' | 'form') =>
      text[kind].filter((_, index) => !this.muted(printRef({ kind, index })));
    const alone = (kind: 'letGo' | 'release', words: string) =>
      words && !this.muted(kind) ? [words] : [];
    const stages = this.turn.segment.stages ?? [];
    return {
      how: [...listed('setup'), ...stages.map(({ words }) => words)],
      mind: [
        ...listed('form'),
        ...alone('letGo', text.letGo),
        ...alone('release', this.releaseWords(this.main)),
      ],
    };
  }

  /**
   * Form reminders, beginning with the given one and going round. Of both sides nothing is said while one
   * side works.
   */
  form(from: number, count: number, side: Side): Saying[][] {
    if (!this.explains()) return [];
    const oneSided = side !== 'both' && side !== 'alternating';
    const ofBoth = ({ language, text }: Voice, index: number) =>
      LANGUAGE_DATA[language].words.bothSides.test(text.form[index] ?? '');
    const free = this.main.text.form
      .map((_, i) => i)
      .filter((index) => {
        const ref = printRef({ kind: 'form', index });
        if (oneSided && ofBoth(this.main, index)) return false;
        return !this.muted(ref) && this.pin(ref) === undefined;
      });
    return Array.from({ length: Math.min(count, free.length) }, (_, i) => {
      const index = free[(from + i) % free.length] ?? 0;
      return this.say(
        'form',
        (v) => v.text.form[index % v.text.form.length] ?? '',
        printRef({ kind: 'form', index }),
      );
    });
  }

  private announcement(): Saying[] {
    const { flow, opening } = this.turn;
    if (this.speaking.say === 'counts' || flow === 'later') return [];
    if (flow === 'first' && opening !== undefined) return [];
    return this.say('announce', (v) => this.named(v));
  }

  /** The name of the move, or what the teacher announces it by. */
  private nameIn({ text }: Voice): string {
    const own = text === this.main.text ? this.cues?.announce : undefined;
    return own ?? sentence(text.name);
  }

  private named(voice: Voice): string {
    const { phrases, text } = voice;
    const { round, rounds } = this.turn;
    if (round === 1) return this.nameIn(voice);
    const which = round === rounds && rounds > 2 ? phrases.lastRound : phrases.round(round);
    return this.turn.sameAsBefore ? `${which}.` : `${sentence(text.name)} ${which}.`;
  }

  private explanation(): Saying[] {
    const short = this.speaking.say === 'short' || this.turn.flow === 'later';
    if (short || !this.inFull()) return this.say('short', (v) => v.text.short);
    return this.inDetail((ref) => this.pin(ref) === undefined);
  }

  /** How it is done, sentence by sentence. */
  private inDetail(wanted: (ref: string) => boolean): Saying[] {
    const sentences = Math.max(this.main.text.setup.length, this.second?.text.setup.length ?? 0);
    return Array.from({ length: sentences }, (_, i) => {
      const ref = printRef({ kind: 'setup', index: i });
      return wanted(ref) ? this.say('setup', (v) => v.text.setup[i] ?? '', ref) : [];
    }).flat();
  }

  private inFull(): boolean {
    return this.turn.firstOfMove && !this.knownToAll();
  }

  private knownToAll(): boolean {
    if (this.plan.rules.explain !== 'new-in-room' || !this.room?.length) return false;
    return this.room.every((met) => met.has(this.turn.segment.move));
  }

  private firstSide(): Saying[] {
    const { sides, sideGoesOn } = this.turn;
    const [side] = sides;
    const alone = sides.length === 1 && (side === 'left' || side === 'right');
    return alone && sideGoesOn ? [] : this.sideToBegin();
  }

  private sideToBegin(): Saying[] {
    const { shared, sides, sideAgain } = this.turn;
    if (shared !== 'each' && shared !== 'directions') return [];
    const [side] = sides;
    const alone = sides.length === 1 && (side === 'left' || side === 'right');
    if (alone && (side === 'right' || sideAgain)) {
      return this.say('side', (v) => v.phrases.oneSide[side]);
    }
    return this.say('side', (v) => v.phrases.firstSide[shared]);
  }
}

/** What somebody reads of how a turn of a class is done. */
export const readOfTurn = (
  turn: Turn,
  plan: Plan,
  { phrases }: { phrases: (language: Language) => Phrases },
): WordsToRead => new Wording(turn, plan, phrases).read();

/** A text with a full stop, unless it ends a sentence already. */
const sentence = (text: string): string => (/[.!?…]$/.test(text) ? text : `${text}.`);

const isNeck = (area: Area): boolean => NECK.includes(area);

/** The words of a segment: the teacher's own where they wrote some, else the library's. */
function ownWords(text: MoveText, own: SegmentCues | undefined): MoveText {
  if (!own) return text;
  return {
    ...text,
    setup: own.setup ?? text.setup,
    short: own.short ?? text.short,
    form: own.form ?? text.form,
    letGo: own.letGo ?? text.letGo,
  };
}
