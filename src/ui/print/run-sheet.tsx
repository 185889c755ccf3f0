import type { Plan } from '@/core/class';
import { clock } from '@/core/formats';
import type { Area } from '@/core/move';
import { type HowDone, runSheetOf, sheetWordsIn } from '@/core/run-sheet';
import type { Book, Score } from '@/core/score';
import { FaceDial, Miniature } from '../kit/face-dial';
import { KindGlyph } from '../kit/kind-glyph';
import { PrintButton } from './print-button';

export interface RunSheetProps {
  plan: Plan;
  score: Score;
  book: Book;
  fill: Partial<Record<Area, number>>;
  back: string;
}

/** A class on a few pages of A4, to be read at arm's length, in its language. */
export function RunSheet({ plan, score, book, fill, back }: RunSheetProps) {
  const { name, totalMs, length, kit, lines, carried, caution } = runSheetOf(plan, score, book);
  const words = sheetWordsIn(plan.language);
  return (
    <main className="sheet">
      <div className="no-print mb-4 flex gap-2">
        <PrintButton />
        <a className="btn btn-ghost" href={back}>
          Back to the class
        </a>
      </div>
      <div lang={plan.language}>
        <header className="flex items-start justify-between gap-6">
          <div>
            <h1 className="text-3xl font-bold">{name}</h1>
            <p className="figures mt-1 text-xl">{length}</p>
            <p className="mt-1">
              <b>{words.kit}:</b> {kit}
            </p>
          </div>
          <FaceDial size={120} fill={fill} label="Work by area of the face" />
        </header>
        <ol className="mt-3">
          {lines.map((line) =>
            'said' in line ? (
              <li key={line.key} className="sheet-line">
                <b className="figures">{clock(line.startMs)}</b> {line.said}
              </li>
            ) : (
              <li key={line.key} className="sheet-line">
                {line.phase && <h2 className="sheet-phase">{line.phase}</h2>}
                <p className="flex items-baseline gap-2 text-lg leading-snug max-sm:flex-wrap print:flex-nowrap">
                  <b className="figures w-14 shrink-0">{clock(line.startMs)}</b>
                  <KindGlyph kind={line.move.kind} size={20} />
                  <b className="min-w-0 flex-1">{line.name}</b>
                  <span className="text-right text-sm max-sm:order-last max-sm:w-full print:order-none print:w-auto">
                    {line.dose}
                  </span>
                  <b className="figures w-12 text-right">{clock(line.lengthMs)}</b>
                </p>
                {line.told && (
                  <div className="sheet-told">
                    <span className="sheet-frames">
                      <Miniature move={line.move} variant={line.variant} size={58} first />
                      <Miniature move={line.move} variant={line.variant} size={58} />
                    </span>
                    <Words told={line.told} />
                  </div>
                )}
              </li>
            ),
          )}
        </ol>
        <p className="figures mt-2 text-lg font-bold">
          {clock(totalMs)} {words.end}
        </p>
        {carried.length > 0 && (
          <section className="sheet-carried" aria-labelledby="carried">
            <h2 id="carried" className="text-lg font-bold">
              {words.carried}
            </h2>
            <p>{words.carriedHelp}</p>
            <dl>
              {carried.map(({ who, what }) => (
                <div key={who} className="sheet-line">
                  <dt className="font-bold">{who}</dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
          </section>
        )}
        <p className="mt-2">{caution}</p>
      </div>
    </main>
  );
}

function Words({ told: { opening, setup, stages, form, letGo, besides } }: { told: HowDone }) {
  return (
    <p className="sheet-words">
      {opening && <b>{opening} </b>}
      {setup}
      {stages && <b> {stages}</b>}
      {form && <i> {form}</i>}
      {letGo && <> {letGo}</>}
      <span className="quiet"> {besides}</span>
    </p>
  );
}
