'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { z } from 'zod';
import { call, Refused, Unreachable } from '@/browser/api';
import { type Problem, problemsOf } from '@/core/class';
import { parseSeconds } from '@/core/formats';
import {
  AREA_NAMES,
  type Area,
  DEMAND_NAMES,
  DEMANDS,
  HEADS,
  KIND_NAMES,
  KINDS,
  type Move,
  moveSchema,
  PRESSURES,
  PROPS,
  PURPOSE_NAMES,
  PURPOSES,
  RELEASE_NAMES,
  RELEASES,
  SIDES,
  SIDES_NAMES,
} from '@/core/move';
import { DoseFields } from '../compose/dose-fields';
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';
import { FaceDial } from '../kit/face-dial';
import { MoveCautions } from '../kit/move-cautions';
import { Page } from '../kit/page';
import { copyOf, emptyMove, englishOf, nameOf, ownId, withEnglish } from './draft';

export interface MoveEditorProps {
  /** The move to begin from: one to copy or one of the studio's own to change. */
  from: Move | null;
  /** True where the move keeps its id, because it is being changed and not copied. */
  keepId: boolean;
  takenIds: string[];
}

const FIELD_NAMES: Record<string, string> = {
  'text.en.name': 'The name',
  'text.en.setup': 'The set-up',
  'text.en.short': 'The short reminder',
  'text.en.form': 'The form reminders',
  'text.en.letGo': 'The let-go',
  areas: 'The face',
};

function sentence({ field, message }: Problem): string {
  const name = Object.entries(FIELD_NAMES).find(([prefix]) => field.startsWith(prefix))?.[1];
  return `${name ?? field} ${message}.`;
}

const lines = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

