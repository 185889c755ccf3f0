import { LIBRARY, LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { easierOf, T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BREATH_WORDS, type Plan, resolve, updateSegment } from '@/core/class';
import { LANGUAGE_DATA, LANGUAGES, type Language } from '@/core/language';
import {
  breathMs,
  CAUTIONS,
  type Caution,
  concerns,
  doseIn,
  inVariant,
  type Move,
  releaseAsMove,
  variantText,
} from '@/core/move';
import { cuesAhead, cuesByStep, type NewRunEvent, position } from '@/core/run';
import { compile, isCount, releaseOf, type Score, turns } from '@/core/score';
import { type FollowDocument, followDocument, shownIn, withoutShown } from './document';
import { MOST_HURRY, personal, scoreOf, slowerRate } from './personal';

const documentOf = (plan: Plan): FollowDocument => {
  const shown = shownIn(plan);
  return followDocument(
    {
      plan,
      score: compile(shown, LIBRARY_BOOK, { forRun: 'planned' }),
      easier: easierOf(shown),
      isDrawn: () => true,
    },
    LIBRARY_BOOK,
  );
};
const LIFT = LIBRARY_BOOK.move('tall-o-cheek-lift') as Move;
const cautionSets = fc.uniqueArray(fc.constantFrom(...CAUTIONS), { maxLength: 3 });
const TEACHING = new Set([
  'setup',
  'short',
  'form',
  'dose',
  'stage',
  'letGo',
  'announce',
  'opening',
]);

it('a class that shows another language has the same times as without it', () => {
  fc.assert(
    fc.property(smallPlan(6), (plan) => {
      expect(withoutShown(compile(shownIn(plan), LIBRARY_BOOK), plan)).toEqual(
        compile(plan, LIBRARY_BOOK),
      );
    }),
    { numRuns: RUNS / 4 },
  );
});

/** Whether a caution is against a way of doing a move, looked up move by move. */
const barred = (done: Move, cautions: readonly Caution[]) =>
  concerns(
    done,
    cautions.map((caution) => ({ caution })),
  ).some(({ effect }) => ['leaveOut', 'easier', 'askFirst'].includes(effect));

describe('with cautions', () => {
  it('nobody is told to do what their cautions are against, by move and version as it is done', () => {
    fc.assert(
      fc.property(smallPlan(6), cautionSets, (plan, cautions) => {
        const document = documentOf(plan);
        const { mine, groups, asDone } = personal(document, { language: plan.language, cautions });
        const all = turns(resolve(plan, LIBRARY_BOOK));
        document.score.steps.forEach((step, i) => {
          const turn = all.find((t) => step.id.startsWith(`${t.key}.`));
          if (!turn) return;
          const own = mine(step);
          const said = (groups[i] ?? []).filter((cue) => TEACHING.has(cue.kind)).map((c) => c.text);
          const easier = turn.move.variants.easier && {
            ...turn.move,
            ...turn.move.variants.easier,
            text: {},
            variants: {},
          };
          if (barred({ ...turn.done, dose: turn.dose }, cautions)) {
            expect(own.does).not.toBe('asLed');
            const asLed = variantText(turn.move, plan.language, turn.variant);
            if (turn.variant !== 'easier' && easier && own.does === 'easier') {
              const dose = doseIn(turn.move, 'easier', turn.dose);
              expect(barred({ ...easier, dose }, cautions)).toBe(false);
              const its = variantText(turn.move, plan.language, 'easier');
              const differs = asLed.setup.filter((text) => !its.setup.includes(text));
              expect(said.filter((text) => differs.includes(text))).toEqual([]);
            }
          }
          if (own.does === 'leaveOut') {
            const leaves = document.leaveOut[plan.language]?.text;
            expect(said.filter((text) => text !== leaves)).toEqual([]);
          }
          const release = releaseAsMove(turn.done, releaseOf(turn.segment, plan, turn.done));
          const hands = turn.segment.releaseSeconds > 0 ? release : null;
          if (step.kind === 'release' && hands && barred(hands, cautions)) {
            expect(asDone({ step } as never).release).toBe('breaths');
            expect((groups[i] ?? []).some((cue) => cue.kind === 'release')).toBe(false);
          }
        });
      }),
      { numRuns: RUNS / 2 },
    );
  });

  it('nobody holds their breath beside a class that does, and all breathe in together', () => {
    const inSeconds = fc.constantFrom(1, 2.5, 4, 6);
    const still = fc.constantFrom(0, 0.5, 2, 7);
    const pattern = fc.record({ in: inSeconds, hold: still, out: inSeconds, pause: still });
    const moves = LIBRARY.filter((m) => m.variants.easier && m.dose.kind === 'breaths');
    let held = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...moves.map((m) => m.id)),
        pattern,
        fc.constantFrom(...BREATH_WORDS),
        (move, asked, breathWords) => {
          const dose = { kind: 'breaths' as const, breaths: 4, pattern: asked };
          const document = documentOf(planOf([{ move, dose, breathWords }]));
          const { mine, asDone, heard, groups } = personal(document, {
            language: 'en',
            cautions: ['bloodPressure'],
          });
          const state = position(scoreOf(document.score), [], T0);
          const tones = heard(state).queue.map((p) => p.step.breath);
          for (const [i, step] of document.score.steps.entries()) {
            if (mine(step).does === 'leaveOut') continue;
            const { breath } = asDone({ step } as never);
            expect(tones[i]).toEqual(breath);
            const said = (groups[i] ?? []).filter((cue) => cue.kind === 'breath');
            if (!breath) {
              expect(said).toEqual([]);
              continue;
            }
            if (step.breath?.hold) held++;
            expect(breath.hold).toBe(0);
            // Longer than that no pause of a breath is natural (ours).
            expect(breath.pause).toBeLessThanOrEqual(2);
            const times = breathMs(step.breath ?? breath) / breathMs(breath);
            expect(Math.abs(times - Math.round(times))).toBeLessThan(0.01);
            for (const { offsetMs, text } of said) {
              const into = offsetMs % breathMs(step.breath ?? breath);
              expect(into).toBe(/out/.test(text) ? Math.round(breath.in * 1000) : 0);
            }
          }
        },
      ),
      { numRuns: RUNS / 2 },
    );
    expect(held).toBeGreaterThan(0);
  });

  it('no words run on into the next step, unless those of the class do', () => {
    fc.assert(
      fc.property(smallPlan(6), cautionSets, fc.boolean(), (plan, cautions, slower) => {
        const document = documentOf(plan);
        for (const language of document.languages) {
          const { groups } = personal(document, { language, cautions, slower });
          const led = cuesByStep(scoreOf(document.score));
          document.score.steps.forEach(({ durationMs }, i) => {
            const endOf = (cues: readonly { offsetMs: number; durationMs: number }[]) =>
              Math.max(0, ...cues.map((cue) => cue.offsetMs + cue.durationMs));
            const said = (groups[i] ?? []).filter((cue) => !cue.quiet);
            expect(endOf(said)).toBeLessThanOrEqual(Math.max(durationMs, endOf(led[i] ?? [])));
          });
        }
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('words are slower where there is time, and never late for it', () => {
    const document = documentOf(planOf([{ move: 'tall-o-cheek-lift' }]));
    const wordsAt = (slower: boolean) =>
      personal(document, { language: 'en', cautions: [], slower }).groups.flat();
    const [usual, slow] = [wordsAt(false), wordsAt(true)];
    expect(slow.some((cue) => cue.wordsPerMinute === slowerRate(150))).toBe(true);
    expect(slow.map((cue) => cue.text)).toEqual(usual.map((cue) => cue.text));
    const counted = (cues: typeof usual) => cues.filter(isCount).map((cue) => cue.offsetMs);
    expect(counted(slow)).toEqual(counted(usual));
    expect(usual.every((cue) => cue.wordsPerMinute === undefined)).toBe(true);
  });

  it('every move of the library is left out, made easier or let be as its own cautions say', () => {
    for (const move of LIBRARY) {
      const document = documentOf(planOf([{ move: move.id }]));
      const { own, easier } = document.ways.s1 ?? { own: null, easier: null };
      for (const caution of CAUTIONS) {
        const [is] = concerns(move, [{ caution }]);
        expect([move.id, caution, own?.work[caution]]).toEqual([move.id, caution, is?.effect]);
        if (is?.effect === 'easier') expect(easier?.work[caution]).not.toBe('leaveOut');
      }
    }
  });

  it('a jaw that clicks leaves a wide opening out, in words, and does the easier version where it has one', () => {
    const easy = LIBRARY.find((m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'easier');
    const out = LIBRARY.find((m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'leaveOut');
    if (!easy || !out) throw new Error('the library has neither');
    const document = documentOf(planOf([{ move: easy.id }, { move: out.id }]));
    const { mine, groups } = personal(document, { language: 'en', cautions: ['jaw'] });
    const does = (segment: string) =>
      new Set(document.score.steps.filter((s) => s.segmentId === segment).map((s) => mine(s).does));
    expect([...does('s1')]).toEqual(['easier']);
    expect([...does('s2')]).toEqual(['leaveOut']);
    const texts = groups.flat().map((cue) => cue.text);
    expect(texts).toContain(document.leaveOut.en?.text);
    expect(texts).toContain(variantText(easy, 'en', 'easier').setup[0]);
    expect(texts).not.toContain(variantText(out, 'en', undefined).setup[0]);
  });

  it('the easier version is told in its own words, not in those a teacher wrote for the usual one', () => {
    const easy = LIBRARY.find((m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'easier');
    if (!easy) throw new Error('the library has none');
    const own = { setup: ['Open as wide as you can.'], short: 'Wide again.' };
    const plan = planOf([{ move: easy.id, rounds: 2 }]);
    const document = documentOf(updateSegment(plan, 's1', (s) => ({ ...s, cues: own })));
    for (const language of LANGUAGES) {
      const { groups } = personal(document, { language, cautions: ['jaw'] });
      const { length } = document.score.steps;
      const texts = groups.slice(0, length).flatMap((cues) => cues.map((cue) => cue.text));
      const words = variantText(easy, language, 'easier');
      expect(texts).toEqual(expect.arrayContaining([...words.setup, words.short]));
      for (const text of [...own.setup, own.short]) expect(texts).not.toContain(text);
    }
  });

  it('an added round of what is left out says nothing', () => {
    const out = LIBRARY.find((m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'leaveOut');
    const document = documentOf(planOf([{ move: out?.id ?? '' }]));
    const score = scoreOf(document.score);
    const events: NewRunEvent[] = [
      { id: eventId(1), at: T0, type: 'started' },
      { id: eventId(2), at: T0 + 1000, type: 'roundAdded' },
    ];
    const easier = document.easier && scoreOf(document.easier);
    const state = position(score, events, T0 + 2000, easier);
    const { heard, groups } = personal(document, { language: 'en', cautions: ['jaw'] });
    const texts = cuesAhead(heard(state), groups, 600_000).map(({ cue }) => cue.text);
    expect(texts.filter((text) => text !== document.leaveOut.en?.text)).toEqual([]);
    expect(cuesAhead(state, cuesByStep(score, easier), 600_000).map((c) => c.cue.text)).toContain(
      LIBRARY_BOOK.phrases('en').oneMore,
    );
  });
});

it('who does a move in its easier version hears of the same rounds as the class, also after more were asked for', () => {
  let own = 0;
  for (const { id } of LIBRARY.filter((m, i) => m.variants.easier && i % 4 === 0)) {
    const document = documentOf(planOf([{ move: id, rounds: 3 }]));
    const [score, easier] = [document.score, document.easier].map((of) => of && scoreOf(of));
    if (!score) throw new Error('a class has a score');
    const started: NewRunEvent = { id: eventId(1), at: T0, type: 'started' };
    const added: NewRunEvent = { id: eventId(2), at: T0 + 1000, type: 'roundAdded' };
    for (const caution of CAUTIONS) {
      const { heard, groups, mine } = personal(document, { language: 'en', cautions: [caution] });
      if (score.steps.some((step) => mine(step).does !== 'easier')) continue;
      own++;
      for (const events of [[started], [started, added]]) {
        const state = position(score, events, T0 + 2000, easier);
        const rounds = (of: typeof state, cues: typeof groups) =>
          cuesAhead(of, cues, 3_600_000)
            .map(({ cue }) => cue)
            .filter(({ kind, text }) => kind === 'announce' && /round/i.test(text))
            .map(({ text }) => text);
        const all = rounds(state, cuesByStep(score, easier));
        expect(rounds(heard(state), groups)).toEqual(all);
        expect(all).toHaveLength(events.length + 1);
      }
      break;
    }
  }
  expect(own).toBeGreaterThan(5);
});

describe('a class that passes over where a move is explained', () => {
  const move = LIBRARY.find(
    (m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'easier',
  ) as Move;
  const out = LIBRARY.find(
    (m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'leaveOut',
  ) as Move;
  const passedOver = (moves: string[], cautions: Caution[]) => {
    const document = documentOf(planOf(moves.map((of) => ({ move: of }))));
    const score = scoreOf(document.score);
    const events: NewRunEvent[] = [
      { id: eventId(1), at: T0, type: 'started' },
      { id: eventId(2), at: T0 + 10, type: 'jumped', stepId: `s${moves.length}.1.upbeat` },
    ];
    const easier = document.easier && scoreOf(document.easier);
    const state = position(score, events, T0 + 10, easier);
    const { heard, groups } = personal(document, { language: 'en', cautions });
    return { state, cues: cuesAhead(heard(state), groups, 120_000) };
  };
  const counted = ({ cues }: ReturnType<typeof passedOver>) =>
    cues.flatMap(({ cue, at }) => (cue.kind === 'countIn' ? [[cue.text, at]] : []));

  it('tells whoever does the easier version of that alone, and counts in with all', () => {
    const [all, own] = [[], ['jaw' as const]].map((cautions) =>
      passedOver([move.id, move.id], cautions),
    );
    const texts = own?.cues.map(({ cue }) => cue.text) ?? [];
    expect(all?.cues.map(({ cue }) => cue.text)).toContain(
      variantText(move, 'en', undefined).setup[0],
    );
    expect(texts).toContain(variantText(move, 'en', 'easier').short);
    for (const text of variantText(move, 'en', undefined).setup) expect(texts).not.toContain(text);
    expect(all && counted(all).length).toBeGreaterThan(0);
    expect(own && counted(own)).toEqual(all && counted(all));
  });

  it('tells whoever leaves the move out to do so', () => {
    const texts = passedOver([out.id, out.id], ['jaw']).cues.map(({ cue }) => cue.text);
    expect(texts).toEqual([LIBRARY_BOOK.phrases('en').leaveOut]);
  });
});

describe('a class that is made easier in the middle', () => {
  const barredBy = 'jaw' as const;
  const out = LIBRARY.find(
    (m) => concerns(m, [{ caution: barredBy }])[0]?.effect === 'leaveOut' && m.variants.easier,
  ) as Move;
  const document = documentOf(planOf([{ move: out.id, rounds: 2 }]));
  const [score, easier] = [document.score, document.easier].map((of) => of && scoreOf(of));
  const second = score?.steps.find((s) => s.kind === 'work' && s.round === 2)?.startMs ?? 0;
  const events: NewRunEvent[] = [
    { id: eventId(1), at: T0, type: 'started' },
    { id: eventId(2), at: T0 + second, type: 'eased' },
  ];
  const state = position(score as Score, events, T0 + second, easier);
  const heardBy = (language: Language, cautions: Caution[]) => {
    const { heard, groups } = personal(document, { language, cautions });
    return cuesAhead(heard(state), groups, 20_000).map(({ cue }) => cue.text);
  };

  it('is explained to whoever follows in another language, in theirs', () => {
    for (const language of LANGUAGES) {
      expect(heardBy(language, [])).toEqual(
        expect.arrayContaining(variantText(out, language, 'easier').setup),
      );
    }
  });

  it('says nothing of it to whoever leaves the move out', () => {
    const leaves = personal(document, { language: 'en', cautions: [barredBy] });
    expect(state.queue.map((p) => leaves.mine(p.step).does)).toContain('leaveOut');
    expect(heardBy('en', [barredBy])).toEqual([]);
  });
});

describe('alone, as often as they like', () => {
  const steps = (plan: Plan, alone: boolean) => {
    const document = documentOf(plan);
    const { mine } = personal(document, { language: plan.language, cautions: [], alone });
    const all = turns(resolve(plan, LIBRARY_BOOK));
    return document.score.steps.flatMap((step) => {
      const turn = all.find((t) => step.id.startsWith(`${t.key}.`));
      return turn ? [{ strong: turn.move.pressure === 'strong', turn, does: mine(step).does }] : [];
    });
  };

  it('nobody does what is strong, and in a class that is led they do', () => {
    const strong = LIBRARY.filter(({ pressure }) => pressure === 'strong').map(({ id }) => id);
    const lines = fc.uniqueArray(fc.constantFrom(...strong, 'soft-jaw-drop', 'smile-pulses'), {
      minLength: 1,
      maxLength: 4,
    });
    fc.assert(
      fc.property(lines, (moves) => {
        const plan = planOf(moves.map((move) => ({ move, rounds: 1 })));
        for (const { strong, turn, does } of steps(plan, true)) {
          const eased = inVariant(LIBRARY_BOOK.move(turn.segment.move) as Move, 'easier');
          const gentle = eased.pressure === 'strong' ? 'leaveOut' : 'easier';
          expect(does).toBe(strong ? gentle : 'asLed');
        }
        expect(steps(plan, false).every(({ does }) => does === 'asLed')).toBe(true);
      }),
      { numRuns: 20 },
    );
  });

  it('a version that was planned gentle is as it was planned', () => {
    const plan = planOf([{ move: 'jaw-knuckle-circles', variant: 'easier' }]);
    expect(steps(plan, true).every(({ does }) => does === 'asLed')).toBe(true);
  });
});

describe('in another language', () => {
  it('counts stay on their beat and are the same numbers, and nothing is said over them', () => {
    fc.assert(
      fc.property(smallPlan(6), (plan) => {
        const document = documentOf(plan);
        const language = document.languages[1] ?? 'en';
        const { groups } = personal(document, { language, cautions: [] });
        const from = LANGUAGE_DATA[document.score.language];
        const to = LANGUAGE_DATA[language];
        const value = new Map(
          Array.from({ length: 300 }, (_, n) => [from.numberWords(n), to.numberWords(n)]),
        );
        const led = cuesByStep(scoreOf(document.score));
        document.score.steps.forEach((_, i) => {
          const theirs = groups[i] ?? [];
          (led[i] ?? []).forEach((cue, n) => {
            const own = theirs[n];
            if (!isCount(cue) || cue.kind === 'go') return;
            expect([own?.offsetMs, own?.text]).toEqual([cue.offsetMs, value.get(cue.text)]);
          });
          const said = theirs.filter((cue) => !cue.quiet);
          said.forEach((cue, n) => {
            const next = said[n + 1];
            if (next) expect(cue.offsetMs + cue.durationMs).toBeLessThanOrEqual(next.offsetMs);
          });
        });
      }),
      { numRuns: RUNS / 2 },
    );
  });

  it('is the text of the library, sentence by sentence, but for what the teacher wrote', () => {
    const move = LIFT;
    const plain = documentOf(planOf([{ move: move.id }]));
    const german = personal(plain, { language: 'de', cautions: [] }).groups.flat();
    for (const text of variantText(move, 'de', undefined).setup) {
      expect(german.map((cue) => cue.text)).toContain(text);
    }
    expect(new Set(german.map((cue) => cue.language))).toEqual(new Set(['de']));
    const plan = planOf([{ move: move.id, cues: { setup: ['Lift, but only a very little.'] } }]);
    const own = personal(documentOf(plan), { language: 'de', cautions: [] }).groups.flat();
    expect(own.find((cue) => cue.kind === 'setup')).toMatchObject({
      text: 'Lift, but only a very little.',
      language: 'en',
    });
  });

  it('of a class that speaks two languages everybody hears one', () => {
    const plan: Plan = {
      ...planOf([{ move: 'tall-o-cheek-lift' }]),
      second: { language: 'de', how: 'speak' },
    };
    const document = documentOf(plan);
    for (const language of ['en', 'de'] as const) {
      const { groups } = personal(document, { language, cautions: [] });
      const asLed = groups.slice(0, document.score.steps.length);
      const spoken = asLed.flat().filter((cue) => cue.kind === 'setup');
      expect(new Set(spoken.map((cue) => cue.language))).toEqual(new Set([language]));
      expect(spoken.map((cue) => cue.text)).toEqual([
        ...variantText(LIFT, language, undefined).setup,
      ]);
    }
  });

  it('hurries no words by more than a little: what would not fit is only shown', () => {
    const document = documentOf(planOf([{ move: 'tall-o-cheek-lift' }]));
    const long = 'Und noch ein sehr langer Satz, der nirgends Platz hat. '.repeat(4);
    const score = {
      ...document.score,
      cues: document.score.cues.map((cue) => ({
        ...cue,
        other: { de: { text: long, durationMs: 12_000 } },
      })),
    };
    const cues = personal({ ...document, score }, { language: 'de', cautions: [] }).groups.flat();
    for (const cue of cues) {
      expect(cue.quiet || 12_000 / cue.durationMs <= MOST_HURRY || cue.text !== long).toBe(true);
    }
  });
});

it('nothing leaves that its schema does not name', () => {
  const plan = planOf([{ move: 'tall-o-cheek-lift' }]);
  const score = { ...compile(shownIn(plan), LIBRARY_BOOK), notes: 'Maren has a sore jaw' };
  const made = { plan, score, easier: score, isDrawn: () => false };
  expect(JSON.stringify(followDocument(made, LIBRARY_BOOK))).not.toMatch(/Maren|leftOut|"ref"/);
});
