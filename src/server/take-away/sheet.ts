import { trackOfMove } from '@library/tracks';
import PDFDocument from 'pdfkit';
import { type Plan, resolve } from '@/core/class';
import { INK, keyPose, type Pose, paperLines, patchesOf, STILL } from '@/core/face';
import { clock } from '@/core/formats';
import type { Language } from '@/core/language';
import { filled } from '@/core/language/filled';
import type { Area } from '@/core/move';
import { fillOf } from '@/core/outline';
import {
  type RunSheet,
  runSheetOf,
  type SheetLine,
  type SheetWords,
  sheetWordsIn,
} from '@/core/run-sheet';
import type { Book, Score } from '@/core/score';
import { turns } from '../turns';
import { FONT_FILES, type Font, runsOf } from './fonts';

/** Sizes in points, a 72nd of an inch. */
const MARGIN = 42;
const PICTURE = { width: 44, height: 55 };
const DIAL = { width: 80, height: 100 };
const COLUMN = { time: 46, dose: 190, length: 44 };
const QUIET = '#5f5570';
const FILL = '#e2a33b';
/** A move and its words stay together as long as they take no more than this of a page. */
const TOGETHER = 300;

/** Writes on a document, and knows where it is on the page. */
class Page {
  readonly doc: PDFKit.PDFDocument;
  private readonly bottom: number;
  readonly width: number;

  constructor(title: string, language: string) {
    this.doc = new PDFDocument({
      size: 'A4',
      margin: MARGIN,
      bufferPages: true,
      lang: language,
      displayTitle: true,
      info: { Title: title, Producer: 'Up Beat', Creator: 'Up Beat' },
    });
    for (const { font, part, file } of FONT_FILES) {
      this.doc.registerFont(`${font} ${part}`, file);
    }
    this.width = this.doc.page.width - 2 * MARGIN;
    // Room for the page's number.
    this.bottom = this.doc.page.height - MARGIN - 16;
  }

  /** Goes on to a new page where so much does not fit any more. */
  need(height: number): void {
    if (this.doc.y + height > this.bottom) this.doc.addPage();
  }

  /** How high some words are in a column. */
  heightOf(text: string, { font, size, width }: { font: Font; size: number; width: number }) {
    return this.doc.font(`${font} latin`).fontSize(size).heightOfString(text, { width });
  }

  /** Writes words at a place. @returns where they end */
  write(
    words: readonly { text: string; font: Font; colour?: string }[],
    at: { x: number; y: number; width: number; size: number; align?: 'left' | 'right' },
  ): number {
    const { x, y, width, size, align = 'left' } = at;
    const runs = words.flatMap(({ text, font, colour = INK }) =>
      runsOf(text).map((run) => ({ ...run, font, colour })),
    );
    runs.forEach(({ part, text, font, colour }, i) => {
      const more = { width, align, continued: i < runs.length - 1 };
      this.doc.font(`${font} ${part}`).fontSize(size).fillColor(colour);
      if (i === 0) this.doc.text(text, x, y, more);
      else this.doc.text(text, more);
    });
    return this.doc.y;
  }

  /** Draws a face. */
  face(
    pose: Pose,
    {
      x,
      y,
      width,
      fill = {},
    }: { x: number; y: number; width: number; fill?: Partial<Record<Area, number>> },
  ): void {
    const { doc } = this;
    doc
      .save()
      .translate(x, y)
      .scale(width / 400)
      .rect(0, 0, 400, 500)
      .clip()
      .lineCap('round')
      .lineJoin('round');
    for (const { d, fill: filled, stroke = INK, width: line = 1, opacity = 1 } of paperLines(
      pose,
    )) {
      doc.path(d).lineWidth(line).fillOpacity(1).strokeOpacity(opacity);
      if (filled && filled !== 'none' && stroke !== 'none') doc.fillAndStroke(filled, stroke);
      else if (filled && filled !== 'none') doc.fill(filled);
      else if (stroke !== 'none') doc.stroke(stroke);
    }
    for (const { area, left, right } of patchesOf(pose)) {
      const much = fill[area] ?? 0;
      if (much <= 0) continue;
      for (const d of [left, right])
        if (d)
          doc
            .path(d)
            .fillOpacity(0.75 * much)
            .fill(FILL);
    }
    doc.restore();
  }
}

