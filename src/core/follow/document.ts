import { z } from 'zod';
import { EFFECTS, effectsIn } from '../checks';
import {
  cuesIn,
  kitOf,
  type Plan,
  parseRef,
  placedSegments,
  type ResolvedClass,
  resolve,
  type Segment,
  withEasier,
} from '../class';
import { ownTrack, type Track } from '../face';
import { LANGUAGES, type Language } from '../language';
import {
  areaSchema,
  cautionSchema,
  KIT,
  languageSchema,
  type Move,
  moveText,
  needsDays,
  strokeSchema,
  VARIANTS,
} from '../move';
import { bendSchema } from '../run';
import {
  type Book,
  type Cue,
  cueSchema,
  isCount,
  type Score,
  type Step,
  scoreSchema,
} from '../score';
import { estimateSpeech } from '../speech';

/**
 * What leaves for a class that is followed: score, words, poses and bends, and nothing of people. It is a document of
 * its own, cut out by its schema, so that what is added to a class later does not leave by accident.
 */

const effectsSchema = z.partialRecord(cautionSchema, z.enum(EFFECTS));

const waySchema = z.strictObject({
  work: effectsSchema,
  /** Where it is let go. */
  release: effectsSchema,
  /** Skin and muscle need days of rest after it, so that nobody does it alone as often as they like. */
  strong: z.literal(true).optional(),
});
export type Way = z.infer<typeof waySchema>;

const wordsSchema = z.object({ text: z.string(), durationMs: z.number().nonnegative() });
const followCueSchema = cueSchema
  .pick({
    id: true,
    step: true,
    kind: true,
    text: true,
    language: true,
    offsetMs: true,
    startMs: true,
    durationMs: true,
    fromEnd: true,
  })
  .extend({
    /** The same in other languages, and how long that takes by the estimate. */
    other: z.partialRecord(languageSchema, wordsSchema).optional(),
  });
export type FollowCue = z.infer<typeof followCueSchema>;

const stepsAndCuesSchema = scoreSchema
  .pick({
    name: true,
    language: true,
    slotMs: true,
    totalMs: true,
    wordsPerMinute: true,
    steps: true,
  })
  .extend({
    cues: z.array(followCueSchema),
    spares: z
      .array(
        z.object({
          name: z.string(),
          durationMs: z.number(),
          cues: z.array(followCueSchema),
        }),
      )
      .optional(),
  });

const followMoveSchema = z.object({
  id: z.string(),
  names: z.partialRecord(languageSchema, z.string()),
  areas: z.partialRecord(areaSchema, z.number()),
  strokes: z.array(strokeSchema),
  /** What it looks like, where the library does not say so; by version. */
  tracks: z.partialRecord(z.enum(['own', ...VARIANTS]), z.custom<Track>()).optional(),
});
export type FollowMove = z.infer<typeof followMoveSchema>;

export const followDocumentSchema = z.strictObject({
  score: stepsAndCuesSchema,
  easier: stepsAndCuesSchema.nullable(),
  languages: z.array(languageSchema),
  moves: z.array(followMoveSchema),
  /** What to have ready; absent in documents from before it was told. */
  kit: z.array(z.enum(KIT)).optional(),
  /** By segment: as it is led, and in its easier version where it has one. */
  ways: z.record(z.string(), z.strictObject({ own: waySchema, easier: waySchema.nullable() })),
  /** What is said to whoever leaves a move out, by language. */
  leaveOut: z.partialRecord(languageSchema, wordsSchema),
});
export type FollowDocument = z.infer<typeof followDocumentSchema>;

/** What a follower hears while the class goes on. */
export const followNewsSchema = z.strictObject({
  /** Bends, and what begins and ends a class; nothing of the room. */
  events: z.array(bendSchema),
  /** Which document there is: it grows each time the class is made ready anew. 0 until it was. */
  made: z.number(),
  /** The class is over and closed. */
  ended: z.boolean(),
  /** The class may be taken home. */
  takeHome: z.boolean(),
});
export type FollowNews = z.infer<typeof followNewsSchema>;

