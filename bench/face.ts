import { gzipSync } from 'node:zlib';
import { LIBRARY, LIBRARY_BOOK } from '@library';
import { libraryTrack, TRACKS } from '@library/tracks';
import { planOf } from '@testing/plans';
import { actsOfScore, geometry, handsIn, patchesOf, poseAt } from '@/core/face';
import { compile } from '@/core/score';

/** How long a pose and its lines take, against a frame of the screen. */

const FRAME_MS = 1000 / 60;
const LEAST_MS = 0.05;
const TRACKS_KB = 60;

const score = compile(
  planOf(
    LIBRARY.slice(0, 60).map((m) => ({ move: m.id, rounds: 1 })),
    {},
    7200,
  ),
  LIBRARY_BOOK,
);
const acts = actsOfScore(score, (id, variant) => libraryTrack(id, variant) ?? null);
const moments = Array.from({ length: 6000 }, (_, i) => {
  const index = (i * 7) % acts.length;
  return { index, ms: ((acts[index]?.step.durationMs ?? 0) * (i % 101)) / 101 };
});
const eachMs = (work: (moment: (typeof moments)[number]) => unknown): number => {
  for (const moment of moments.slice(0, 1500)) work(moment);
  const from = performance.now();
  for (const moment of moments) work(moment);
  return (performance.now() - from) / moments.length;
};
const pose = eachMs(({ index, ms }) => poseAt(acts, index, ms));
const poses = moments.map(({ index, ms }) => poseAt(acts, index, ms));
let i = 0;
const lines = eachMs(() => {
  const at = poses[i++ % poses.length];
  return at && [geometry(at), patchesOf(at), handsIn(at)];
});
const kB = gzipSync(JSON.stringify(TRACKS)).length / 1000;
console.log(
  `the pose of a frame / a frame: ${(pose / FRAME_MS).toFixed(5)} (${(1000 * pose).toFixed(1)} µs; ${(pose / LEAST_MS).toFixed(2)} of the aim of 50 µs)`,
);
console.log(
  `the lines of a pose / a frame: ${(lines / FRAME_MS).toFixed(4)} (${(1000 * lines).toFixed(0)} µs, areas and hands too)`,
);
console.log(
  `the tracks of all moves, compressed / ${TRACKS_KB} kB: ${(kB / TRACKS_KB).toFixed(2)} (${kB.toFixed(1)} kB)`,
);
