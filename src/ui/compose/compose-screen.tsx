'use client';

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import { PHRASES } from '@library/phrases';
import { Sparkles } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Checked, check, type Finding, repaired } from '@/core/checks';
import {
  addSegment,
  duplicateSegments,
  freeSegmentIds,
  groupSegments,
  hasSegments,
  type Plan,
  pasteSegments,
  phaseFor,
  placedSegments,
  removeSegments,
  segmentOf,
  shiftBlocks,
  updateSegment,
} from '@/core/class';
import { type Area, type Move, moveText, strongAreas } from '@/core/move';
import { type Book, type Score, segmentSpans, stepAt } from '@/core/score';
import { Ribbon } from '../kit/ribbon';
import { RecordDialog } from '../voice/record-dialog';
import { type ComposeActions, ComposeActionsProvider } from './actions';
import { type KnownSpeech, useAssistant } from './assistant';
import { BalancePanel } from './balance-panel';
import { ChecksPanel, type Refused } from './checks-panel';
import { copiedSegments, copySegments } from './clipboard';
import { ComposeHeader } from './compose-header';
import { DraftDialog } from './draft-dialog';
import { FitDialog } from './fit-dialog';
import { HistoryDialog } from './history-dialog';
import { dropped, landed } from './landing';
import { RehearseBar } from './rehearse-bar';
import type { Room } from './room';
import { RulesPanel } from './rules-panel';
import { RunningOrder } from './running-order';
import { SaveLine } from './save-line';
import { SelectionBar } from './selection-bar';
import { Shelf } from './shelf';
import { Totals } from './totals';
import { useAutosave } from './use-autosave';
import { useChanged } from './use-changed';
import { useHistory } from './use-history';
import { useRehearsal } from './use-rehearsal';
import { useScore } from './use-score';
import { useSelection } from './use-selection';
import { useSettled } from './use-settled';

export interface ComposeScreenProps {
  classId: string;
  initial: Plan;
  version: number;
  library: Move[];
  room: Room;
  /** How much this teacher talks, and from how many classes that was learned. */
  talk: { factor: number; classes: number };
  lead: () => Promise<void>;
}

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** Stable, or every line would be drawn anew at each keystroke. */
const POINTER = { activationConstraint: { distance: 5 } };
const KEYBOARD = { coordinateGetter: sortableKeyboardCoordinates };

/** A dialog; the recorder is opened for one segment, or for the whole class. */
type Opened = 'fit' | 'draft' | 'history' | { record: string | null } | null;

