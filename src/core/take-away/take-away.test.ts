import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import SrtParser from 'srt-parser-2';
import { describe, expect, it } from 'vitest';
import { type TextNode, WebVTTParser } from 'webvtt-parser';
import { PHASES, type Plan } from '../class';
import { followDocument, shownIn } from '../follow';
import { LANGUAGES, type Language } from '../language';
import { compile, isCount } from '../score';
import { USUAL_SOUNDS } from '../speech';
import {
  type Caption,
  captionsOf,
  chapterComments,
  chapterMetadata,
  chaptersOf,
  chapterVtt,
  type Head,
  heardOf,
  partOf,
  plainText,
  srt,
  type Worded,
  webVtt,
  within,
} from '.';

const worded = (plan: Plan): Worded => {
  const score = compile(shownIn(plan), LIBRARY_BOOK);
  const ready = { plan, score, easier: null, isDrawn: () => true };
  return { score, document: followDocument(ready, LIBRARY_BOOK) };
};
const otherThan = (language: Language): Language =>
  LANGUAGES.find((l) => l !== language) ?? language;
const head = (of: Partial<Head> = {}): Head => ({ name: 'A', language: 'en', notes: [], ...of });
const one = (text: string): string => text.replace(/\s+/g, ' ').trim();

describe('lines', () => {
  it('in the language of the class are its cues, word for word and to the millisecond', () => {
    fc.assert(
      fc.property(smallPlan(6), fc.boolean(), (plan, counts) => {
        const of = worded(plan);
        const own = of.score.cues.filter((c) => c.language === plan.language);
        const all = captionsOf(of, plan.language, { counts });
        for (const { startMs, durationMs, text, ...cue } of own) {
          const times = { startMs: Math.round(startMs), endMs: Math.round(startMs + durationMs) };
          const is = all.some(
            (l) => l.startMs === times.startMs && l.endMs === times.endMs && l.text === one(text),
          );
          expect(is).toBe(times.endMs > times.startMs && (counts || !isCount(cue)));
        }
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('in either language stand in order within the class, none over another, and say each thing once', () => {
    fc.assert(
      fc.property(smallPlan(6), (plan) => {
        const of = worded(plan);
        for (const language of LANGUAGES) {
          const all = captionsOf(of, language, { counts: true });
          let free = 0;
          for (const { startMs, endMs } of all) {
            expect(startMs).toBeGreaterThanOrEqual(free);
            free = endMs;
          }
          expect(free).toBeLessThanOrEqual(of.score.totalMs);
          // Without a second language that is said, every cue has one line.
          if (plan.second?.how !== 'speak') expect(all).toHaveLength(of.score.cues.length);
        }
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('are translated where the library has both, counts among them', () => {
    const of = worded(planOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]));
    const german = captionsOf(of, 'de', { counts: true });
    expect(german.every((l) => l.language === 'de')).toBe(true);
    expect(german.filter((l) => l.count).map((l) => l.text)).toContain('drei');
    expect(german[0]?.text).toBe('Langes O, Wangen heben.');
  });

  it('of a teacher’s own words stay as they were written, and say which language that is', () => {
    const cues = { short: 'Lift like the tide.' };
    const of = worded(planOf([{ move: 'tall-o-cheek-lift', rounds: 2, cues }]));
    const own = captionsOf(of, 'de', { counts: false }).filter((l) => /tide/.test(l.text));
    expect(own.map((l) => l.language)).toEqual(['en']);
    const file = webVtt(own, head({ language: 'de' }));
    expect(file).toContain('<lang en>Lift like the tide.</lang>');
  });

  it('of a language that is said after the first stand where they are said', () => {
    const plan = { ...planOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]) };
    const said: Plan = { ...plan, second: { language: 'de', how: 'speak' } };
    const of = worded(said);
    const spoken = of.score.cues.filter((c) => c.language === 'de');
    const lines = captionsOf(of, 'de', { counts: false });
    expect(spoken.length).toBeGreaterThan(3);
    for (const cue of spoken) {
      const same = lines.filter((l) => l.text === one(cue.text));
      expect(same.map((l) => l.startMs)).toContain(Math.round(cue.startMs));
    }
  });
});

describe('chapters', () => {
  it('tile the class, one for each stretch of a move, by its name', () => {
    fc.assert(
      fc.property(smallPlan(6), (plan) => {
        const of = worded(plan);
        const chapters = chaptersOf(of, otherThan(plan.language));
        let at = 0;
        for (const { startMs, endMs, name } of chapters) {
          expect(startMs).toBe(at);
          expect(name).not.toBe('');
          at = endMs;
        }
        expect(at).toBe(Math.round(of.score.totalMs));
        const ids = of.score.steps.map((s) => s.segmentId);
        expect(chapters).toHaveLength(ids.filter((id, i) => id !== ids[i - 1]).length);
      }),
      { numRuns: RUNS / 4 },
    );
  });
});

const ENTITIES = { '&amp;': '&', '&lt;': '<', '&gt;': '>' };
/** What a parser of its own, the one of the W3C, makes of a file of captions. */
function readVtt(text: string) {
  // It knows no regions, no more than browsers do: they put those words at the foot all the same.
  const plain = text.replace(/^REGION\n(.+\n)+\n?/gm, '').replace(/ region:words$/gm, '');
  const { cues, errors } = new WebVTTParser(ENTITIES).parse(plain, 'subtitles');
  const textOf = (node: TextNode): string =>
    node.type === 'text' ? (node.value ?? '') : (node.children ?? []).map(textOf).join('');
  return {
    errors: errors.map((e) => e.message),
    cues: cues.map((c) => ({
      startMs: Math.round(c.startTime * 1000),
      endMs: Math.round(c.endTime * 1000),
      text: textOf(c.tree),
    })),
  };
}
const timed = ({ startMs, endMs, text }: Caption) => ({ startMs, endMs, text });

const anyCaptions: fc.Arbitrary<Caption[]> = fc
  .array(
    fc.record({
      gap: fc.nat(5_000_000),
      length: fc.integer({ min: 1, max: 9000 }),
      text: fc
        .oneof(
          fc.string({ minLength: 1, maxLength: 60 }),
          fc.constantFrom('a --> b', '<b>wide</b> & slow', '&amp; < >', '00:01 --> 00:02', '- 1 -'),
        )
        .map((t) => one(t.replace(/\p{C}/gu, '')))
        .filter((t) => t !== ''),
      language: fc.constantFrom(...LANGUAGES),
      count: fc.boolean(),
    }),
    { maxLength: 12 },
  )
  .map((all) => {
    let at = 0;
    return all.map(({ gap, length, ...rest }) => {
      const startMs = at + gap;
      at = startMs + length;
      return { ...rest, startMs, endMs: at };
    });
  });

describe('files', () => {
  it('of WebVTT are read back by another parser as they were, whatever is said', () => {
    fc.assert(
      fc.property(anyCaptions, fc.string(), (lines, name) => {
        const { cues, errors } = readVtt(webVtt(lines, head({ name, notes: ['a --> b', name] })));
        expect(cues).toEqual(lines.map(timed));
        expect(errors).toEqual([]);
      }),
      { numRuns: RUNS / 2 },
    );
  });

  it('of SRT are read back by another parser, but for arrows, which they cannot hold', () => {
    fc.assert(
      fc.property(anyCaptions, (lines) => {
        const parser = new SrtParser();
        const read = parser.fromSrt(srt(lines)).map((l) => ({
          startMs: Math.round(l.startSeconds * 1000),
          endMs: Math.round(l.endSeconds * 1000),
          text: l.text,
        }));
        expect(read).toEqual(
          lines.map((l) => ({ ...timed(l), text: l.text.replaceAll('-->', '→') })),
        );
      }),
      { numRuns: RUNS / 2 },
    );
  });

  it('of a whole class have all that is said, in both languages, and its chapters', () => {
    const plan = planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift' }]);
    const of = worded(plan);
    for (const language of LANGUAGES) {
      const lines = captionsOf(of, language, { counts: true });
      expect(readVtt(webVtt(lines, head({ language }))).cues).toEqual(lines.map(timed));
      const chapters = chaptersOf(of, language);
      const read = readVtt(chapterVtt(chapters, head({ language }))).cues;
      expect(read).toEqual(chapters.map(({ name, ...c }) => ({ ...c, text: name })));
      const text = plainText(lines, chapters, head({ name: 'Wide awake', notes: ['Stop.'] }));
      expect(text.startsWith('Wide awake\n\nStop.\n\n')).toBe(true);
      for (const line of lines) expect(text).toContain(`  ${line.text}\n`);
      expect(text.split('\n').filter((l) => /^\d\d:/.test(l))).toHaveLength(lines.length);
    }
  });

  it('of chapters for sound keep names apart from what means something in them', () => {
    const chapters = [{ startMs: 0, endMs: 10, name: 'a=b; #c\\d\n[CHAPTER]' }];
    expect(
      chapterMetadata(chapters, head({ name: 'x;y', notes: ['Stop; ask.', 'Oil'] })).split('\n'),
    ).toEqual([
      ';FFMETADATA1',
      'title=x\\;y',
      'language=en',
      'comment=Stop\\; ask. Oil',
      '[CHAPTER]',
      'TIMEBASE=1/1000',
      'START=0',
      'END=10',
      'title=a\\=b\\; \\#c\\\\d [CHAPTER]',
      '',
    ]);
    const later = [...chapters, { startMs: 3_670_501, endMs: 3_680_000, name: 'Last' }];
    expect(chapterComments(later, head({ name: 'x;\ny', notes: ['Stop;\nask.'] }))).toEqual([
      ['title', 'x; y'],
      ['language', 'en'],
      ['comment', 'Stop; ask.'],
      ['CHAPTER000', '00:00:00.000'],
      ['CHAPTER000NAME', 'a=b; #c\\d [CHAPTER]'],
      ['CHAPTER001', '01:01:10.501'],
      ['CHAPTER001NAME', 'Last'],
    ]);
  });
});

it('what is heard is every cue at its time and every tone, and without counts none that keeps the beat', () => {
  fc.assert(
    fc.property(smallPlan(6), fc.boolean(), (plan, counts) => {
      const { score } = worded(plan);
      const heard = heardOf(score, { counts, sounds: USUAL_SOUNDS });
      const said = heard.flatMap((h) => ('says' in h ? [`${h.startMs} ${h.says.text}`] : []));
      expect(said.toSorted()).toEqual(
        score.cues
          .filter((c) => counts || !isCount(c))
          .map((c) => `${c.startMs} ${c.text}`)
          .toSorted(),
      );
      expect(heard.map((h) => h.startMs)).toEqual(
        heard.map((h) => h.startMs).toSorted((a, b) => a - b),
      );
      const tones = heard.flatMap((h) => ('mark' in h ? h.mark : []));
      const beats = score.steps.reduce(
        // A beat that would begin as its step ends is none.
        (n, s) => n + (s.beatMs ? Math.ceil((s.durationMs - 1) / s.beatMs) : 0),
        0,
      );
      if (!counts) expect(tones).toEqual([]);
      else expect(tones.filter((mark) => mark === 'beat')).toHaveLength(beats);
    }),
    { numRuns: RUNS / 4 },
  );
});

it('a part of a class begins at nought and has what begins within it, and all parts are the whole', () => {
  fc.assert(
    fc.property(smallPlan(6), (plan) => {
      const { score } = worded(plan);
      const parts = PHASES.flatMap((phase) => partOf(score, phase) ?? []);
      expect(parts.map((p) => p.fromMs)).toEqual([0, ...parts.slice(0, -1).map((p) => p.toMs)]);
      expect(parts.at(-1)?.toMs).toBe(partOf(score)?.toMs);
      const all = heardOf(score, { counts: true, sounds: USUAL_SOUNDS });
      const put = parts.flatMap((part) =>
        within(all, part).map((h) => ({ ...h, startMs: h.startMs + part.fromMs })),
      );
      expect(put).toEqual(all);
    }),
    { numRuns: RUNS / 4 },
  );
});