/** A class made ready to be followed: its score compiled from `shownIn(plan)`, so that its cues stand in two languages. */
export interface MadeReady {
  plan: Plan;
  score: Score;
  easier: Score | null;
  /** Whether the library has drawn a move, so that it need not be sent. */
  isDrawn: (moveId: string) => boolean;
}

/** The language besides its own that a class can be followed in; null where there is no other. */
const otherLanguage = ({ language, second }: Plan): Language | null =>
  second?.language ?? LANGUAGES.find((l) => l !== language) ?? null;

/**
 * The class with another language shown beside its own, which changes no time of its score; itself where it has a
 * second one already.
 */
export function shownIn(plan: Plan): Plan {
  const language = otherLanguage(plan);
  return plan.second || !language ? plan : { ...plan, second: { language, how: 'show' } };
}

/** A score without what is shown beside its cues: as the class itself has it. */
export function withoutShown(score: Score, plan: Plan): Score {
  if (plan.second) return score;
  const plain = ({ also: _, ...cue }: Cue): Cue => cue;
  return {
    ...score,
    cues: score.cues.map(plain),
    ...(score.spares && {
      spares: score.spares.map((spare) => ({ ...spare, cues: spare.cues.map(plain) })),
    }),
  };
}

/** The document that leaves for a class which was made ready. */
export function followDocument(
  { plan, score, easier, isDrawn }: MadeReady,
  book: Book,
): FollowDocument {
  const other = otherLanguage(plan);
  const languages = other ? [score.language, other] : [score.language];
  const resolved = resolve(plan, book);
  const translating = translatorOf(resolved, book, other);
  const rate = score.wordsPerMinute;
  return followDocumentSchema.parse({
    score: translating(score),
    easier: easier && translating(easier),
    languages,
    moves: [...resolved.moves.values()].map((move) => moveOf(move, isDrawn(move.id))),
    kit: kitOf(resolved),
    ways: waysBySegment(plan, withEasier(resolved), book),
    leaveOut: Object.fromEntries(
      languages.map((language) => {
        const text = book.phrases(language).leaveOut;
        return [language, { text, durationMs: estimateSpeech(text, language, rate) }];
      }),
    ),
  });
}

const moveOf = (move: Move, drawn: boolean): FollowMove => ({
  id: move.id,
  names: Object.fromEntries(
    LANGUAGES.flatMap((l) => (move.text[l] ? [[l, moveText(move, l).name]] : [])),
  ),
  areas: move.areas,
  strokes: move.strokes,
  ...(!(drawn && !move.looks) && {
    tracks: {
      own: ownTrack(move),
      ...(move.variants.easier && { easier: ownTrack(move, 'easier') }),
      ...(move.variants.harder && { harder: ownTrack(move, 'harder') }),
    },
  }),
});

/** What cautions lead to in every segment, as the class is done and with its easier versions. */
function waysBySegment(plan: Plan, easierPlan: Plan, book: Book): FollowDocument['ways'] {
  const wayOf = (of: Plan) =>
    new Map(
      effectsIn(of, book).map(({ segment, ways, work, release }) => [
        segment.id,
        {
          variant: segment.variant,
          way: {
            work,
            release,
            ...(ways.some(needsDays) && { strong: true as const }),
          } satisfies Way,
        },
      ]),
    );
  const easier = wayOf(easierPlan);
  return Object.fromEntries(
    [...wayOf(plan)].map(([id, { way }]) => {
      const other = easier.get(id);
      return [id, { own: way, easier: other?.variant === 'easier' ? other.way : null }];
    }),
  );
}

/** Kinds of cues that a teacher may write in their own words, which nobody has put in another language. */
const isOwn = (
  segment: Segment | undefined,
  move: Move | undefined,
  { ref, variant }: Pick<Cue, 'ref'> & Pick<Step, 'variant'>,
): boolean => {
  const kind = ref === undefined ? undefined : parseRef(ref)?.kind;
  const own: Record<string, unknown> = (segment && move && cuesIn(segment, move, variant)) ?? {};
  return kind !== undefined && own[kind] !== undefined;
};

