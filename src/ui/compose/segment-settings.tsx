'use client';

import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import {
  type Block,
  changeRound,
  pinCue,
  roundsOf,
  type Segment,
  segmentSchema,
  stageLasting,
} from '@/core/class';
import { parseSeconds } from '@/core/formats';
import type { Language } from '@/core/language';
import {
  doseBeats,
  doseLabel,
  hasVariant,
  inVariant,
  type Move,
  RELEASE_NAMES,
  RELEASES,
  SIDES,
  SIDES_NAMES,
  typeDose,
  VARIANTS,
  type Variant,
  variantText,
} from '@/core/move';
import type { Score, SegmentSpan, Step } from '@/core/score';
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';
import { DoseFields } from '../kit/dose-fields';
import { MoveCautions } from '../kit/move-cautions';
import { QuickField } from '../kit/quick-field';
import { type ComposeActions, useComposeActions } from './actions';
import { CueList } from './cue-list';
import { DoneAs } from './done-as';
import { SpokenFields, UnevenFields } from './spoken-fields';
import { StagesFields } from './stages-fields';
import { Tick } from './tick';
import { Timeline } from './timeline';

export interface SegmentSettingsProps {
  block: Block;
  segment: Segment;
  move: Move;
  language: Language;
  score: Score;
  span: SegmentSpan | undefined;
}

