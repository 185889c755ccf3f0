import { LIBRARY, LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import type { Plan } from '@/core/class';
import { clock } from '@/core/formats';
import { runSheetOf } from '@/core/run-sheet';
import { compile } from '@/core/score';
import { sheetPdf } from './sheet';

const A4 = [595.28, 841.89];

async function made(plan: Plan) {
  const score = compile(plan, LIBRARY_BOOK);
  const sheet = runSheetOf(plan, score, LIBRARY_BOOK);
  const pdf = await sheetPdf(sheet, { language: plan.language, fill: { jaw: 1 } });
  const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  const places: { x: number; y: number }[] = [];
  let cut = 0;
  for (let n = 1; n <= read.numPages; n++) {
    const page = await read.getPage(n);
    expect(page.view.slice(2).map((size) => Math.round(size))).toEqual(A4.map(Math.round));
    const { items } = await page.getTextContent();
    cut += (await page.getOperatorList()).fnArray.filter((op) => op === OPS.clip).length;
    const words = items.flatMap((item) => ('str' in item ? [item] : []));
    pages.push(words.map(({ str }) => str).join(' '));
    for (const { transform, width } of words) {
      places.push(
        { x: transform[4], y: transform[5] },
        { x: transform[4] + width, y: transform[5] },
      );
    }
  }
  const { info } = (await read.getMetadata()) as { info: { Title?: string } };
  await read.destroy();
  return { pdf, sheet, pages, places, title: info.Title, score, cut };
}

/** Words without what lines and columns do to them. */
const plain = (text: string) => text.replace(/\s+/g, '');

describe('the run sheet as a PDF file', () => {
  const all: Plan = {
    ...planOf(
      LIBRARY.slice(0, 24).map(({ id }) => ({ move: id, rounds: 2 })),
      {},
      3600,
    ),
    name: 'Größe, Łódź & “soft” jaws',
  };

  it('has every line of the sheet with its words, on as many pages as it takes, each told', async () => {
    const { pages, sheet, title, score } = await made(all);
    expect(title).toBe(all.name);
    expect(pages.length).toBeGreaterThan(2);
    const text = plain(pages.join(' ').replace(/[^ ]*, page \d+ of \d+/g, ''));
    for (const line of sheet.lines) {
      expect(text).toContain(plain(clock(line.startMs)));
      if ('said' in line) expect(text).toContain(plain(line.said));
      else {
        expect(text, line.name).toContain(plain(line.name));
        expect(text, line.dose).toContain(plain(line.dose));
      }
    }
    pages.forEach((page, n) => {
      expect(plain(page)).toContain(plain(`${all.name}, page ${n + 1} of ${pages.length}`));
    });
    expect(text).toContain(plain(`${clock(score.totalMs)} End`));
    expect(text).toContain(plain(sheet.caution));
    expect(sheet.carried.length).toBeGreaterThan(4);
    for (const { who, what } of sheet.carried) expect(text).toContain(plain(`${who}. ${what}`));
  });

  it('is in the language of its class', async () => {
    const { pages } = await made({
      ...planOf([{ move: 'smile-pulses', rounds: 2 }]),
      language: 'de',
    });
    const text = pages.join(' ');
    expect(text).toMatch(/von 20:00/);
    expect(text).toMatch(/Ihr braucht:/);
    expect(text).toMatch(/Seite 1 von 1/);
    expect(text).not.toMatch(/\b(Kit|End|page|Works|upbeat)\b/);
  });

  it('stays within the page', async () => {
    const { places, sheet, cut } = await made(all);
    // Arms that leave a picture are cut off at its edge, as every picture is.
    const told = sheet.lines.filter((line) => 'told' in line && line.told).length;
    expect(cut).toBe(1 + 2 * told);
    for (const { x, y } of places) {
      expect(x).toBeGreaterThanOrEqual(40);
      expect(x).toBeLessThanOrEqual(555);
      expect(y).toBeGreaterThanOrEqual(20);
      expect(y).toBeLessThanOrEqual(810);
    }
  });

  it('carries its fonts, and no other is needed', async () => {
    const raw = (await made(all)).pdf.toString('latin1');
    const fonts = raw.match(/\/BaseFont \/[A-Z]{6}\+[\w-]+/g) ?? [];
    expect(fonts.length).toBeGreaterThanOrEqual(3);
    expect(raw.match(/\/BaseFont \/(?![A-Z]{6}\+)/g)).toBeNull();
    expect(raw).toMatch(/\/FontFile[23]? /);
  });

  it('writes what it has letters for, and leaves out the rest', async () => {
    const odd = { ...all, name: `Jaw 🧘‍♀️ 顎 ${'long '.repeat(30)}` };
    const { pages } = await made(odd);
    expect(plain(pages[0] ?? '')).toContain(`Jaw${'long'.repeat(30)}`);
  });

  it('of a class of one move is one page', async () => {
    const { pages } = await made(planOf([{ move: 'soft-jaw-drop', rounds: 1 }]));
    expect(pages).toHaveLength(1);
  });
});
