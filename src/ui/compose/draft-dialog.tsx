'use client';

import { useEffect, useRef, useState } from 'react';
import type { Assistant, KnownSpeech } from '@/browser/assistant';
import { type Plan, placedSegments, type Rules, resolve } from '@/core/class';
import { draftMoves } from '@/core/draft';
import { wordsIn } from '@/core/follow/words';
import { clock } from '@/core/formats';
import type { Move } from '@/core/move';
import { sheetWordsIn } from '@/core/run-sheet/words';
import { amountOf, type Book, lengthOf, printVariant, variantsDone } from '@/core/score';
import { Dialog } from '../kit/dialog';
import { Miniature } from '../kit/face-dial';
import { KindGlyph } from '../kit/kind-glyph';
import { AimFields } from './aim-fields';
import type { Room } from './room';
import type { MeasuredScore } from './use-score';

export interface DraftDialogProps {
  plan: Plan;
  moves: readonly Move[];
  room: Room;
  speech: KnownSpeech;
  measure: MeasuredScore['measure'];
  book: Book;
  nameOf: (moveId: string) => string;
  assistant: Assistant;
  onAccept: (plan: Plan) => void;
  onClose: () => void;
}

interface Shown {
  plan: Plan;
  reasons: ReadonlyMap<string, string>;
  notes: readonly string[];
  lengthMs: number;
  /** The length is the one of the real voice. */
  measured: boolean;
}

type State =
  | { kind: 'asking' }
  | { kind: 'working'; share: number; words: string }
  | { kind: 'shown'; shown: Shown }
  | { kind: 'none'; message: string; missing: readonly string[] };

