'use client';

import {
  CalendarPlus,
  ChevronDown,
  Clapperboard,
  Copy,
  Download,
  FileHeadphone,
  History,
  ImageDown,
  Mic,
  Music,
  Play,
  Printer,
  Redo2,
  Ruler,
  Sparkles,
  Undo2,
  Volume2,
} from 'lucide-react';
import { type ReactNode, useState, useTransition } from 'react';
import { saveFile } from '@/browser/save-file';
import { type Plan, planSchema } from '@/core/class';
import { clock, parseSeconds, readClock } from '@/core/formats';
import type { Score } from '@/core/score';
import { picturesOfClass, savePictures } from '../kit/face-dial';
import { Link } from '../kit/link';
import { Menu, MenuEntry, MenuLink } from '../kit/menu';
import { useMoves } from '../kit/moves';
import { QuickField } from '../kit/quick-field';
import { useAsHigh } from '../kit/use-as-high';
import type { Room } from './room';
import type { Editing } from './use-history';
import { useMoment } from './use-moment';
import { useSettled } from './use-settled';

export interface ComposeHeaderProps {
  classId: string;
  editing: Editing;
  score: Score;
  room: Room;
  saveLine: ReactNode;
  /** Somebody is about to press one of the buttons. */
  onNear: () => void;
  onFit: () => void;
  onDraft: () => void;
  onRehearse: () => void;
  onHistory: () => void;
  onCopy: () => void;
  onTakeAway: () => void;
  onFilm: () => void;
  onMusic: () => void;
  onRecord: () => void;
  onLead: () => Promise<void>;
}

/** Name, length and finish of the class, and what can be done with it as a whole. */
export function ComposeHeader(props: ComposeHeaderProps) {
  const { editing, score, room, saveLine } = props;
  const { plan, type, settle, undo, redo, canUndo, canRedo } = editing;
  const [leading, startLeading] = useTransition();
  const slotMs = plan.slotSeconds * 1000;
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
      <div className="min-w-56 flex-1 self-start">
        <NameField
          name={plan.name}
          onChange={(name) => type((p) => ({ ...p, name }), 'name')}
          onSettle={settle}
        />
        {saveLine}
      </div>
      <Length editing={editing} totalMs={score.totalMs} room={room} />
      {/* biome-ignore lint/a11y/noStaticElementInteractions: nothing is done here but getting ready for what the buttons do. */}
      <div className="flex flex-wrap gap-2" onPointerEnter={props.onNear} onFocus={props.onNear}>
        <div className="join">
          <button
            type="button"
            className="btn btn-outline btn-square join-item"
            onClick={undo}
            disabled={!canUndo}
            aria-keyshortcuts="Control+Z"
            title="Undo (Ctrl Z)"
          >
            <Undo2 size={18} aria-hidden />
            <span className="sr-only">Undo</span>
          </button>
          <button
            type="button"
            className="btn btn-outline btn-square join-item"
            onClick={redo}
            disabled={!canRedo}
            aria-keyshortcuts="Control+Shift+Z"
            title="Redo (Ctrl Shift Z)"
          >
            <Redo2 size={18} aria-hidden />
            <span className="sr-only">Redo</span>
          </button>
        </div>
        <button
          type="button"
          className="btn btn-outline"
          onClick={props.onFit}
          aria-keyshortcuts="F"
        >
          <Ruler size={18} aria-hidden /> Fit to {clock(slotMs)}{' '}
          <span className="key-cap" aria-hidden>
            F
          </span>
        </button>
        <button
          type="button"
          className="btn btn-outline"
          onClick={props.onRehearse}
          aria-keyshortcuts="R"
        >
          <Volume2 size={18} aria-hidden /> Rehearse{' '}
          <span className="key-cap" aria-hidden>
            R
          </span>
        </button>
        <More {...props} plan={plan} />
        <button
          type="button"
          className="btn btn-primary"
          disabled={leading}
          onClick={() => startLeading(props.onLead)}
        >
          <Play size={18} aria-hidden /> Lead class
        </button>
      </div>
    </div>
  );
}