/** The place where a class is put together. */
export function ComposeScreen(props: ComposeScreenProps) {
  const { classId, initial, version, library, room, talk, lead } = props;
  const editing = useHistory(initial);
  const { plan, edit, undo, redo, settle, replace } = editing;
  const selection = useSelection();
  const [opened, setOpened] = useState<Opened>(null);
  const [refused, setRefused] = useState<(Refused & { plan: Plan }) | null>(null);
  const assistant = useAssistant();
  const autosave = useAutosave(classId, plan, version, replace);
  const searchRef = useRef<HTMLInputElement>(null);

  const moves = useMemo(() => [...library, ...(plan.moves ?? [])], [library, plan.moves]);
  const book = useMemo((): Book => {
    const byId = new Map(moves.map((m) => [m.id, m]));
    return { move: (id) => byId.get(id), phrases: (language) => PHRASES[language] };
  }, [moves]);
  const met = useMemo(() => room.people.map((p) => p.met), [room.people]);
  const { score, lengths, compileAlso, measure, measureAgain } = useScore(
    plan,
    book,
    met,
    talk.factor,
  );
  const rehearsal = useRehearsal(score);
  const changed = useChanged(plan);
  // What is typed and how long the class then is are shown at once; ribbon, balance and checks follow
  // in the next pause.
  const seen = useSettled(useMemo(() => ({ plan, score }), [plan, score]));
  const spans = useMemo(() => segmentSpans(seen.score), [seen]);
  const used = [...new Set(placedSegments(seen.plan).map((p) => p.segment.move))].sort().join(' ');
  const inClass = useMemo(() => new Set(used.split(' ')), [used]);
  const checked = useMemo(
    (): Checked => ({
      ...seen,
      book,
      shelf: library,
      people: room.people,
      sessionsAWeek: room.sessionsAWeek,
      compile: compileAlso,
    }),
    [seen, book, library, room, compileAlso],
  );
  const findings = useMemo(() => check(checked), [checked]);

  const nameOf = useCallback(
    (moveId: string) => {
      const move = book.move(moveId);
      return move ? moveText(move, plan.language).name : '';
    },
    [book, plan.language],
  );

  // Lines act on the newest state without being drawn anew for it.
  const latest = useRef({ plan, selection, rehearsal, checked });
  latest.current = { plan, selection, rehearsal, checked };
  const actions = useMemo((): ComposeActions => {
    const concerned = (id: string) => {
      const { ids } = latest.current.selection;
      return ids.includes(id) ? ids : [id];
    };
    return {
      edit,
      settle,
      change: (id, change, key) => edit((p) => updateSegment(p, id, change), key),
      open: (id) => {
        const { open, set } = latest.current.selection;
        set(open === id ? [] : [id]);
      },
      toggle: (id) => latest.current.selection.toggle(id),
      reach: (id) => {
        const order = placedSegments(latest.current.plan).map((p) => p.segment.id);
        latest.current.selection.reach(id, order);
      },
      remove: (id) => {
        const ids = concerned(id);
        edit((p) => removeSegments(p, ids));
        latest.current.selection.set([]);
      },
      shift: (id, direction) => {
        const ids = concerned(id);
        edit((p) => shiftBlocks(p, ids, direction));
      },
      record: (id) => setOpened({ record: id }),
      duplicate: (id) => {
        const ids = concerned(id);
        edit((p) => duplicateSegments(p, ids));
      },
    };
  }, [edit, settle]);

  const add = useCallback(
    (move: Move) => {
      const { plan: now, selection: chosen } = latest.current;
      const [id = 's'] = freeSegmentIds(now, 1);
      const phase = phaseFor(move);
      const at = placedSegments(now).find((p) => p.segment.id === chosen.ids.at(-1));
      const index = at?.phase === phase ? now.phases[phase].indexOf(at.block) + 1 : undefined;
      edit((p) => addSegment(p, segmentOf(move, id), phase, index));
      chosen.set([id]);
    },
    [edit],
  );

  const select = useCallback((ids: readonly string[]) => {
    latest.current.selection.set(ids);
    const [first] = ids;
    if (first) document.getElementById(`segment-${first}`)?.focus();
  }, []);

  const onRibbon = useCallback(
    (segmentId: string, atMs: number) => {
      select([segmentId]);
      const { on, jump } = latest.current.rehearsal;
      if (on) jump(atMs);
    },
    [select],
  );

  const repair = useCallback(
    (finding: Finding) => {
      const { plan: now, checked: seenLast } = latest.current;
      const done = repaired({ ...seenLast, plan: now, score: seenLast.compile(now) }, finding);
      if (done.kind === 'refused') {
        const [first] = done.because;
        const why = first
          ? `Nothing was changed: this would bring up “${first.says}”. Make room for it, or change it by hand.`
          : 'Nothing was changed: there is no repair for this any more.';
        setRefused({ key: finding.key, why, plan: now });
        return;
      }
      setRefused(null);
      edit(() => done.plan);
      if (done.label !== finding.repair?.label) {
        toast.info(
          `“${finding.repair?.label}” would have raised something else. Done instead: ${done.label}.`,
        );
      }
    },
    [edit],
  );
  const openFit = useCallback(() => setOpened('fit'), []);

  /** From the selected segment, or from where the last rehearsal stood. */
  const rehearse = () => rehearsal.begin(spans.get(selection.ids[0] ?? '')?.startMs);

  const group = (order: 'circuit' | 'alternating') => {
    const { ids } = selection;
    if (ids.length < 2) return;
    edit((p) => groupSegments(p, ids, order));
  };

  const copy = () => {
    const n = copySegments(plan, selection.ids);
    toast.success(
      `${n} copied. Ctrl V puts ${n === 1 ? 'it' : 'them'} into this class or another.`,
    );
  };
  const paste = () => {
    const copied = copiedSegments();
    if (copied.segments.length === 0) {
      toast.info('Nothing is copied yet. Select segments and press Ctrl C.');
      return;
    }
    const known = copied.segments.filter(
      ({ segment }) => book.move(segment.move) ?? copied.moves.find((m) => m.id === segment.move),
    );
    const brought = copied.moves.filter((m) => !book.move(m.id));
    edit((p) => {
      const with_ = brought.length ? { ...p, moves: [...(p.moves ?? []), ...brought] } : p;
      return pasteSegments(with_, known, selection.ids.at(-1));
    });
  };

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      if (document.querySelector('dialog[open]')) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      const inField = typing(event.target);
      const marked = selection.ids.length > 0 && !String(getSelection());
      if (command && key === 'z') (event.shiftKey ? redo : undo)();
      else if (command && key === 'y') redo();
      else if (inField) return;
      else if (command && key === 'c' && marked) copy();
      else if (command && key === 'x' && marked) {
        copy();
        actions.remove(selection.ids[0] ?? '');
      } else if (command && key === 'v') paste();
      else if (command || event.altKey) return;
      else if (key === '/') searchRef.current?.focus();
      else if (key === 'g' && selection.ids.length > 1)
        group(event.shiftKey ? 'alternating' : 'circuit');
      else if (key === 'delete' && selection.ids.length > 1) actions.remove(selection.ids[0] ?? '');
      else if (key === 'escape') selection.set([]);
      else if (key === 'f') setOpened('fit');
      else if (key === 'r') rehearse();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  });

  const [dragged, setDragged] = useState<Move | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, POINTER),
    useSensor(KeyboardSensor, KEYBOARD),
  );
  const dragEnd = ({ active, over }: DragEndEvent) => {
    const move = dragged;
    setDragged(null);
    if (!over) return;
    if (move) {
      const [id = 's'] = freeSegmentIds(plan, 1);
      edit((p) => dropped(p, segmentOf(move, id), String(over.id)));
      selection.set([id]);
    } else edit((p) => landed(p, String(active.id), String(over.id)));
  };

  const selectedAreas = useMemo(() => {
    const areas = placedSegments(plan)
      .filter((p) => selection.ids.includes(p.segment.id))
      .flatMap((p) => {
        const move = book.move(p.segment.move);
        return move ? strongAreas(move) : [];
      });
    return new Set<Area>(areas);
  }, [plan, selection.ids, book]);

  const speech: KnownSpeech = {
    lengths,
    met: met.map((ids) => [...ids]),
    talkingFactor: talk.factor,
  };
  const dialog = {
    plan,
    moves,
    speech,
    measure,
    assistant,
    nameOf,
    onClose: () => setOpened(null),
  };
  const accept = (next: Plan) => {
    edit(() => next);
    setOpened(null);
  };

  return (
    <ComposeActionsProvider value={actions}>
      <main
        className={`mx-auto w-full max-w-[100rem] px-4 py-4 sm:px-6 ${rehearsal.on ? 'pb-32' : ''}`}
      >
        <h1 className="sr-only">Compose {plan.name}</h1>
        <ComposeHeader
          classId={classId}
          editing={editing}
          score={score}
          room={room}
          saveLine={<SaveLine autosave={autosave} />}
          onFit={() => setOpened('fit')}
          onDraft={() => setOpened('draft')}
          onHistory={() => setOpened('history')}
          onRecord={() => setOpened({ record: null })}
          onRehearse={rehearse}
          onLead={async () => {
            if (!hasSegments(plan)) {
              toast.error('This class is still empty. Add a move from the shelf first.');
            } else if (await autosave.flush()) await lead();
            else
              toast.error(
                'The class could not be saved yet, so it cannot be led. Try again in a moment.',
              );
          }}
        />
        <Totals totals={score.totals} speech={score.speech} talk={talk} />
        <div className="my-4">
          <Ribbon
            score={seen.score}
            moveOf={book.move}
            selected={selection.ids}
            onSelect={onRibbon}
            atMs={rehearsal.on ? rehearsal.atMs : undefined}
          />
        </div>
        <DndContext
          id="compose"
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragStart={({ active }) => {
            const id = String(active.id);
            if (id.startsWith('move:')) setDragged(book.move(id.slice(5)) ?? null);
          }}
          onDragCancel={() => setDragged(null)}
          onDragEnd={dragEnd}
        >
          <div className="grid gap-6 lg:grid-cols-[15rem_minmax(0,1fr)_16.5rem]">
            <div className="[contain:layout_style] max-lg:order-2">
              <Shelf moves={library} onAdd={add} searchRef={searchRef} inClass={inClass} />
            </div>
            <div className="max-lg:order-1">
              {selection.ids.length > 1 && (
                <SelectionBar
                  count={selection.ids.length}
                  onGroup={group}
                  onShift={(d) => actions.shift(selection.ids[0] ?? '', d)}
                  onDuplicate={() => actions.duplicate(selection.ids[0] ?? '')}
                  onCopy={copy}
                  onRemove={() => actions.remove(selection.ids[0] ?? '')}
                  onClear={() => selection.set([])}
                />
              )}
              {!hasSegments(plan) && (
                <div className="border-base-300 rounded-box mb-3 border border-dashed p-4">
                  <p>
                    Your class will stand here line by line. Find a move on the shelf and press
                    Enter to add it; it goes to the phase it belongs to.
                  </p>
                  <button
                    type="button"
                    className="btn btn-outline mt-3"
                    onClick={() => setOpened('draft')}
                  >
                    <Sparkles size={18} aria-hidden /> Draft a class for me
                  </button>
                </div>
              )}
              <RunningOrder
                plan={plan}
                score={seen.score}
                moveOf={book.move}
                spans={spans}
                selected={selection.ids}
                open={selection.open}
                changed={changed}
                playing={rehearsal.on ? (stepAt(score, rehearsal.atMs)?.segmentId ?? null) : null}
              />
            </div>
            <div className="[contain:layout_style] max-lg:order-3">
              <BalancePanel
                score={seen.score}
                moveOf={book.move}
                selected={selectedAreas}
                whole={seen.plan.aim.kind === 'whole'}
              />
              <ChecksPanel
                findings={findings}
                slotMs={seen.score.slotMs}
                selected={selection.ids}
                onSelect={select}
                onRepair={repair}
                refused={refused?.plan === plan ? refused : null}
                onFit={openFit}
              />
              <RulesPanel plan={plan} edit={edit} settle={settle} />
            </div>
          </div>
          <DragOverlay dropAnimation={null}>
            {dragged && (
              <div className="bg-base-100 border-base-content rounded-box border px-3 py-2 font-semibold shadow-lg">
                {nameOf(dragged.id)}
              </div>
            )}
          </DragOverlay>
        </DndContext>
      </main>
      {rehearsal.on && <RehearseBar rehearsal={rehearsal} score={score} nameOf={nameOf} />}
      {opened === 'fit' && (
        <FitDialog {...dialog} room={room} totalMs={score.totalMs} onAccept={accept} />
      )}
      {opened === 'draft' && <DraftDialog {...dialog} room={room} book={book} onAccept={accept} />}
      {typeof opened === 'object' && opened && (
        <RecordDialog
          title={opened.record ? 'This move in your voice' : 'This class in your voice'}
          cues={cuesSaid(score, opened.record)}
          onRecorded={(text, language) => {
            measureAgain(text, language);
            rehearsal.voiceChanged();
          }}
          onClose={() => setOpened(null)}
        />
      )}
      {opened === 'history' && (
        <HistoryDialog
          classId={classId}
          timeZone={room.timeZone}
          nameOf={nameOf}
          onRestore={accept}
          onClose={() => setOpened(null)}
        />
      )}
    </ComposeActionsProvider>
  );
}

/** What is said in a segment, or in the whole class. */
const cuesSaid = ({ cues, steps }: Score, segmentId: string | null) =>
  cues.filter((cue) => !segmentId || steps[cue.step]?.segmentId === segmentId);
