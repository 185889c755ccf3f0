import { readFileSync } from 'node:fs';
import path from 'node:path';
import { LIBRARY, libraryMove } from '@library';
import { libraryTrack } from '@library/tracks';
import { chromium } from '@playwright/test';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { keyPose, STILL } from '@/core/face';
import { strongAreas } from '@/core/move';
import { FaceDial } from '@/ui/kit/face-dial/face-dial';

/**
 * Draws every built-in move at two moments, where its work begins and where its effort is greatest: one sheet for
 * each part of the library, to be looked at beside its cue texts, and one of some of them. Usage: npm run faces --
 * folder
 */
const [folder = '.data/faces'] = process.argv.slice(2);
const css = readFileSync('src/app/globals.css', 'utf8');
const rule = (start: string) => css.slice(css.indexOf(start)).split('}')[0] ?? '';
const variables = (text: string) => (text.match(/--[\w-]+:[^;]+;/g) ?? []).join('');
const style = `body{margin:0;padding:12px;font:13px sans-serif;background:var(--color-base-100);color:var(--color-base-content);${variables(rule('[data-theme="upbeat-day"] {'))}}.face{${variables(rule('.face {'))}}[data-part^=hair]:not([data-part=hairline]){display:none}section{display:grid;grid-template-columns:repeat(6,1fr);gap:10px}figure{margin:0;text-align:center}`;

const escaped = (text: string) => text.replace(/[&<>]/g, (c) => `&#${c.charCodeAt(0)};`);
const figure = (move: (typeof LIBRARY)[number], size: number, only = false): string => {
  const track = libraryTrack(move.id);
  if (!track) return '';
  const effort = { ...keyPose(track), along: 0.7 };
  const begun = { ...STILL, units: track.keys[0] ?? [], hands: track.hands, reach: 1, along: 0.15 };
  const drawn = [...(only ? [] : [begun]), effort].map((pose) =>
    renderToStaticMarkup(createElement(FaceDial, { size, pose, fill: move.areas })),
  );
  const { name, short } = move.text.en ?? { name: move.id, short: '' };
  return `<figure>${drawn.join('')}<figcaption><b>${escaped(name)}</b><br>${escaped(short)}</figcaption></figure>`;
};

/** Moves that show how much there is to tell apart. */
const SOME = [
  'tall-o-cheek-lift',
  'pucker-hold',
  'full-cheeks-hold',
  'fish-lips-smile',
  'folded-lip-press',
  'yawn-wide-opening',
  'tongue-toward-nose',
  'finger-rings-squint',
  'braced-brow-slow-blink',
  'gaze-far-holds',
  'temple-palms-squeeze',
  'nose-corner-pull-lean',
  'chin-over-shoulder',
  'side-lean-with-hand',
  'jaw-open-close-looking-up',
  'wrist-cradle-chin-press',
  'elbows-wide-elbows-in',
  'knuckle-slide-mouth-opening',
  'brow-pinches',
  'under-eye-ring-finger-sweep',
  'neck-sweep-to-collarbone',
  'warm-palms-over-eyes',
  'arms-up-arms-down',
  'shoulder-rolls-both-ways',
];

const sheets = new Map<string, (typeof LIBRARY)[number][]>();
for (const move of LIBRARY) {
  const area = move.kind === 'exercise' ? (strongAreas(move)[0] ?? 'face') : move.kind;
  sheets.set(area, [...(sheets.get(area) ?? []), move]);
}
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox'],
});
try {
  const page = await browser.newPage({ viewport: { width: 1500, height: 900 } });
  for (const [name, moves] of sheets) {
    await page.setContent(
      `<style>${style}</style><section>${moves.map((m) => figure(m, 150)).join('')}</section>`,
    );
    await page.screenshot({ path: path.join(folder, `faces-${name}.png`), fullPage: true });
  }
  await page.setContent(
    `<style>${style}</style><section>${SOME.flatMap((id) => libraryMove(id) ?? [])
      .map((m) => figure(m, 150, true))
      .join('')}</section>`,
  );
  await page.screenshot({ path: path.join(folder, 'faces.png'), fullPage: true });
  console.log(`${sheets.size} sheets of ${LIBRARY.length} moves in ${folder}`);
} finally {
  await browser.close();
}
