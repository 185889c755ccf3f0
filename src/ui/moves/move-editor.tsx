'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { type Resolver, useForm, useWatch } from 'react-hook-form';
import { ask, Refused, toldOf } from '@/browser/api';
import { CALLS } from '@/core/calls';
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
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';
import { DoseFields } from '../kit/dose-fields';
import { FaceDial } from '../kit/face-dial';
import { Wrong } from '../kit/form';
import { MoveCautions } from '../kit/move-cautions';
import { Page } from '../kit/page';
import { Checks, TextArea, TextLine } from './editor-fields';
import { LooksEditor } from './looks-editor';
import { copyOf, emptyMove, nameOf, ownId } from './new-move';

export interface MoveEditorProps {
  /** The move to begin from: one to copy or one of the studio's own to change. */
  from: Move | null;
  /** True where the move keeps its id, because it is being changed and not copied. */
  keepId: boolean;
  takenIds: string[];
  /** Moves whose pictures one can begin from. */
  others: readonly { id: string; name: string }[];
}

/** What a field is called in a sentence that says what is wrong with it. */
const SUBJECTS = {
  areas: 'The face',
  'text.en.name': 'The name',
  'text.en.setup': 'The set-up',
  'text.en.short': 'The short reminder',
  'text.en.form': 'The form reminders',
  'text.en.letGo': 'The let-go',
} as const;
type Field = keyof typeof SUBJECTS;
const FIELDS = Object.keys(SUBJECTS) as Field[];

interface Wrongness {
  /** Where it is, as in `text.en.form.1`. */
  path: string;
  message: string;
}

/** All that is wrong within the errors of a form. */
function wrongIn(errors: object, at: readonly string[] = []): Wrongness[] {
  if ('message' in errors && typeof errors.message === 'string') {
    return [{ path: at.join('.'), message: errors.message }];
  }
  return Object.entries(errors).flatMap(([key, within]) =>
    key === 'ref' || typeof within !== 'object' || within === null
      ? []
      : wrongIn(within, [...at, key]),
  );
}

const isWithin = (path: string, field: Field): boolean =>
  path === field || path.startsWith(`${field}.`);

/** Writes or changes a move of the studio's own. */
export function MoveEditor({ from, keepId, takenIds, others }: MoveEditorProps) {
  const router = useRouter();
  const form = useForm<Move>({
    defaultValues: from ? (keepId ? from : copyOf(from)) : emptyMove,
    resolver: zodResolver(moveSchema) as Resolver<Move>,
  });
  const { control, formState, register, setError, setValue } = form;
  const { errors, isSubmitting, isSubmitSuccessful } = formState;
  const move = useWatch({ control }) as Move;
  const change = (part: Partial<Move>) => {
    for (const [field, value] of Object.entries(part)) {
      setValue(field as keyof Move, value as never, { shouldValidate: formState.isSubmitted });
    }
  };
  const all = wrongIn(errors);
  const problem = (field: Field): string | undefined => {
    const found = all.find(({ path }) => isWithin(path, field));
    return found && `${SUBJECTS[field]} ${found.message}.`;
  };
  /** What is wrong in a field that has no place of its own here, as a copied move may bring along. */
  const elsewhere = all.flatMap(({ path, message }) => {
    if (path === 'root') return message;
    return FIELDS.some((field) => isWithin(path, field)) ? [] : `${path} ${message}.`;
  });

  const taken = useRef(new Set(takenIds));
  /** What it is to be saved over; anything, once somebody knows that it is another one by now. */
  const was = useRef<Move | null | undefined>(keepId ? from : null);
  const save = form.handleSubmit(async (written) => {
    const id = keepId && from ? from.id : ownId(nameOf(written), taken.current);
    try {
      await ask(CALLS.saveMove, { id, body: { move: { ...written, id }, was: was.current } });
      router.push(`/moves/${id}`);
      router.refresh();
    } catch (error) {
      if (error instanceof Refused && error.code === 'move-changed') was.current = undefined;
      if (error instanceof Refused && error.code === 'move-there') taken.current.add(id);
      setError('root', { message: toldOf(error, 'What you wrote is still here.') });
    }
  });

  const toggleArea = (area: Area) => {
    const { [area]: weight, ...others } = move.areas;
    change({ areas: weight === undefined ? { ...others, [area]: 1 } : others });
  };

  return (
    <Page title={keepId ? 'Change your move' : 'A move of your own'}>
      <form className="grid gap-8 md:grid-cols-[18rem_minmax(0,1fr)]" noValidate onSubmit={save}>
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
          <Wrong says={problem('areas')} />
          <MoveCautions move={move} release={move.releaseSeconds ? move.release : undefined} />
        </div>
        <div className="grid gap-5">
          <TextLine label="Name" wrong={problem('text.en.name')} {...register('text.en.name')} />
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
            wrong={problem('text.en.setup')}
            control={control}
            name="text.en.setup"
          />
          <TextLine
            label="Short reminder, before later rounds"
            wrong={problem('text.en.short')}
            {...register('text.en.short')}
          />
          <TextArea
            label="Form reminders, at least three, one a line"
            wrong={problem('text.en.form')}
            control={control}
            name="text.en.form"
          />
          <TextLine
            label="Let go"
            wrong={problem('text.en.letGo')}
            {...register('text.en.letGo')}
          />
          <LooksEditor
            looks={move.looks}
            onChange={(looks) => change({ looks })}
            moves={others}
            move={move}
          />
          {elsewhere.map((says) => (
            <Wrong key={says} says={says} />
          ))}
          <button
            type="submit"
            className="btn btn-primary justify-self-start"
            disabled={isSubmitting || isSubmitSuccessful}
          >
            Save the move
          </button>
        </div>
      </form>
    </Page>
  );
}
