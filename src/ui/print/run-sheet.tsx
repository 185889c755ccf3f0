import { kitOf, PHASE_NAMES, type Plan } from '@/core/class';
import { clock, shortSeconds } from '@/core/formats';
import {
  AREA_NAMES,
  type Area,
  doseLabel,
  inVariant,
  PROP_NAMES,
  SIDES_NAMES,
  strongAreas,
  variantText,
} from '@/core/move';
import { type Cue, OPENING, type Score, segmentRuns, segmentSpans } from '@/core/score';
import { GeneralCaution } from '../kit/caution';
import { FaceDial, FaceMark } from '../kit/face-dial';
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

/** What is said about a segment, each sentence once, in the order of its first round. */
function wordsOf(cues: readonly Cue[], kinds: readonly Cue['kind'][]): string[] {
  return [...new Set(cues.filter((c) => kinds.includes(c.kind)).map((c) => c.text))];
}

/** A class on one or two pages of A4, to be read at arm's length. */
export function RunSheet({ plan, score, moves, fill, back }: RunSheetProps) {
  const runs = segmentRuns(score);
  const spans = segmentSpans(score);
  const segments = new Map(
    Object.values(plan.phases).flatMap((blocks) =>
      blocks.flatMap((block) => block.segments.map((s) => [s.id, { segment: s, block }] as const)),
    ),
  );
  const kit = kitOf({ plan, moves });
  const told = new Set<string>();
  let phase = '';
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
          <h1 className="text-3xl font-bold">{plan.name}</h1>
          <p className="figures mt-1 text-xl">
            {clock(score.totalMs)} of {clock(score.slotMs)}
          </p>
          <p className="mt-1">
            <b>Kit:</b> clean hands
            {kit.length > 0 && `, ${kit.map((k) => PROP_NAMES[k]).join(', ')}`}
          </p>
        </div>
        <FaceDial size={120} fill={fill} label="Work by area of the face" />
      </header>
      <ol className="mt-3">
        {runs.map((run) => {
          const [first] = run.steps;
          const of = segments.get(run.segmentId);
          const move = moves.get(first.moveId);
          if (!of || !move) {
            const said = score.cues.filter((c) => score.steps[c.step] === first);
            return (
              <li key={first.id} className="sheet-line">
                <b className="figures">{clock(run.startMs)}</b>{' '}
                {run.segmentId === OPENING ? 'Opening' : 'Time for questions'}
                {said.map((c) => ` “${c.text}”`)}
              </li>
            );
          }
          const heading = first.phase !== phase ? PHASE_NAMES[first.phase] : null;
          phase = first.phase;
          const again = told.has(run.segmentId);
          told.add(run.segmentId);
          const { segment, block } = of;
          const steps = spans.get(run.segmentId)?.steps ?? [];
          const cues = score.cues.filter((c) => score.steps[c.step]?.segmentId === run.segmentId);
          const full = wordsOf(cues, ['setup']);
          const setup = full.length > 0 ? full : wordsOf(cues, ['short']);
          const stages = steps.find((s) => s.stages)?.stages ?? [];
          const opening = block.segments[0] === segment ? block.opening : undefined;
          const form = wordsOf(cues, ['form']);
          const letGo = wordsOf(cues, ['letGo', 'release']);
          const done = inVariant(move, segment.variant);
          const upbeat = steps.find((s) => s.kind === 'upbeat')?.durationMs ?? 0;
          return (
            <li key={first.id} className="sheet-line">
              {heading && <h2 className="sheet-phase">{heading}</h2>}
              <p className="flex items-baseline gap-2 text-lg leading-snug">
                <b className="figures w-14 shrink-0">{clock(run.startMs)}</b>
                <KindGlyph kind={move.kind} size={20} />
                <b className="flex-1">
                  {variantText(move, plan.language, segment.variant).name}
                  {segment.variant && ` (${segment.variant})`}
                </b>
                <span>
                  {doseLabel(segment.dose)}
                  {segment.rounds > 1 && ` × ${segment.rounds}`}
                  {block.order === 'circuit' && `, ${block.laps} laps`}
                  {block.order === 'alternating' && ', in turn'}
                  {segment.sides !== 'together' && `, ${SIDES_NAMES[segment.sides]}`}
                  {segment.uneven && `, ${segment.uneven.side} ${doseLabel(segment.uneven.dose)}`}
                </span>
                <b className="figures w-12 text-right">{clock(run.endMs - run.startMs)}</b>
              </p>
              {!again && (
                <div className="sheet-told">
                  <span className="sheet-frames">
                    <FaceMark move={move} variant={segment.variant} size={58} first />
                    <FaceMark move={move} variant={segment.variant} size={58} />
                  </span>
                  <p className="sheet-words">
                    {opening && <b>{opening} </b>}
                    {setup.join(' ')}
                    {stages.length > 0 && (
                      <b>
                        {' '}
                        {stages.map((s) => `${s.words} ${shortSeconds(s.durationMs)}`).join(' · ')}
                      </b>
                    )}
                    {form.length > 0 && <i> {form.join(' ')}</i>}
                    {letGo.length > 0 && <> {letGo.join(' ')}</>}
                    <span className="quiet">
                      {' '}
                      Works{' '}
                      {strongAreas(done)
                        .slice(0, 3)
                        .map((a) => AREA_NAMES[a])
                        .join(', ')}
                      ; upbeat {shortSeconds(upbeat)}
                      {segment.releaseSeconds > 0 && `, release ${segment.releaseSeconds} s`}.
                    </span>
                  </p>
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <p className="figures mt-2 text-lg font-bold">{clock(score.totalMs)} End</p>
      <GeneralCaution className="mt-2" />
    </main>
  );
}