/** Drafts a class from what it is for and who is booked. Nothing changes until the draft is taken. */
export function DraftDialog(props: DraftDialogProps) {
  const { plan, moves, room, nameOf, book, assistant, onAccept, onClose } = props;
  const [aim, setAim] = useState(plan.aim);
  const [rules, setRules] = useState(plan.rules);
  const [kit, setKit] = useState(plan.kit);
  const [state, setState] = useState<State>({ kind: 'asking' });
  const before = useRef<string[][]>([]);
  const turn = useRef(0);
  useEffect(
    () => () => {
      turn.current++;
      assistant.cancel();
    },
    [assistant],
  );

  const work = async () => {
    setState({ kind: 'working', share: 0, words: 'Looking at who is booked' });
    const wish = {
      name: plan.name,
      slotSeconds: plan.slotSeconds,
      language: plan.language,
      aim,
      kit,
      rules,
      people: room.people,
      recent: room.recent,
      shown: before.current,
      seed: before.current.length + 1,
    };
    const mine = ++turn.current;
    const found = await assistant.ask(
      { kind: 'draft', wish, moves, speech: props.speech },
      (share, words) => setState({ kind: 'working', share, words }),
    );
    if (mine !== turn.current) return;
    if (found.kind === 'drafted') {
      before.current = [...before.current, draftMoves(found.plan)];
      await settle(
        {
          ...found.plan,
          ...(plan.second && { second: plan.second }),
          ...(plan.music && { music: plan.music }),
        },
        found,
      );
    } else {
      setState({
        kind: 'none',
        message:
          found.kind === 'failed'
            ? `The draft did not work: ${found.message}`
            : 'No class fits all of that. Give it another slot, more kit, or another aim.',
        missing: found.kind === 'none' ? found.missing : [],
      });
    }
  };
  /** Shows a draft at once, and brings it to its slot again when the voice has told how long it speaks. */
  const settle = async (drafted: Plan, { reasons, notes }: Pick<Shown, 'reasons' | 'notes'>) => {
    const mine = turn.current;
    const show = (of: Pick<Shown, 'plan' | 'lengthMs' | 'measured'>) =>
      setState({ kind: 'shown', shown: { ...of, reasons, notes } });
    show({ plan: drafted, lengthMs: lengthOf(drafted, props.book), measured: false });
    const first = await props.measure(drafted);
    const speech = { ...props.speech, lengths: first.lengths };
    if (mine !== turn.current) return;
    const fitted = await assistant.ask({
      kind: 'fit',
      plan: drafted,
      moves,
      speech,
      refused: [],
      people: room.people,
      sessionsAWeek: room.sessionsAWeek,
    });
    if (mine !== turn.current) return;
    const exact = fitted.kind === 'fits' ? fitted.plan : drafted;
    const { ms } = await props.measure(exact);
    if (mine === turn.current) show({ plan: exact, lengthMs: ms, measured: true });
  };
  const cancel = () => {
    turn.current++;
    assistant.cancel();
    setState({ kind: 'asking' });
  };
  const carrying = room.people.filter((p) => p.cautions.length > 0).length;
  const working = state.kind === 'working';
  return (
    <Dialog
      title="Draft a class for me"
      onClose={onClose}
      wide
      actions={
        <>
          {state.kind === 'shown' && (
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => onAccept(state.shown.plan)}
            >
              Take this draft
            </button>
          )}
          {working ? (
            <button type="button" className="btn" onClick={cancel}>
              Stop
            </button>
          ) : (
            <button
              type="button"
              className={state.kind === 'shown' ? 'btn' : 'btn btn-primary'}
              onClick={work}
            >
              {state.kind === 'shown' ? 'Another' : 'Draft it'}
            </button>
          )}
        </>
      }
    >
      <div className="grid gap-6 md:grid-cols-[16rem_minmax(0,1fr)]">
        <div>
          <AimFields
            aim={aim}
            rules={rules}
            kit={kit}
            onAim={setAim}
            onRules={(part) => setRules((r): Rules => ({ ...r, ...part }))}
            onKit={setKit}
          />
        </div>
        <div>
          {state.kind === 'asking' && (
            <p>
              A class of {clock(plan.slotSeconds * 1000)} for{' '}
              {room.people.length === 0
                ? 'whoever comes; nobody is booked yet'
                : room.people.length === 1
                  ? 'the one person booked'
                  : `the ${room.people.length} people booked`}
              .{' '}
              {carrying > 0 &&
                `${carrying} of them ${carrying === 1 ? 'carries' : 'carry'} a caution, which the draft keeps to. `}
              It leaves out what the last two sessions did where it can.
            </p>
          )}
          {working && (
            <div role="status">
              <p>{state.words} …</p>
              <progress
                className="progress progress-secondary w-full"
                max={1}
                value={state.share}
              />
            </div>
          )}
          {state.kind === 'none' && (
            <div role="alert">
              <p>{state.message}</p>
              {state.missing.length > 0 && (
                <ul className="quiet mt-1 list-disc pl-5">
                  {state.missing.map((what) => (
                    <li key={what}>{what}</li>
                  ))}
                </ul>
              )}
            </div>
          )}
          {state.kind === 'shown' && <DraftList shown={state.shown} book={book} nameOf={nameOf} />}
        </div>
      </div>
    </Dialog>
  );
}

function DraftList({
  shown,
  book,
  nameOf,
}: { shown: Shown } & Pick<DraftDialogProps, 'book' | 'nameOf'>) {
  const lines = placedSegments(shown.plan);
  const spoken = { phrases: book.phrases('en'), words: sheetWordsIn('en').amount };
  return (
    <>
      <p role="status" className="mb-2">
        <b className="figures">{clock(shown.lengthMs)}</b>, {lines.length} segments
        {!shown.measured && <span className="quiet"> · still measuring the voice</span>}
      </p>
      {shown.notes.length > 0 && (
        <ul className="border-accent mb-2 border-l-4 pl-3" aria-label="To know before you take it">
          {shown.notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
      <ol className="divide-base-300 divide-y" aria-label="The draft">
        {variantsDone(resolve(shown.plan, book)).map(({ turn, doses }) => {
          const { move, segment, variant } = turn;
          return (
            <li key={printVariant(turn)} className="flex items-start gap-3 py-1.5">
              <KindGlyph kind={move.kind} size={26} />
              <Miniature move={move} variant={variant} size={44} />
              <span className="min-w-0 flex-1">
                <span className="font-medium">
                  {nameOf(move.id)}
                  {variant && ` (${wordsIn('en').variant[variant]})`}
                </span>{' '}
                <span className="quiet text-sm">{amountOf(turn, spoken, { doses })}</span>
                <span className="quiet block text-sm">{shown.reasons.get(segment.id)}</span>
              </span>
            </li>
          );
        })}
      </ol>
    </>
  );
}