function lineOf(page: Page, line: SheetLine): void {
  const { doc } = page;
  const [x, inner] = [MARGIN + COLUMN.time, page.width - COLUMN.time];
  if ('said' in line) {
    const height = page.heightOf(line.said, { font: 'text', size: 11, width: inner });
    page.need(Math.min(height, TOGETHER) + 8);
    const y = doc.y + 4;
    page.write([{ text: clock(line.startMs), font: 'strong' }], {
      x: MARGIN,
      y,
      width: COLUMN.time,
      size: 11,
    });
    page.write([{ text: line.said, font: 'text' }], { x, y, width: inner, size: 11 });
    return;
  }
  const { told } = line;
  const beside = { x: x + 2 * PICTURE.width + 8, width: inner - 2 * PICTURE.width - 8 };
  const words = told ? Object.values(told).filter(Boolean).join(' ') : '';
  const height = told
    ? Math.max(
        PICTURE.height,
        page.heightOf(words, { font: 'text', size: 9.5, width: beside.width }) + 4,
      )
    : 0;
  page.need(Math.min(TOGETHER, height) + (line.phase ? 50 : 28));
  if (line.phase) {
    const y = page.write([{ text: line.phase, font: 'title', colour: QUIET }], {
      x: MARGIN,
      y: doc.y + 8,
      width: page.width,
      size: 12,
    });
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + page.width, y)
      .lineWidth(0.5)
      .strokeOpacity(1)
      .stroke(QUIET);
  }
  const y = doc.y + 6;
  const nameWidth = inner - COLUMN.dose - COLUMN.length;
  page.write([{ text: clock(line.startMs), font: 'strong' }], {
    x: MARGIN,
    y,
    width: COLUMN.time,
    size: 11,
  });
  const ends = [
    page.write([{ text: line.name, font: 'strong' }], { x, y, width: nameWidth, size: 12 }),
    page.write([{ text: line.dose, font: 'text' }], {
      x: x + nameWidth,
      y,
      width: COLUMN.dose,
      size: 10.5,
      align: 'right',
    }),
    page.write([{ text: clock(line.lengthMs), font: 'strong' }], {
      x: MARGIN + page.width - COLUMN.length,
      y,
      width: COLUMN.length,
      size: 11,
      align: 'right',
    }),
  ];
  const under = Math.max(...ends) + 2;
  doc.y = under;
  if (!told) return;
  const track = trackOfMove(line.move, line.variant);
  page.face(keyPose(track, { first: true }), { x, y: under, width: PICTURE.width });
  page.face(keyPose(track), { x: x + PICTURE.width, y: under, width: PICTURE.width });
  const { opening, setup, stages, form, letGo, besides } = told;
  const end = page.write(
    [
      { text: opening && `${opening} `, font: 'strong' },
      { text: setup && `${setup} `, font: 'text' },
      { text: stages && `${stages} `, font: 'strong' },
      { text: form && `${form} `, font: 'text' },
      { text: letGo && `${letGo} `, font: 'text' },
      { text: besides, font: 'text', colour: QUIET },
    ],
    { ...beside, y: under + 3, size: 9.5 },
  );
  // Words that went over to a new page end there.
  doc.y = end > under ? Math.max(end, under + PICTURE.height) : end;
}

/** What changes for whoever carries something. */
function carriedOf(page: Page, { carried }: RunSheet, words: SheetWords): void {
  const { doc, width } = page;
  const at = { x: MARGIN, width };
  page.need(60);
  let y = page.write([{ text: words.carried, font: 'title' }], { ...at, y: doc.y + 8, size: 12 });
  y = page.write([{ text: words.carriedHelp, font: 'text', colour: QUIET }], {
    ...at,
    y,
    size: 9.5,
  });
  doc.y = y;
  for (const { who, what } of carried) {
    const size = 9.5;
    page.need(
      Math.min(TOGETHER, page.heightOf(`${who}. ${what}`, { font: 'strong', size, width })),
    );
    page.write(
      [
        { text: `${who}. `, font: 'strong' },
        { text: what, font: 'text' },
      ],
      { ...at, y: doc.y + 3, size },
    );
  }
}

/** A run sheet as a PDF file of A4 pages, its fonts within it. Between two of its lines others have their turn. */
export async function sheetPdf(
  sheet: RunSheet,
  { language, fill }: { language: Language; fill: Partial<Record<Area, number>> },
): Promise<Buffer> {
  const words = sheetWordsIn(language);
  const page = new Page(sheet.name, language);
  const { doc } = page;
  const left = page.width - DIAL.width - 12;
  page.face(STILL, {
    x: MARGIN + page.width - DIAL.width,
    y: MARGIN - 12,
    width: DIAL.width,
    fill,
  });
  let y = page.write([{ text: sheet.name, font: 'title' }], {
    x: MARGIN,
    y: MARGIN,
    width: left,
    size: 22,
  });
  y = page.write([{ text: sheet.length, font: 'text' }], {
    x: MARGIN,
    y: y + 2,
    width: left,
    size: 14,
  });
  y = page.write(
    [
      { text: `${words.kit}: `, font: 'strong' },
      { text: sheet.kit, font: 'text' },
    ],
    { x: MARGIN, y: y + 2, width: left, size: 11 },
  );
  doc.y = Math.max(y, MARGIN + DIAL.height - 8);
  const turn = turns();
  for (const line of sheet.lines) {
    await turn();
    lineOf(page, line);
  }
  await turn();
  page.need(70);
  y = page.write([{ text: `${clock(sheet.totalMs)} ${words.end}`, font: 'strong' }], {
    x: MARGIN,
    y: doc.y + 8,
    width: page.width,
    size: 12,
  });
  doc.y = y + 4;
  if (sheet.carried.length > 0) carriedOf(page, sheet, words);
  page.need(50);
  page.write([{ text: sheet.caution, font: 'text', colour: QUIET }], {
    x: MARGIN,
    y: doc.y + 6,
    width: page.width,
    size: 9.5,
  });
  const { count } = doc.bufferedPageRange();
  for (let n = 0; n < count; n++) {
    doc.switchToPage(n);
    // Below the margin, where nothing flows on to another page.
    doc.page.margins.bottom = 0;
    page.write(
      [
        {
          text: filled(words.page, { name: sheet.name, n: n + 1, count }),
          font: 'text',
          colour: QUIET,
        },
      ],
      {
        x: MARGIN,
        y: doc.page.height - MARGIN,
        width: page.width,
        size: 8.5,
        align: 'right',
      },
    );
  }
  return new Promise((done, failed) => {
    const parts: Buffer[] = [];
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => done(Buffer.concat(parts)));
    doc.on('error', failed);
    doc.end();
  });
}

/** The run sheet of a class as a PDF file. @param score as the class is taken away */
export const classSheet = (
  { plan, score }: { plan: Plan; score: Score },
  book: Book,
): Promise<Buffer> =>
  sheetPdf(runSheetOf(plan, score, book), {
    language: plan.language,
    fill: fillOf(score, resolve(plan, book)),
  });
