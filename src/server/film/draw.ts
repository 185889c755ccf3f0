import { libraryTrack } from '@library/tracks';
import { Resvg } from '@resvg/resvg-js';
import {
  FILM_SIZES,
  type Film,
  FRAME_MS,
  faceBox,
  faceSvg,
  Scenes,
  type Still,
  stillKey,
  stillSvg,
} from '@/core/film';
import { lettersOf } from '../take-away/letters';

/** All there is to a film: the same of it are the same pictures. */
export interface Drawable extends Film {
  caution: string;
  marks?: boolean;
}

/** Four bytes a point: red, green, blue and how thick. */
const BYTES = 4;

const drawn = (svg: string): Buffer =>
  new Resvg(svg, { font: { loadSystemFonts: false } }).render().pixels;

/**
 * Pictures of a film one after the other, as bytes. Words and ribbon are drawn when they change, the face at every
 * picture.
 * @param from the first picture
 * @param to the one after the last
 */
export function* pictures(of: Drawable, from: number, to: number): Generator<Buffer> {
  const { options, worded, caution, marks = false } = of;
  const scenes = new Scenes(of, (id, variant) => libraryTrack(id, variant) ?? null);
  const still: Still = { options, score: worded.score, caution, marks, letters: lettersOf() };
  const box = faceBox(options);
  const { width } = FILM_SIZES[options.shape];
  let before = { still: '', face: '' };
  let stands: Buffer | null = null;
  let face: Buffer | null = null;
  for (let n = from; n < to; n++) {
    const ms = n * FRAME_MS;
    const scene = scenes.at(Math.min(ms, scenes.totalMs));
    const now = { still: stillKey(scene), face: faceSvg(scene, still) };
    if (!stands || now.still !== before.still) stands = drawn(stillSvg(scene, still));
    if (!face || now.face !== before.face) face = drawn(now.face);
    before = now;
    const picture = Buffer.from(stands);
    for (let row = 0; row < box.height; row++) {
      const start = ((box.y + row) * width + box.x) * BYTES;
      face.copy(picture, start, row * box.width * BYTES, (row + 1) * box.width * BYTES);
    }
    yield picture;
  }
}
