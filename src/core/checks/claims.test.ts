import { LIBRARY } from '@library';
import { checkedOf } from '@testing/checked';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { planSchema, type Segment, updateSegment } from '@/core/class';
import { LANGUAGES, type Language } from '@/core/language';
import { cuesOf } from '@/core/move';
import { type Checked, check, claimIn } from '.';

const CLAIMS: [Language, string[]][] = [
  [
    'en',
    [
      'This heals the skin.',
      'A healing touch.',
      'It flushes out what is not needed.',
      'Fat-burning smiles.',
      'Burn the stubborn fat of the cheeks.',
      'An anti-ageing massage.',
      'An anti aging massage.',
      'It turns back the clock.',
      'Look years younger.',
      'Better than injections.',
      'It replaces a facelift.',
      'Results are guaranteed.',
      'Permanently smooth.',
      'No side effects.',
      'It removes fine lines.',
      'Toxins leave the body.',
      'Not only heals, it lifts.',
    ],
  ],
  [
    'de',
    [
      'Das heilt die Haut.',
      'Eine heilende Hand.',
      'Das entgiftet.',
      'Es schwemmt alles aus.',
      'Fettverbrennung im Gesicht.',
      'Das verbrennt Fett.',
      'Fett verbrennen mit Lächeln.',
      'Wirkt verjüngend.',
      'Eine Anti-Aging-Massage.',
      'Garantiert glatt.',
      'Für immer glatt.',
      'Besser als Spritzen.',
      'Ganz ohne Nebenwirkungen.',
      'Falten weg.',
    ],
  ],
];
const PLAIN: [Language, string[]][] = [
  [
    'en',
    [
      'This is not a cure.',
      'Nothing here heals anything, it only feels good.',
      'It does not burn fat.',
      'Set the heels of the hands on the brows.',
      'The brows turn outward, line by line.',
      'Secure the pen with the lip.',
      'Stop and look straight ahead.',
    ],
  ],
  [
    'de',
    [
      'Das ist keine Heilung.',
      'Das heilt nicht, aber es tut gut, und nichts davon heilt.',
      'Frag deine Heilpraktikerin.',
      'Es verbrennt kein Fett.',
      'Streich die Linien der Stirn aus.',
      'Die Haut ist nicht dauerhaft glatt.',
    ],
  ],
];

describe('claims', () => {
  it.each(CLAIMS.flatMap(([l, all]) => all.map((text) => [l, text] as const)))(
    'are found in %s: %s',
    (language, text) => {
      expect(claimIn(text, language)).not.toBeNull();
    },
  );

  it.each(
    PLAIN.flatMap(([l, all]) =>
      all.filter((t) => !t.startsWith('Das heilt nicht')).map((text) => [l, text] as const),
    ),
  )('are none in %s: %s', (language, text) => {
    expect(claimIn(text, language)).toBeNull();
  });

  it('are nowhere in the library: names, short cues, let-gos and versions, in both languages', () => {
    const found = LIBRARY.flatMap((move) =>
      LANGUAGES.flatMap((language) => {
        const text = move.text[language];
        if (!text) return [];
        return [text.name, ...cuesOf(text)].filter((t) => claimIn(t, language));
      }),
    );
    expect(found).toEqual([]);
  });
});

describe('a class that claims too much', () => {
  const classOf = (segment: Partial<Segment>, rules = {}): Checked => {
    const made = planOf([{ move: 'smile-pulses', rounds: 1 }], rules, 3600);
    return checkedOf(planSchema.parse(updateSegment(made, 's1', (s) => ({ ...s, ...segment }))));
  };
  const found = (checked: Checked) => check(checked).filter((f) => f.check === 'claims');

  it('is told in its short cues, let-gos, stages and opening words as well', () => {
    expect(found(classOf({ cues: { short: 'This melts fat.' } }))).toHaveLength(1);
    expect(found(classOf({ cues: { letGo: 'Feel how it heals.' } }))).toHaveLength(1);
    const stages = [{ words: 'Now it detoxes.', length: { share: 1 } }];
    expect(found(classOf({ stages }))).toHaveLength(1);
    const rules = { openingSeconds: 20, openingWords: 'Welcome to anti-ageing.' };
    expect(found(classOf({}, rules))).toHaveLength(1);
    expect(found(classOf({}))).toEqual([]);
  });

  it('is repaired by the words of the move, and by no other', () => {
    const cues = { short: 'This melts fat.', letGo: 'Let it all go.', muted: ['side'] };
    const checked = classOf({ cues });
    const [finding] = found(checked);
    const repaired = finding?.repair?.apply(checked.plan);
    const after = repaired?.phases.work[0]?.segments[0]?.cues;
    expect(after).toEqual({ letGo: 'Let it all go.', muted: ['side'] });
    const staged = classOf({ stages: [{ words: 'It heals.', length: { share: 1 } }] });
    expect(found(staged)[0]?.repair).toBeUndefined();
  });
});
