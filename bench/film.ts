import { mkdtempSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import path from 'node:path';
import { LIBRARY_BOOK, phrasesOf } from '@library';
import { FILM_LOOKS, FILM_SHAPES, FRAMES_A_SECOND } from '@/core/film';
import { followDocument, shownIn } from '@/core/follow';
import { compile } from '@/core/score';
import { FilmFolder } from '@/server/film/folder';
import { PART_FRAMES } from '@/server/film/parts';
import { threads } from '@/server/queue/threads';
import { FILM } from '../testing/films';
import { planOf } from '../testing/plans';

/** A film in numbers: how fast its pictures are made, by the threads and programs that the server makes them with. */

const PARTS = 6;
const plan = planOf([{ move: 'chin-over-shoulder' }, { move: 'soft-jaw-drop' }]);
const score = compile(shownIn(plan), LIBRARY_BOOK);
const document = followDocument({ plan, score, easier: null, isDrawn: () => true }, LIBRARY_BOOK);
const caution = phrasesOf('en').caution;
const atOnce = Math.max(1, availableParallelism() - 1);
const pool = threads('film/worker.ts', atOnce);
const data = mkdtempSync(path.join(tmpdir(), 'up-beat-bench-film-'));
try {
  const ways = [
    { format: 'mp4', shape: FILM_SHAPES[0], look: FILM_LOOKS[0] },
    { format: 'webm', shape: FILM_SHAPES[1], look: FILM_LOOKS[1] },
  ] as const;
  for (const way of ways) {
    const folder = new FilmFolder(crypto.randomUUID(), data);
    const options = { ...FILM, ...way };
    await folder.begin({ worded: { score, document }, options, caution });
    const make = (part: number) => pool.run({ folder: folder.path, part });
    // The first opens fonts and compiles.
    await make(0);
    const since = performance.now();
    await Promise.all(Array.from({ length: PARTS }, (_, i) => make(i + 1)));
    const ms = performance.now() - since;
    const pictures = PARTS * PART_FRAMES;
    const rate = (1000 * pictures) / ms;
    console.log(
      `a film as ${way.format}, ${way.shape}: ${(rate / FRAMES_A_SECOND).toFixed(1)} times as fast as it is seen (${rate.toFixed(0)} pictures a second at ${atOnce} at once; aim 15)`,
    );
  }
} finally {
  await pool.destroy();
  rmSync(data, { recursive: true });
}
