import { isListedRef, type Plan, parseRef, printRef } from '../class';
import { type Language, MAIN_LANGUAGE } from '../language';
import {
  type Area,
  type MoveText,
  NECK,
  type Release,
  releaseTraits,
  strongAreas,
  variantText,
} from '../move';
import type { Phrases } from '../speech';
import type { CueKind } from './score';
import { releaseOf, type Turn } from './turns';

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

/** Moves that each person in the room has met; one set a person. */
export type MovesMet = readonly ReadonlySet<string>[];

interface Voice {
  language: Language;
  phrases: Phrases;
  text: MoveText;
}

/** All that is said about one turn, in the languages of the class. */
export class Wording {
  private readonly main: Voice;
  private readonly second: Voice | undefined;

  constructor(
    private readonly turn: Turn,
    private readonly plan: Plan,
    phrasesOf: (language: Language) => Phrases,
    private readonly room?: MovesMet,
  ) {
    const voice = (language: Language, owner?: Turn): Voice => ({
      language,
      phrases: phrasesOf(language),
      text: ownWords(variantText(turn.move, language, turn.variant), owner),
    });
    /** A move that is not written in the language of the class is led in the main one throughout. */
    const main = turn.move.text[plan.language] ? plan.language : MAIN_LANGUAGE;
    const other = plan.second?.language;
    this.main = voice(main, turn);
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
    return this.turn.segment.cues?.muted?.includes(ref) ?? false;
  }

  private pin(ref: string): number | undefined {
    return this.turn.segment.cues?.pins?.find((p) => p.cue === ref)?.atSeconds;
  }

  /** What the teacher wants at a certain time of the work: reminders each time, set-up the first time. */
  pinned(firstPart: boolean): Pinned[] {
    const pins = this.turn.segment.cues?.pins ?? [];
    const explains = firstPart && this.inFull() && this.plan.rules.explain !== 'names-only';
    return pins.flatMap(({ cue, atSeconds }) => {
      const ref = parseRef(cue);
      if (!ref || !isListedRef(ref) || (ref.kind === 'setup' && !explains)) return [];
      const sayings = this.say(ref.kind, (v) => v.text[ref.kind][ref.index] ?? '', cue);
      return sayings.map((saying) => ({ saying, atMs: Math.round(atSeconds * 1000) }));
    });
  }

  /** What is said before the work, in order, without the count-in. */
  upbeat(): Saying[] {
    const { explain } = this.plan.rules;
    const explained = explain === 'first' || explain === 'new-in-room';
    return [
      ...this.say('announce', (v) => this.announcement(v)),
      ...(explained ? this.explanation() : []),
      ...this.firstSide(),
    ];
  }

  /** What is explained while the work runs, where the class talks throughout. */
  guidance(): Saying[] {
    return this.plan.rules.explain === 'throughout' ? this.explanation() : [];
  }

  /** Whether the move is explained in full while the work runs. */
  explainsInWork(): boolean {
    return this.plan.rules.explain === 'throughout' && this.inFull();
  }

  otherSide(): Saying[] {
    const kind = this.turn.shared === 'directions' ? 'directions' : 'each';
    return this.say('side', (v) => v.phrases.otherSide[kind]);
  }

  letGo(): Saying[] {
    return this.say('letGo', (v) => v.text.letGo);
  }

  /** How the round is let go. */
  get releaseKind(): Release {
    return releaseOf(this.turn.segment, this.plan, this.turn.done);
  }

  /** What is done in the release, said where there is one. */
  release(): Saying[] {
    const kind = this.releaseKind;
    const { ownWordsOnNeck } = releaseTraits(kind);
    if (kind === 'none' || this.turn.segment.releaseSeconds === 0) return [];
    const neck = ownWordsOnNeck && strongAreas(this.turn.move).some(isNeck);
    return this.say('release', ({ phrases }) =>
      neck ? phrases.strokeNeck : phrases.release[kind],
    );
  }

  /** Form reminders, beginning with the given one and going round. */
  form(from: number, count: number): Saying[][] {
    const free = this.main.text.form
      .map((_, i) => i)
      .filter((index) => {
        const ref = printRef({ kind: 'form', index });
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

  private announcement({ phrases, text }: Voice): string {
    const { segment, round, rounds, dose } = this.turn;
    if (round === 1) {
      const own = text === this.main.text ? segment.cues?.announce : undefined;
      return own ?? `${text.name}. ${phrases.dose(dose, rounds)}.`;
    }
    const which = round === rounds && rounds > 2 ? phrases.lastRound : phrases.round(round);
    return this.turn.sameAsBefore ? `${which}.` : `${text.name}. ${which}.`;
  }

  private explanation(): Saying[] {
    if (!this.inFull()) return this.say('short', (v) => v.text.short);
    const sentences = Math.max(this.main.text.setup.length, this.second?.text.setup.length ?? 0);
    return Array.from({ length: sentences }, (_, i) => {
      const ref = printRef({ kind: 'setup', index: i });
      return this.pin(ref) === undefined
        ? this.say('setup', (v) => v.text.setup[i] ?? '', ref)
        : [];
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
    const { shared, sides } = this.turn;
    if (shared !== 'each' && shared !== 'directions') return [];
    if (sides.length === 1 && sides[0] === 'right') return this.otherSide();
    return this.say('side', (v) => v.phrases.firstSide[shared]);
  }
}

const isNeck = (area: Area): boolean => NECK.includes(area);

/** The words of a segment: the teacher's own where they wrote some, else the library's. */
function ownWords(text: MoveText, turn: Turn | undefined): MoveText {
  const own = turn?.segment.cues;
  if (!own) return text;
  return {
    ...text,
    setup: own.setup ?? text.setup,
    short: own.short ?? text.short,
    form: own.form ?? text.form,
    letGo: own.letGo ?? text.letGo,
  };
}

/**
 * Whether a let-go without a release or rest has a moment of its own. Classes that go by names or talk
 * throughout run straight on instead (common practice).
 */
export const alwaysLetsGo = (plan: Plan): boolean =>
  plan.rules.explain === 'first' || plan.rules.explain === 'new-in-room';