/** How long the class is, of how long a slot, and when it ends. */
function Length({ editing, totalMs, room }: { editing: Editing; totalMs: number; room: Room }) {
  const { plan, type, settle, isTyping } = editing;
  const slotMs = plan.slotSeconds * 1000;
  const spare = slotMs - totalMs;
  const settledMs = useSettled(totalMs, isTyping);
  const before = useMoment(settledMs)?.before;
  const by = before === undefined ? 0 : settledMs - before;
  const { next } = room;
  return (
    <section className="w-66" aria-label="Length">
      <p className="flex items-baseline gap-2">
        <span className="figures text-3xl font-bold" data-testid="length">
          {clock(totalMs)}
        </span>
        <span className="quiet">of</span>
        <QuickField
          label="Slot, in minutes"
          value={`${Math.round(plan.slotSeconds / 0.6) / 100} min`}
          onType={(text) => {
            const seconds = parseSeconds(text, 'min');
            const parsed = planSchema.shape.slotSeconds.safeParse(Math.round(seconds ?? 0));
            if (!parsed.success) return 'Write a slot from 1 to 240 minutes, such as 20.';
            type((p) => ({ ...p, slotSeconds: parsed.data }), 'slot');
            return null;
          }}
          onSettle={settle}
        />
        {Math.abs(by) >= 500 && (
          <span className="figures bg-accent text-accent-content ml-auto rounded px-1 text-sm font-semibold">
            {by > 0 ? '+' : '−'}
            {clock(Math.abs(by))}
          </span>
        )}
      </p>
      <progress
        className={`progress mt-1 block w-full ${spare < 0 ? 'progress-error' : 'progress-secondary'}`}
        max={slotMs}
        value={Math.min(slotMs, totalMs)}
        aria-label="Length within the slot"
      />
      <p className="figures flex justify-between text-sm">
        <span className={spare < 0 ? 'text-error font-semibold' : 'quiet'}>
          {spare < 0 ? `${clock(-spare)} over` : `${clock(spare)} spare`}
        </span>
        {next && (
          <span className="quiet">
            {readClock(next, next.from)} to {readClock(next, next.from + totalMs)}
          </span>
        )}
      </p>
    </section>
  );
}

/** The plan as a file that stands alone: its own moves go along. */
const download = (plan: Plan): void =>
  saveFile(plan.name, '.upbeat.json', {
    text: JSON.stringify(plan, null, 2),
    type: 'application/json',
  });

function More({ plan, ...props }: ComposeHeaderProps & { plan: Plan }) {
  const moves = useMoves();
  return (
    <Menu
      trigger={
        <button type="button" className="btn btn-outline">
          More <ChevronDown size={16} aria-hidden />
        </button>
      }
    >
      <MenuEntry act={props.onDraft}>
        <Sparkles size={16} aria-hidden /> Draft a class for me
      </MenuEntry>
      <MenuEntry act={props.onHistory}>
        <History size={16} aria-hidden /> Saved versions
      </MenuEntry>
      <MenuEntry act={props.onCopy}>
        <Copy size={16} aria-hidden /> Make a copy
      </MenuEntry>
      <MenuEntry act={props.onRecord}>
        <Mic size={16} aria-hidden /> Record in your voice
      </MenuEntry>
      <MenuEntry act={props.onMusic}>
        <Music size={16} aria-hidden /> Music under the class
      </MenuEntry>
      <MenuLink>
        <Link href={`/calendar/plan?class=${props.classId}`}>
          <CalendarPlus size={16} aria-hidden /> Plan sessions
        </Link>
      </MenuLink>
      <MenuLink>
        <Link href={`/classes/${props.classId}/print`}>
          <Printer size={16} aria-hidden /> Run sheet to print
        </Link>
      </MenuLink>
      <MenuEntry act={() => download(plan)}>
        <Download size={16} aria-hidden /> Save as a file
      </MenuEntry>
      <MenuEntry act={props.onTakeAway}>
        <FileHeadphone size={16} aria-hidden /> Sound, captions, sheet
      </MenuEntry>
      <MenuEntry act={props.onFilm}>
        <Clapperboard size={16} aria-hidden /> Film
      </MenuEntry>
      <MenuEntry act={() => savePictures(plan.name, picturesOfClass({ plan, moves }))}>
        <ImageDown size={16} aria-hidden /> Save pictures of the moves
      </MenuEntry>
    </Menu>
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
  const asHigh = useAsHigh(draft ?? name);
  return (
    <div>
      <textarea
        ref={asHigh}
        aria-label="Name of the class"
        rows={1}
        maxLength={80}
        value={draft ?? name}
        aria-invalid={empty}
        onChange={(e) => {
          const typed = e.target.value.replaceAll('\n', ' ');
          setDraft(typed);
          if (typed.trim()) onChange(typed.trim());
        }}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          e.currentTarget.blur();
        }}
        onBlur={() => {
          if (!empty) setDraft(null);
          onSettle();
        }}
        className="font-display hover:border-base-300 block field-sizing-content w-full resize-none rounded-lg border border-transparent bg-transparent text-2xl leading-tight font-bold"
      />
      {empty && (
        <p role="alert" className="text-error text-sm">
          Give the class a name; until then it keeps “{name}”.
        </p>
      )}
    </div>
  );
}
