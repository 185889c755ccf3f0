import * as fontkit from 'fontkit';
import { LRUCache } from 'lru-cache';
import type { Font, Letters } from '@/core/film';
import { FONT_FILES, type FontPart, runsOf } from './fonts';

/** A line of text set in a font, one unit high. */
interface Set {
  width: number;
  outline: (size: number) => string;
}

/** So many lines are remembered; a film shows few at a time, again and again. */
const MOST_KEPT = 400;

const opened = new Map<string, fontkit.Font>();

function fontOf(font: Font, part: FontPart): fontkit.Font {
  const key = `${font} ${part}`;
  const known = opened.get(key);
  if (known) return known;
  const found = FONT_FILES.find((f) => f.font === font && f.part === part);
  if (!found) throw new Error(`there is no font ${key}`);
  const made = fontkit.openSync(found.file);
  if (!('layout' in made)) throw new Error(`${found.file} has several fonts`);
  opened.set(key, made);
  return made;
}

function setIn(text: string, font: Font): Set {
  const runs = runsOf(text).map((run) => {
    const own = fontOf(font, run.part);
    return { own, set: own.layout(run.text), unit: 1 / own.unitsPerEm };
  });
  return {
    width: runs.reduce((sum, { set, unit }) => sum + set.advanceWidth * unit, 0),
    outline: (size) => {
      let at = 0;
      let d = '';
      for (const { set, unit } of runs) {
        set.glyphs.forEach((glyph, i) => {
          const { xOffset = 0, xAdvance = 0 } = set.positions[i] ?? {};
          const x = (at + xOffset) * unit * size;
          const much = unit * size;
          d += glyph.path.transform(much, 0, 0, -much, x, 0).toSVG();
          at += xAdvance;
        });
      }
      return d;
    },
  };
}

/** The letters of this project's fonts, as outlines: a picture then needs no font. */
export function lettersOf(): Letters {
  const sets = new LRUCache<string, Set>({ max: MOST_KEPT });
  const outlines = new LRUCache<string, string>({ max: MOST_KEPT });
  const setOf = (text: string, font: Font): Set => {
    const key = `${font} ${text}`;
    const known = sets.get(key) ?? setIn(text, font);
    sets.set(key, known);
    return known;
  };
  return {
    width: (text, font, size) => setOf(text, font).width * size,
    outline: (text, font, size) => {
      const key = `${size} ${font} ${text}`;
      const known = outlines.get(key) ?? setOf(text, font).outline(size);
      outlines.set(key, known);
      return known;
    },
  };
}