/** Writes or changes a move of the studio's own. */
export function MoveEditor({ from, keepId, takenIds }: MoveEditorProps) {
  const router = useRouter();
  const [move, setMove] = useState<Move>(() => (from ? (keepId ? from : copyOf(from)) : emptyMove));
  const [problems, setProblems] = useState<string[]>([]);
  const [saving, setSaving] = useState(false);
  const change = (part: Partial<Move>) => setMove((m) => ({ ...m, ...part }));
  const english = englishOf(move);

  const save = async () => {
    const id = keepId && from ? from.id : ownId(nameOf(move), new Set(takenIds));
    const parsed = moveSchema.safeParse({ ...move, id });
    if (!parsed.success) {
      setProblems(problemsOf(parsed.error).map(sentence));
      return;
    }
    setSaving(true);
    try {
      await call('PUT', `/api/moves/${id}`, { move: parsed.data }, z.object({ id: z.string() }));
      router.push(`/moves/${id}`);
      router.refresh();
    } catch (error) {
      if (error instanceof Refused) setProblems([error.message]);
      else if (error instanceof Unreachable) {
        setProblems(['The server does not answer. What you wrote is still here; try again.']);
      } else throw error;
      setSaving(false);
    }
  };

  const toggleArea = (area: Area) => {
    const { [area]: weight, ...others } = move.areas;
    change({ areas: weight === undefined ? { ...others, [area]: 1 } : others });
  };

  return (
    <Page title={keepId ? 'Change your move' : 'A move of your own'}>
      <form
        className="grid gap-8 md:grid-cols-[18rem_minmax(0,1fr)]"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <div>
          <h2 className="text-lg font-semibold">Areas it works</h2>
          <FaceDial
            size={320}
            fill={move.areas}
            onToggle={toggleArea}
            label="Choose the areas the move works"
            className="mx-auto max-w-full"
          />
          <p className="quiet text-sm">
            {Object.keys(move.areas).length
              ? (Object.keys(move.areas) as Area[]).map((a) => AREA_NAMES[a]).join(', ')
              : 'Click on the face, or Tab to an area and press Enter.'}
          </p>
          <MoveCautions move={move} release={move.releaseSeconds ? move.release : undefined} />
        </div>
        <div className="grid gap-5">
          <TextLine
            label="Name"
            value={english.name}
            onChange={(name) => setMove((m) => withEnglish(m, { name }))}
          />
          <div className="flex flex-wrap gap-x-5 gap-y-3">
            <Choice
              label="Kind"
              value={move.kind}
              options={KINDS}
              names={KIND_NAMES}
              onChange={(kind) => change({ kind })}
            />
            <DoseFields
              dose={move.dose}
              onChange={(dose) => {
                const parsed = moveSchema.shape.dose.safeParse(dose);
                if (!parsed.success) return `This ${parsed.error.issues[0]?.message}.`;
                change({ dose, range: undefined });
                return null;
              }}
              onSettle={() => {}}
            />
            <Choice
              label="Sides"
              value={move.sides}
              options={SIDES}
              names={SIDES_NAMES}
              onChange={(sides) => change({ sides })}
            />
            <AmountField
              label="Rounds"
              value={move.rounds}
              onChange={(rounds) => {
                const parsed = moveSchema.shape.rounds.safeParse(rounds);
                if (!parsed.success) return 'Write a whole number from 1 to 10.';
                change({ rounds });
                return null;
              }}
            />
            <Choice
              label="Let go by"
              value={move.release}
              options={RELEASES}
              names={RELEASE_NAMES}
              onChange={(release) => change({ release })}
            />
            <AmountField
              label="Release"
              unit="s"
              value={move.releaseSeconds}
              parse={(text) => parseSeconds(text)}
              help="seconds, such as 8"
              onChange={(releaseSeconds) => {
                if (!moveSchema.shape.releaseSeconds.safeParse(releaseSeconds).success) {
                  return 'Write seconds from 0 to 60.';
                }
                change({ releaseSeconds });
                return null;
              }}
            />
          </div>
          <div className="flex flex-wrap gap-x-5 gap-y-3">
            <Choice
              label="Hands"
              value={move.hands}
              options={['free', 'light', 'firm']}
              onChange={(hands) => change({ hands })}
            />
            <Choice
              label="Pressure"
              value={move.pressure}
              options={PRESSURES}
              onChange={(pressure) => change({ pressure })}
            />
            <Choice
              label="Skin"
              value={move.surface}
              options={['either', 'dry', 'glide']}
              onChange={(surface) => change({ surface })}
            />
            <Choice
              label="Head"
              value={move.head}
              options={HEADS}
              onChange={(head) => change({ head })}
            />
          </div>
          <Checks
            label="It"
            all={DEMANDS}
            names={DEMAND_NAMES}
            chosen={move.demands}
            onChange={(demands) => change({ demands })}
          />
          <Checks
            label="Props"
            all={PROPS}
            chosen={move.props}
            onChange={(props) => change({ props })}
          />
          <Checks
            label="Good for"
            all={PURPOSES}
            names={PURPOSE_NAMES}
            chosen={move.purposes}
            onChange={(purposes) => change({ purposes })}
          />
          <TextArea
            label="Set-up, one cue a line"
            value={english.setup}
            onChange={(setup) => setMove((m) => withEnglish(m, { setup }))}
          />
          <TextLine
            label="Short reminder, before later rounds"
            value={english.short}
            onChange={(short) => setMove((m) => withEnglish(m, { short }))}
          />
          <TextArea
            label="Form reminders, at least three, one a line"
            value={english.form}
            onChange={(form) => setMove((m) => withEnglish(m, { form }))}
          />
          <TextLine
            label="Let go"
            value={english.letGo}
            onChange={(letGo) => setMove((m) => withEnglish(m, { letGo }))}
          />
          {problems.length > 0 && (
            <div role="alert">
              <ul className="text-error font-medium">
                {problems.map((problem) => (
                  <li key={problem}>{problem}</li>
                ))}
              </ul>
            </div>
          )}
          <button type="submit" className="btn btn-primary justify-self-start" disabled={saving}>
            Save the move
          </button>
        </div>
      </form>
    </Page>
  );
}

function TextLine({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <label className="grid gap-1">
      <span className="text-sm font-medium">{label}</span>
      <input
        className="input w-full"
        maxLength={240}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

function TextArea({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string[];
  onChange: (lines: string[]) => void;
}) {
  const [draft, setDraft] = useState(value.join('\n'));
  return (
    <label className="grid gap-1">
      <span className="text-sm font-medium">{label}</span>
      <textarea
        className="textarea w-full"
        rows={3}
        value={draft}
        onChange={(e) => {
          setDraft(e.target.value);
          onChange(lines(e.target.value));
        }}
      />
    </label>
  );
}

interface ChecksProps<T extends string> {
  label: string;
  all: readonly T[];
  names?: Record<T, string>;
  chosen: readonly T[];
  onChange: (chosen: T[]) => void;
}

function Checks<T extends string>({ label, all, names, chosen, onChange }: ChecksProps<T>) {
  return (
    <fieldset>
      <legend className="text-sm font-medium">{label}</legend>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1.5">
        {all.map((value) => (
          <label key={value} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={chosen.includes(value)}
              onChange={(e) =>
                onChange(e.target.checked ? [...chosen, value] : chosen.filter((c) => c !== value))
              }
            />
            {names?.[value] ?? value}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
