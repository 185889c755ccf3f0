import type { Plan } from '@/core/class';
import { clock } from '@/core/formats';
import type { Area } from '@/core/move';
import { runSheetOf, type Told } from '@/core/run-sheet';
import type { Score } from '@/core/score';
import { GeneralCaution } from '../kit/caution';
import { FaceDial, Miniature } from '../kit/face-dial';
import { KindGlyph } from '../kit/kind-glyph';
import type { MovesById } from '../kit/moves';
import { PrintButton } from './print-button';

export interface RunSheetProps {
  plan: Plan;
  score: Score;
  moves: MovesById;
  fill: Partial<Record<Area, number>>;
  back: string;
}

/** A class on one or two pages of A4, to be read at arm's length. */
export function RunSheet({ plan, score, moves, fill, back }: RunSheetProps) {
  const { name, totalMs, slotMs, kit, lines } = runSheetOf(plan, score, moves);
  return (
    <main className="sheet">
      <div className="no-print mb-4 flex gap-2">
        <PrintButton />
        <a className="btn btn-ghost" href={back}>
          Back to the class
        </a>
      </div>
      <header className="flex items-start justify-between gap-6">
        <div>
          <h1 className="text-3xl font-bold">{name}</h1>
          <p className="figures mt-1 text-xl">
            {clock(totalMs)} of {clock(slotMs)}
          </p>
          <p className="mt-1">
            <b>Kit:</b> {kit}
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
              <p className="flex items-baseline gap-2 text-lg leading-snug">
                <b className="figures w-14 shrink-0">{clock(line.startMs)}</b>
                <KindGlyph kind={line.move.kind} size={20} />
                <b className="flex-1">{line.name}</b>
                <span>{line.dose}</span>
                <b className="figures w-12 text-right">{clock(line.lengthMs)}</b>
              </p>
              {line.told && (
                <div className="sheet-told">
                  <span className="sheet-frames">
                    <Miniature move={line.move} variant={line.segment.variant} size={58} first />
                    <Miniature move={line.move} variant={line.segment.variant} size={58} />
                  </span>
                  <Words told={line.told} />
                </div>
              )}
            </li>
          ),
        )}
      </ol>
      <p className="figures mt-2 text-lg font-bold">{clock(totalMs)} End</p>
      <GeneralCaution className="mt-2" />
    </main>
  );
}

function Words({ told: { opening, setup, stages, form, letGo, besides } }: { told: Told }) {
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
