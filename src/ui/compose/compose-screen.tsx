'use client';

import { PHRASES } from '@library/phrases';
import { Play, Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, useTransition } from 'react';
import { toast } from 'sonner';
import {
  addSegment,
  hasSegments,
  type Plan,
  phaseFor,
  placedSegments,
  planSchema,
  segmentOf,
} from '@/core/class';
import { clock, parseSeconds } from '@/core/formats';
import { type Move, moveText } from '@/core/move';
import { type Book, type Totals as ScoreTotals, segmentSpans } from '@/core/score';
import { AmountField } from '../kit/amount-field';
import { Ribbon } from '../kit/ribbon';
import { BalancePanel } from './balance-panel';
import { NotesPanel } from './notes-panel';
import { RulesPanel } from './rules-panel';
import { RunningOrder } from './running-order';
import { SaveLine } from './save-line';
import { Shelf } from './shelf';
import { useAutosave } from './use-autosave';
import { type Editing, useHistory } from './use-history';
import { useScore } from './use-measured-speech';

export interface ComposeScreenProps {
  classId: string;
  initial: Plan;
  version: number;
  library: Move[];
  lead: () => Promise<void>;
}

/** An id of its own for a new segment, the smallest number that is free. */
function freeId(plan: Plan): string {
  const taken = new Set(placedSegments(plan).map((p) => p.segment.id));
  let n = taken.size + 1;
  while (taken.has(`s${n}`)) n++;
  return `s${n}`;
}

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** The place where a class is put together. */
export function ComposeScreen({ classId, initial, version, library, lead }: ComposeScreenProps) {
  const editing = useHistory(initial);
  const { plan, edit, undo, redo, settle } = editing;
  const [selected, setSelected] = useState<string | null>(null);
  const autosave = useAutosave(classId, plan, version);
  const searchRef = useRef<HTMLInputElement>(null);

  const book = useMemo((): Book => {
    const byId = new Map([...library, ...(plan.moves ?? [])].map((m) => [m.id, m]));
    return { move: (id) => byId.get(id), phrases: (language) => PHRASES[language] };
  }, [library, plan.moves]);
  const score = useScore(plan, book);
  const spans = useMemo(() => segmentSpans(score), [score]);
  const segments = useMemo(
    () => new Map(placedSegments(plan).map((p) => [p.segment.id, p])),
    [plan],
  );
  const nameOf = (segmentId: string) => {
    const move = book.move(segments.get(segmentId)?.segment.move ?? '');
    return move ? moveText(move, plan.language).name : '';
  };

  const add = (move: Move) => {
    const segment = segmentOf(move, freeId(plan));
    const phase = phaseFor(move);
    const at = segments.get(selected ?? '');
    const index = at?.phase === phase ? plan.phases[phase].indexOf(at.block) + 1 : undefined;
    edit((p) => addSegment(p, segment, phase, index));
    setSelected(segment.id);
  };

  const select = (segmentId: string) => {
    setSelected(segmentId);
    document.getElementById(`segment-${segmentId}`)?.focus();
  };

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && key === 'z') (event.shiftKey ? redo : undo)();
      else if (command && key === 'y') redo();
      else if (key === '/' && !typing(event.target)) searchRef.current?.focus();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [undo, redo]);

  return (
    <main className="mx-auto w-full max-w-[100rem] px-4 py-4 sm:px-6">
      <h1 className="sr-only">Compose {plan.name}</h1>
      <ComposeHeader
        editing={editing}
        totalMs={score.totalMs}
        lead={async () => {
          if (!hasSegments(plan)) {
            toast.error('This class is still empty. Add a move from the shelf first.');
          } else if (await autosave.flush()) await lead();
          else
            toast.error(
              'The class could not be saved yet, so it cannot be led. Try again in a moment.',
            );
        }}
        saveLine={<SaveLine autosave={autosave} replace={editing.replace} />}
      />
      <Totals totals={score.totals} speech={score.speech} />
      <div className="my-4">
        <Ribbon score={score} moveOf={book.move} selected={selected} onSelect={select} />
      </div>
      <div className="grid gap-6 lg:grid-cols-[15rem_minmax(0,1fr)_16.5rem]">
        <div className="max-lg:order-2">
          <Shelf moves={library} onAdd={add} searchRef={searchRef} />
        </div>
        <div className="max-lg:order-1">
          {!hasSegments(plan) && (
            <p className="border-base-300 rounded-box mb-3 border border-dashed p-4">
              Your class will stand here line by line. Find a move on the shelf and press Enter to
              add it; it goes to the phase it belongs to.
            </p>
          )}
          <RunningOrder
            editing={editing}
            moveOf={book.move}
            spans={spans}
            selected={selected}
            onSelect={setSelected}
          />
        </div>
        <div className="max-lg:order-3">
          <BalancePanel score={score} moveOf={book.move} />
          <NotesPanel score={score} nameOf={nameOf} onSelect={select} />
          <RulesPanel plan={plan} edit={edit} settle={settle} />
        </div>
      </div>
    </main>
  );
}

