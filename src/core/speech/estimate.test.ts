import { LIBRARY } from '@library';
import { describe, expect, it } from 'vitest';
import {
  asSpoken,
  estimateIn,
  estimateSpeech,
  haltsIn,
  measuredMeter,
  notingMeter,
  rememberingMeter,
  SLOWEST_VOICE,
  utteranceKey,
  withHalts,
} from '.';
import { syllables } from './estimate';

describe('the estimate of spoken length', () => {
  it('scales with the rate and grows with the text', () => {
    const text = 'Fold both lips over the teeth.';
    expect(estimateSpeech(text, 'en', 300)).toBeCloseTo(estimateSpeech(text, 'en', 150) / 2, -1);
    expect(estimateSpeech(`${text} Breathe.`, 'en', 150)).toBeGreaterThan(
      estimateSpeech(text, 'en', 150),
    );
  });

  it('reads numbers as they are spoken', () => {
    const seven = estimateSpeech('30', 'en', 150);
    expect(estimateSpeech('37', 'en', 150)).toBeGreaterThan(seven);
  });

  it('does not grow where the voice does not slow down', () => {
    const text = 'Fold both lips over the teeth.';
    expect(estimateSpeech(text, 'en', 80)).toBe(estimateSpeech(text, 'en', SLOWEST_VOICE));
    expect(estimateSpeech(text, 'en', 100)).toBeLessThan(estimateSpeech(text, 'en', 80));
  });

  it('leaves out emoji, which are not spoken', () => {
    expect(estimateSpeech('Well done 🧘‍♀️👍🏽', 'en', 150)).toBe(
      estimateSpeech('Well done', 'en', 150),
    );
    expect(asSpoken('Well done 🧘‍♀️👍🏽 everybody', 'en')).toBe('Well done everybody');
  });

  it.each([
    ['Now the left side.', 'en', 'Now the |left side.'],
    ['Now the other side.', 'en', 'Now the |other side.'],
    ['Left side first. Then your right.', 'en', 'Left side first. Then your |right.'],
    ['The fingers never press, right?', 'en', 'The fingers |never press, right?'],
    ['Never on the eyes.', 'en', 'Never on the eyes.'],
    ['That is right.', 'en', 'That is right.'],
    ['Jetzt die andere Seite, nie fest.', 'de', 'Jetzt die |andere Seite, nie fest.'],
    ['Den Kopf nach links drehen.', 'de', 'Den Kopf nach |links drehen.'],
    ['Das ist rechtzeitig.', 'de', 'Das ist rechtzeitig.'],
  ] as const)('halts before what must not be missed: %s', (text, language, halted) => {
    expect(withHalts(text, language, '|')).toBe(halted);
    expect(haltsIn(text, language)).toBe(halted.split('|').length - 1);
  });

  it('takes the time of a halt, in the voices that halt', () => {
    const longer = (voices: Partial<Record<'en', string>>) =>
      estimateIn(voices)('Now the left side.', 'en', 150) -
      estimateIn(voices)('Now the loft side.', 'en', 150);
    expect(longer({})).toBe(225);
    expect(longer({ en: 'warm' })).toBe(0);
  });

  it('is nothing for nothing said', () => expect(estimateSpeech(' … ', 'en', 150)).toBe(0));

  it('reads set-ups aloud at about 150 to 160 words a minute (published rates, from memory)', () => {
    const sentences = LIBRARY.flatMap((m) => m.text.en?.setup ?? []);
    const words = sentences.join(' ').split(' ').length;
    const ms = sentences.reduce((sum, s) => sum + estimateSpeech(s, 'en', 150) + 250, 0);
    const perMinute = words / (ms / 60_000);
    expect(perMinute).toBeGreaterThan(140);
    expect(perMinute).toBeLessThan(170);
  });

  it.each([
    ['three', 1],
    ['forehead', 2],
    ['cheekbone', 2],
    ['little', 2],
    ['eyes', 1],
    ['circle', 2],
  ])('hears %s in %i', (word, count) => expect(syllables(word, 'en')).toBe(count));
});

describe('measured lengths', () => {
  const one = { text: 'One.', language: 'en', wordsPerMinute: 150 } as const;

  it('come before the estimate, and the score is told how much was measured', () => {
    const { meter, source } = measuredMeter(new Map([[utteranceKey(one), 321]]), () => 999);
    expect(meter('One.', 'en', 150)).toBe(321);
    expect(source()).toBe('measured');
    expect(meter('Two.', 'en', 150)).toBe(999);
    expect(source()).toBe('mixed');
  });

  it('are asked for once a text', () => {
    const noting = notingMeter(() => 1);
    for (const text of ['One.', 'Two.', 'One.']) noting.meter(text, 'en', 150);
    expect(noting.asked.map((u) => u.text)).toEqual(['One.', 'Two.']);
  });

  it('are measured once a text, language and rate where they are remembered', () => {
    const asked: string[] = [];
    const meter = rememberingMeter((text, language, rate) =>
      asked.push(`${text} ${language} ${rate}`),
    );
    for (const rate of [150, 150, 160]) for (const l of ['en', 'de'] as const) meter('Go', l, rate);
    expect(asked).toEqual(['Go en 150', 'Go de 150', 'Go en 160', 'Go de 160']);
    expect(meter('Go', 'de', 150)).toBe(2);
  });
});
