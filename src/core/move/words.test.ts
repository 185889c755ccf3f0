import { describe, expect, it } from 'vitest';
import type { Language } from '../language';
import type { Area } from '.';
import { type Asked, askedBy, placesIn, releasesIn } from './words';

describe('what a cue asks of the body', () => {
  it.each<[Language, string, Asked[]]>([
    ['en', 'Lift the chin as far as the neck likes.', ['headBack']],
    ['en', 'Never lift the chin.', []],
    ['en', 'Chin level. Look up with the eyes only.', []],
    ['en', 'Slide the lower jaw forward.', ['jawForward']],
    ['en', 'Yawn with the lips together.', []],
    ['en', 'Breathe in and hold the breath.', ['breathHold']],
    ['en', 'Stroke down the sides of the neck.', ['drain']],
    ['en', 'Stroke the cheeks and leave the neck out.', []],
    ['en', 'Pinch the cheeks, quick and soft.', ['pinching']],
    ['en', 'Tap the cheeks instead of pinching.', []],
    ['en', 'Hands in the lap. Look ahead.', ['handsFree']],
    ['de', 'Heb das Kinn und schau geradeaus.', ['headBack']],
    ['de', 'Halt den Atem an.', ['breathHold']],
    ['de', 'Streich die Halsseiten hinab.', ['drain']],
    ['de', 'Kinn waagerecht.', []],
  ])('%s: "%s" asks for %j', (language, cue, asked) => {
    expect(askedBy(cue, language)).toEqual(asked);
  });
});

describe('where a cue sends the hands', () => {
  it.each<[Language, string, string, Area[]]>([
    ['en', '', 'Lay the palms on the temples.', ['temples']],
    ['en', '', 'Jaw loose, brows apart.', []],
    ['en', 'Warm the palms and lay them over the eyes.', 'Then on the jaw.', ['jaw']],
    ['en', '', 'Then on the jaw.', []],
    ['en', '', 'Open only a finger wide, lips soft.', []],
    ['en', '', 'Press the fingertips well below the eyes.', []],
    [
      'en',
      '',
      'Stroke well below the eyes, then out over the eyelids with the fingertips.',
      ['eyes'],
    ],
    ['de', '', 'Leg die Fingerspitzen ans Kinn.', ['chin']],
    ['de', '', 'Leg die Fingerspitzen weit unter die Augen.', []],
    ['de', '', 'Leg die Fingerspitzen unter die Augen.', ['eyes']],
    ['de', '', 'Nur einen Finger breit öffnen, die Lippen weich.', []],
  ])('%s, after "%s": "%s" sends them to %j', (language, before, cue, areas) => {
    expect(placesIn(cue, language, before)).toEqual(areas);
  });
});

it('a let-go that taps or strokes is told from one that only lets go', () => {
  expect(releasesIn('Let go, and tap the cheeks.', 'en')).toBe(true);
  expect(releasesIn('Let the smile fade.', 'en')).toBe(false);
  expect(releasesIn('Lass los und streich nach außen.', 'de')).toBe(true);
  expect(releasesIn('Lass los.', 'de')).toBe(false);
});