/** Everything about one segment: its time with every cue, its dose, rounds and words. */
export function SegmentSettings(props: SegmentSettingsProps) {
  const { block, segment, move, language, score, span } = props;
  const actions = useComposeActions();
  const name = variantText(move, language, undefined).name;
  const change = (c: (s: Segment) => Segment, key?: string) => actions.change(segment.id, c, key);
  /** Makes a change if the segment stays valid, else says in a sentence why not. */
  const attempt = (
    part: Partial<Segment>,
    key: string,
    by: ComposeActions['type'] = actions.change,
  ): string | null => {
    const parsed = segmentSchema.safeParse({ ...segment, ...part });
    if (!parsed.success) return `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
    by(segment.id, (s) => ({ ...s, ...part }), `${key} ${segment.id}`);
    return null;
  };
  const seconds = (label: string, field: 'releaseSeconds' | 'restSeconds') => (
    <AmountField
      label={label}
      value={segment[field]}
      unit="s"
      parse={(text) => parseSeconds(text)}
      help="seconds, such as 10"
      onChange={(n) => attempt({ [field]: n }, field, actions.type)}
      onSettle={actions.settle}
    />
  );
  const indexes = new Map(span?.steps.map((step) => [step, score.steps.indexOf(step)]));
  const cues = score.cues.filter((c) => score.steps[c.step]?.segmentId === segment.id);
  const cuesOf = (step: Step) => cues.filter((c) => c.step === indexes.get(step));
  return (
    <div className="border-base-300 border-t px-4 pt-3 pb-4">
      <Timeline
        steps={span?.steps ?? []}
        cuesOf={cuesOf}
        kind={move.kind}
        stageUnitMs={doseBeats(segment.dose).beatMs}
        onStage={(index, ms) =>
          change(
            (s) => ({
              ...s,
              stages: s.stages?.map((stage, i) =>
                i === index ? { ...stage, length: stageLasting(s.dose, ms) } : stage,
              ),
            }),
            `stage ${segment.id} ${index}`,
          )
        }
        onPin={(ref, at) => change((s) => pinCue(s, ref, at), `pin ${segment.id} ${ref}`)}
        onSettle={actions.settle}
      />
      <div className="mt-4 flex flex-wrap gap-x-5 gap-y-3">
        <DoseFields
          dose={segment.dose}
          onChange={(dose) => attempt({ dose }, 'dose', actions.type)}
          onSettle={actions.settle}
        />
        <Choice
          label="Sides"
          width="w-56"
          value={segment.sides}
          options={SIDES}
          names={SIDES_NAMES}
          onChange={(sides) => attempt({ sides }, 'sides')}
          onSettle={actions.settle}
        />
        <AmountField
          label="Rounds"
          value={segment.rounds}
          onChange={(n) => attempt({ rounds: n }, 'rounds', actions.type)}
          onSettle={actions.settle}
        />
        {VARIANTS.some((v) => hasVariant(move, v)) && (
          <Choice
            label="Version"
            width="w-36"
            value={segment.variant ?? ''}
            options={['' as const, ...VARIANTS.filter((v) => hasVariant(move, v))]}
            names={{ '': 'as usual' }}
            onChange={(variant) => attempt({ variant: variant || undefined }, 'variant')}
            onSettle={actions.settle}
          />
        )}
        <Choice
          label="Let go by"
          value={segment.release ?? ''}
          options={['' as const, ...RELEASES]}
          names={{ '': 'as usual', ...RELEASE_NAMES }}
          onChange={(release) => attempt({ release: release || undefined }, 'letGoBy')}
          onSettle={actions.settle}
        />
        {seconds('Release', 'releaseSeconds')}
        {seconds('Rest', 'restSeconds')}
      </div>
      <DoneAs segment={segment} move={move} />
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-1">
        <Tick
          label="Keep as it is when fitting"
          checked={segment.locked ?? false}
          onChange={(locked) => attempt({ locked: locked || undefined }, 'locked')}
        />
        <Tick
          label="May be left out when fitting"
          checked={segment.optional ?? false}
          onChange={(optional) => attempt({ optional: optional || undefined }, 'optional')}
        />
      </div>
      <UnevenFields segment={segment} attempt={attempt} />
      <Rounds block={block} segment={segment} move={move} onChange={change} />
      <StagesFields segment={segment} onChange={change} />
      <SpokenFields segment={segment} attempt={attempt} />
      <MoveCautions
        move={inVariant(move, segment.variant)}
        release={span?.steps.find((step) => step.release)?.release}
      />
      <details className="mt-4" open>
        <summary className="cursor-pointer font-medium">Cues</summary>
        <div className="mt-2">
          <CueList
            segment={segment}
            text={variantText(move, language, segment.variant)}
            cues={cues}
            leftOut={score.leftOut.filter((l) => l.segmentId === segment.id)}
            language={language}
            wordsPerMinute={score.wordsPerMinute}
            onChange={change}
            onType={(c, key) => actions.type(segment.id, c, key)}
            onSettle={actions.settle}
            onRecord={() => actions.record(segment.id)}
          />
        </div>
      </details>
      <div className="mt-4 flex flex-wrap gap-2">
        <KeyButton keys="Alt ↑" onClick={() => actions.shift(segment.id, -1)}>
          <ArrowUp size={16} aria-hidden /> Earlier
        </KeyButton>
        <KeyButton keys="Alt ↓" onClick={() => actions.shift(segment.id, 1)}>
          <ArrowDown size={16} aria-hidden /> Later
        </KeyButton>
        <KeyButton keys="Ctrl D" onClick={() => actions.duplicate(segment.id)}>
          <Copy size={16} aria-hidden /> Duplicate
        </KeyButton>
        <KeyButton keys="Del" onClick={() => actions.remove(segment.id)}>
          <Trash2 size={16} aria-hidden /> Remove <span className="sr-only">{name}</span>
        </KeyButton>
      </div>
    </div>
  );
}

export interface KeyButtonProps {
  keys?: string;
  onClick: () => void;
  disabled?: boolean;
  children: React.ReactNode;
}

/** A small button that shows its key. */
export function KeyButton({ keys, onClick, disabled, children }: KeyButtonProps) {
  return (
    <button type="button" className="btn btn-sm" onClick={onClick} disabled={disabled}>
      {children}
      {keys && (
        <span className="key-cap" aria-hidden>
          {keys}
        </span>
      )}
    </button>
  );
}

interface RoundsProps {
  block: Block;
  segment: Segment;
  move: Move;
  onChange: (change: (segment: Segment) => Segment, key?: string) => void;
}

/** What single rounds do differently: another dose, another version. */
function Rounds({ block, segment, move, onChange }: RoundsProps) {
  const actions = useComposeActions();
  const count = roundsOf(block, segment);
  if (count < 2) return null;
  const versions = VARIANTS.filter((v) => hasVariant(move, v));
  return (
    <details className="mt-3" open={(segment.byRound?.length ?? 0) > 0}>
      <summary className="cursor-pointer font-medium">Rounds of their own</summary>
      <table className="mt-2">
        <caption className="sr-only">Dose and version of each round</caption>
        <thead className="text-left text-sm">
          <tr>
            <th scope="col" className="pr-4 font-medium">
              Round
            </th>
            <th scope="col" className="pr-4 font-medium">
              Dose
            </th>
            <th scope="col" className="font-medium">
              Version
            </th>
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: count }, (_, i) => i + 1).map((round) => {
            const own = segment.byRound?.[round - 1] ?? {};
            const dose = own.dose ?? segment.dose;
            return (
              <tr key={round}>
                <td className="figures pr-4">{round}</td>
                <td className="py-0.5 pr-4">
                  <QuickField
                    label={`Dose of round ${round}`}
                    value={doseLabel(dose)}
                    onType={(text) => {
                      if (text === doseLabel(dose)) return null;
                      const typed = typeDose(text, dose);
                      if (!typed.ok) return typed.message;
                      const key = `dose ${segment.id} ${round}`;
                      onChange((s) => changeRound(s, round, { ...own, dose: typed.dose }), key);
                      return null;
                    }}
                    onSettle={actions.settle}
                  />
                </td>
                <td>
                  <select
                    aria-label={`Version of round ${round}`}
                    className="select select-sm w-36"
                    value={own.variant ?? ''}
                    onChange={(e) =>
                      onChange((s) =>
                        changeRound(s, round, {
                          ...own,
                          variant: (e.target.value || undefined) as Variant | undefined,
                        }),
                      )
                    }
                  >
                    <option value="">as the others</option>
                    {versions.map((v) => (
                      <option key={v}>{v}</option>
                    ))}
                  </select>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {segment.byRound && (
        <button
          type="button"
          className="btn btn-sm mt-1"
          onClick={() => onChange(({ byRound: _, ...s }) => s)}
        >
          All rounds alike
        </button>
      )}
    </details>
  );
}