function ComposeHeader({
  editing,
  totalMs,
  lead,
  saveLine,
}: {
  editing: Editing;
  totalMs: number;
  lead: () => Promise<void>;
  saveLine: React.ReactNode;
}) {
  const { plan, edit, settle, undo, redo, canUndo, canRedo } = editing;
  const [leading, startLeading] = useTransition();
  const slotMs = plan.slotSeconds * 1000;
  const spare = slotMs - totalMs;
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
      <div className="min-w-60 flex-1">
        <NameField
          name={plan.name}
          onChange={(name) => edit((p) => ({ ...p, name }), 'name')}
          onSettle={settle}
        />
        {saveLine}
      </div>
      <section className="w-56" aria-label="Length">
        <p className="flex items-baseline justify-between">
          <span className="figures text-3xl font-bold" data-testid="length">
            {clock(totalMs)}
          </span>
          <span className={spare < 0 ? 'text-error font-semibold' : 'quiet'}>
            {spare < 0 ? `${clock(-spare)} over` : `${clock(spare)} spare`}
          </span>
        </p>
        <progress
          className={`progress mt-1 w-full ${spare < 0 ? 'progress-error' : 'progress-secondary'}`}
          max={slotMs}
          value={Math.min(slotMs, totalMs)}
          aria-label="Length within the slot"
        />
      </section>
      <AmountField
        label="Slot"
        unit="min"
        value={plan.slotSeconds / 60}
        parse={(text) => parseSeconds(text, 'min')}
        help="minutes, such as 20"
        onChange={(seconds) => {
          const parsed = planSchema.shape.slotSeconds.safeParse(Math.round(seconds));
          if (!parsed.success) return 'Write a slot from 1 to 240 minutes.';
          edit((p) => ({ ...p, slotSeconds: parsed.data }), 'slot');
          return null;
        }}
        onSettle={settle}
      />
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-outline"
          onClick={undo}
          disabled={!canUndo}
          aria-keyshortcuts="Control+Z"
        >
          <Undo2 size={18} aria-hidden /> Undo{' '}
          <span className="key-cap max-xl:hidden" aria-hidden>
            Ctrl Z
          </span>
        </button>
        <button
          type="button"
          className="btn btn-outline"
          onClick={redo}
          disabled={!canRedo}
          aria-keyshortcuts="Control+Shift+Z"
        >
          <Redo2 size={18} aria-hidden /> Redo
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={leading}
          onClick={() => startLeading(lead)}
        >
          <Play size={18} aria-hidden /> Lead class
        </button>
      </div>
    </div>
  );
}

function NameField({
  name,
  onChange,
  onSettle,
}: {
  name: string;
  onChange: (name: string) => void;
  onSettle: () => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const empty = draft !== null && draft.trim() === '';
  return (
    <div>
      <input
        aria-label="Name of the class"
        maxLength={80}
        value={draft ?? name}
        aria-invalid={empty}
        onChange={(e) => {
          setDraft(e.target.value);
          if (e.target.value.trim()) onChange(e.target.value.trim());
        }}
        onBlur={() => {
          if (!empty) setDraft(null);
          onSettle();
        }}
        className="font-display hover:border-base-300 w-full rounded-lg border border-transparent bg-transparent text-2xl font-bold sm:text-3xl"
      />
      {empty && (
        <p role="alert" className="text-error text-sm">
          Give the class a name; until then it keeps “{name}”.
        </p>
      )}
    </div>
  );
}

function Totals({ totals, speech }: { totals: ScoreTotals; speech: string }) {
  const rest = totals.releaseMs + totals.restMs;
  const parts: [string, number, string][] = [
    ['Work', totals.workMs, 'work'],
    ['Upbeats and switches', totals.upbeatMs + totals.switchMs, 'upbeat'],
    ['Release and rest', rest, 'rest'],
    ['Talk', totals.talkMs, 'talk'],
  ];
  return (
    <div className="mt-3 flex flex-wrap items-baseline gap-x-6 gap-y-1">
      <dl className="flex flex-wrap gap-x-6 gap-y-1">
        {parts.map(([name, ms, key]) => (
          <div key={key} className="flex items-baseline gap-2">
            <dt className="quiet text-sm">{name}</dt>
            <dd className="figures font-semibold" data-testid={`total-${key}`}>
              {clock(ms)}
            </dd>
          </div>
        ))}
      </dl>
      <div className="quiet text-sm">
        {speech === 'measured'
          ? 'Speech measured in the voice of this machine'
          : 'Speech estimated'}
      </div>
    </div>
  );
}