type StepsAndCues = z.input<typeof stepsAndCuesSchema>;

/**
 * Puts what a score shows or says in a second language beside what it repeats. What its teacher wrote in one language
 * stays as it was written; a second language is no cue of its own.
 */
function translatorOf(
  { plan, moves }: ResolvedClass,
  book: Book,
  other: Language | null,
): (score: Score) => StepsAndCues {
  const segments = new Map(placedSegments(plan).map(({ segment }) => [segment.id, segment]));
  return (score) => {
    const numbers = other && numbersIn(score.language, other, book);
    const wordsOf = (cue: Cue & { beside?: Cue }): string | undefined => {
      if (!other || cue.language !== score.language) return undefined;
      if (isCount(cue)) return numbers?.get(cue.text);
      const step = score.steps[cue.step];
      const segment = segments.get(step?.segmentId ?? '');
      const move = segment && moves.get(segment.move);
      if (isOwn(segment, move, { ref: cue.ref, variant: step?.variant })) return undefined;
      const text = cue.beside?.text ?? cue.also;
      if (cue.kind !== 'setup' || text === undefined || !segment) return text;
      return move ? [text, ...leftOver(cue, move, score.language, other)].join(' ') : text;
    };
    const translated = (cue: Cue & { beside?: Cue }): FollowCue => {
      const text = wordsOf(cue);
      if (!other || !text) return cue;
      const durationMs = estimateSpeech(text, other, score.wordsPerMinute);
      return { ...cue, other: { [other]: { text, durationMs } } };
    };
    return {
      ...score,
      cues: inOne(score.cues, score.language).map(translated),
      ...(score.spares && {
        spares: score.spares.map((spare) => ({
          ...spare,
          cues: inOne(spare.cues, score.language).map(translated),
        })),
      }),
    };
  };
}

/** Sentences of a set-up that the other language has more than the first: they go with the last of those. */
function leftOver({ ref }: Cue, move: Move, first: Language, other: Language): string[] {
  const at = ref === undefined ? null : parseRef(ref);
  if (at?.kind !== 'setup' || !('index' in at)) return [];
  const [ours, theirs] = [moveText(move, first).setup, moveText(move, other).setup];
  return at.index === ours.length - 1 ? theirs.slice(ours.length) : [];
}

/** The cues of the first language, each with what follows it in the second. */
function inOne(cues: readonly Cue[], language: Language): (Cue & { beside?: Cue })[] {
  const kept: (Cue & { beside?: Cue })[] = [];
  for (const cue of cues) {
    const last = kept.at(-1);
    const repeats =
      last?.language === language &&
      cue.language !== language &&
      last.beside === undefined &&
      last.step === cue.step &&
      last.kind === cue.kind &&
      last.ref === cue.ref;
    if (repeats) last.beside = cue;
    else kept.push({ ...cue });
  }
  return kept;
}

/** Highest number that is counted aloud. */
const MOST_COUNTED = 600;

/** What is counted in one language, in another. */
function numbersIn(from: Language, to: Language, book: Book): Map<string, string> {
  const [ours, theirs] = [book.phrases(from), book.phrases(to)];
  const numbers = new Map([[ours.go, theirs.go]]);
  for (let n = MOST_COUNTED; n >= 0; n--) numbers.set(ours.number(n), theirs.number(n));
  return numbers;
}

/** Every text that a document may have said, so that nothing else is said for whoever follows. */
export function textsOf({ score, easier, leaveOut }: FollowDocument): Map<string, Set<Language>> {
  const texts = new Map<string, Set<Language>>();
  const add = (text: string, language: Language) =>
    texts.set(text, (texts.get(text) ?? new Set()).add(language));
  for (const part of [score, easier]) {
    for (const cue of [...(part?.cues ?? []), ...(part?.spares ?? []).flatMap((s) => s.cues)]) {
      add(cue.text, cue.language);
      for (const [language, { text }] of Object.entries(cue.other ?? {})) {
        add(text, language as Language);
      }
    }
  }
  for (const [language, { text }] of Object.entries(leaveOut)) add(text, language as Language);
  return texts;
}
