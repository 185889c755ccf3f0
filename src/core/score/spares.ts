import type { Plan } from '../class';
import type { Language } from '../language';
import { countWord, type Phrases } from '../speech';
import { CUE_GAP_MS } from './lane';
import { type Cue, type CueKind, EVEN, MORE, type Spare, type SpareName } from './score';
import { BEAT_MS, COUNT_IN, inOwnWords, type Length, switchMs, talkMs, upbeatMs } from './timing';
import type { Saying } from './wording';

type Words = (phrases: Phrases) => [kind: CueKind, text: string][];

/** What each spare says, before it is counted in. */
const SAYS: Record<SpareName, Words> = {
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
  const talk = inOwnWords(length, talkingFactor);
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
  return [...MORE, ...EVEN].map((name): Spare => {
    const sayings = sayingsOf(SAYS[name]);
    const isUpbeat = (MORE as readonly string[]).includes(name);
    const durationMs = (isUpbeat ? upbeatMs : switchMs)(sayings, rules, length, talkingFactor);
    const cues: Cue[] = [];
    const put = (
      { kind, text, language, also }: Saying,
      { offsetMs, fromEnd }: Pick<Cue, 'offsetMs' | 'fromEnd'>,
      of: Length = length,
    ) =>
      cues.push({
        id: `${name}#${cues.length}`,
        step: 0,
        kind,
        text,
        language,
        ...(also !== undefined && { also }),
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
    for (let n = COUNT_IN; rules.countIn && n >= 1; n--) {
      const text = countWord(main, n);
      if (length(text, language) + CUE_GAP_MS > BEAT_MS) continue;
      const offsetMs = durationMs - n * BEAT_MS;
      put({ kind: 'countIn', text, language }, { offsetMs, fromEnd: true });
    }
    return { name, durationMs, cues };
  });
}
