'use client';

import { FlipHorizontal2, MonitorUp, Undo2, Volume2, VolumeX, WifiOff } from 'lucide-react';
import { memo, useCallback, useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { Sound } from '@/browser/cue-player';
import { clock } from '@/core/formats';
import { moveText } from '@/core/move';
import { growing, MOST_ROUNDS, UNDO_MS, undoable } from '@/core/run';
import { type Cue, onlySaidName, type Score } from '@/core/score';
import { useFacing } from '../kit/face-dial';
import { useMoves } from '../kit/moves';
import { NowDial } from '../kit/playing/now-dial';
import type { Live } from '../kit/playing/use-playback';
import { useFromTop } from '../kit/use-from-top';
import { CatchUpDialog } from './catch-up-dialog';
import { ControlButton } from './control-button';
import { BEND_NAMES, controlsOf } from './controls';
import { DoorDialog } from './door-panel';
import { NotStored } from './not-stored';
import { NowView } from './now-view';
import { meansSomebody, personOf } from './person-keys';
import { type Picking, RoomColumn } from './room-column';
import { SoundPanel } from './sound-panel';
import type { SoundDesk } from './use-cues';
import type { FollowDoor } from './use-door';
import type { Log } from './use-log';
import type { Roll } from './use-roll';
import { useMediaKeys, useStageKeys } from './use-stage-keys';

export interface StageProps {
  sessionId: string;
  live: Live;
  log: Log;
  score: Score;
  groups: readonly (readonly Cue[])[];
  roll: Roll;
  timeZone: string;
  slotEndsAt: number;
  desk: SoundDesk;
  door: FollowDoor;
  mayGoDark: boolean;
  onEnd: () => void;
}

/** A remote's key that begins to show slides would take the page away, and the voice with it, in the middle of a hold. */
const NOT_RELOADED =
  'The class goes on. F5 does nothing here, since remotes send it: Control or Command and R loads the page again.';

const SOUND_WORDS: Record<Sound, string | null> = {
  rendered: null,
  instead: 'The voice of this device fell silent; another one speaks in its place',
  browser: 'Spoken by the browser; the server has no voice',
  tone: 'No voice here: read the cues, a soft tone marks them',
};

/**
 * The buttons. On a phone they are two lines that are pushed aside, so that the cue stays in sight, and one where there is
 * little height besides.
 */
const BUTTONS =
  'flex items-center gap-1.5 sm:flex-wrap max-sm:overflow-x-auto max-sm:p-1 max-sm:*:shrink-0 low:shrink-0 low:flex-nowrap low:overflow-x-visible low:p-0 low:*:shrink-0';
/**
 * Where there is no room beside the buttons it stands above them, and moves none: whoever presses one twice is not to
 * take it back, or to press another.
 */
const UNDO =
  'btn btn-accent upbeat-on-accent ml-auto h-auto min-h-11 px-2.5 text-sm max-[67rem]:absolute max-[67rem]:right-4 max-[67rem]:bottom-full max-[67rem]:mb-2 low:absolute low:right-4 low:bottom-full low:mb-2';
const BUTTON_LINES = 'low:flex low:items-center low:gap-1.5 low:overflow-x-auto low:p-1';

/** What the teacher sees and hears while the class runs. */
export function Stage(props: StageProps) {
  const { sessionId, live, log, score, groups, roll, timeZone, slotEndsAt, desk, door, onEnd } =
    props;
  useFromTop();
  const moves = useMoves();
  const { state } = live;
  const { add } = log;
  const leads = log.leader !== 'another device';
  const [picking, setPicking] = useState<Picking | null>(null);
  const [parking, setParking] = useState(false);
  const [catching, setCatching] = useState(false);
  const [sounding, setSounding] = useState(false);
  const [atDoor, setAtDoor] = useState(false);
  const current = state.queue[state.index];
  const move = current && moves.get(current.step.moveId);
  const paused = state.status === 'paused';
  const last = undoable(state, state.at);
  const undo = useCallback(() => {
    if (last) add({ type: 'undone', of: last.id });
  }, [last, add]);
  const grows = growing(state);
  const full = (current?.step.rounds ?? 0) >= MOST_ROUNDS;
  const controls = useMemo(
    () =>
      leads
        ? controlsOf({
            add,
            paused,
            grows,
            full,
            tell: (sentence) => toast.info(sentence),
            catchUp: () => setCatching(true),
            end: onEnd,
          })
        : [],
    [leads, add, paused, grows, full, onEnd],
  );
  const pick = (key: string): boolean => {
    if (!picking) return false;
    if (key === 'Escape') {
      setPicking(null);
      return true;
    }
    // A letter that means nobody does nothing else either: it was meant for a person.
    if (!meansSomebody(key)) return false;
    const person = personOf(roll.entries, key);
    if (!person) {
      setPicking({ nobody: key });
      return true;
    }
    if (move) roll.correct(person, move.id);
    setPicking(null);
    return true;
  };
  const { setMuted, muted } = desk;
  useStageKeys(
    sessionId,
    controls,
    {
      u: undo,
      n: () => setPicking({}),
      q: () => setParking(true),
      m: () => setMuted(!muted),
      ...(leads && { f5: () => toast.info(NOT_RELOADED) }),
    },
    pick,
  );
  useMediaKeys({
    controls,
    running: !paused,
    title: move ? moveText(move, score.language).name : score.name,
  });
  const openDoor = useCallback(() => setAtDoor(true), []);
  const onJump = useCallback((stepId: string) => add({ type: 'jumped', stepId }), [add]);
  const nameOf = (id: string) => {
    const found = moves.get(id);
    return found ? moveText(found, score.language).name : onlySaidName(id);
  };
  if (!current) return null;
  return (
    <main
      data-theme="upbeat-night"
      className="bg-base-100 text-base-content led-screen grid min-h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_auto] lg:h-dvh"
    >
      <h1 className="sr-only">Leading {score.name}</h1>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-4 p-4 low:py-2 low:sm:max-md:grid-cols-[9rem_minmax(0,1fr)] md:grid-cols-[minmax(0,20rem)_1fr] lg:grid-cols-[13rem_minmax(0,1fr)_17rem] xl:grid-cols-[20rem_minmax(0,1fr)_18rem]">
        <div className="grid min-h-0 content-center justify-items-center [contain:layout_paint_style] max-md:hidden low:sm:grid low:max-h-[70dvh]">
          <NowDial state={state} now={live.now} />
        </div>
        <section
          aria-label="Now"
          className="now-above-roll flex min-w-0 flex-col low:min-h-0 lg:min-h-0"
        >
          <NowView
            state={state}
            score={score}
            groups={groups}
            timeZone={timeZone}
            slotEndsAt={slotEndsAt}
            onJump={leads ? onJump : undefined}
          />
        </section>
        <RoomColumn
          roll={roll}
          move={move}
          step={current.step}
          picking={picking}
          setPicking={setPicking}
          parking={parking}
          setParking={setParking}
          following={door.count}
          openDoor={openDoor}
        />
      </div>
      <footer className="bg-base-200 sticky bottom-0 z-20 px-4 py-2">
        <Notices
          live={live}
          log={log}
          sound={desk.sound}
          blocked={desk.blocked}
          mayGoDark={props.mayGoDark}
        />
        <div className={leads ? BUTTON_LINES : undefined}>
          {leads ? (
            <div className={BUTTONS}>
              {controls
                .filter((c) => c.large)
                .map((c) => (
                  <ControlButton key={c.keyName} control={c} />
                ))}
              {last && BEND_NAMES[last.type] && (
                <button
                  type="button"
                  className={UNDO}
                  aria-keyshortcuts="U"
                  onClick={undo}
                  data-testid="undo"
                >
                  <Undo2 size={16} aria-hidden />
                  <span className="max-w-20 truncate">{BEND_NAMES[last.type]}</span>
                  <span className="key-cap" aria-hidden>
                    U
                  </span>
                  <span className="figures" aria-hidden>
                    {Math.max(0, Math.ceil((last.at + UNDO_MS - state.at) / 1000))}
                  </span>
                </button>
              )}
            </div>
          ) : (
            <Watching log={log} />
          )}
          <div className={`mt-1.5 low:mt-0 ${BUTTONS}`}>
            {controls
              .filter((c) => !c.large)
              .map((c) => (
                <ControlButton key={c.keyName} control={c} />
              ))}
            <DeskButtons
              sessionId={sessionId}
              muted={muted}
              setMuted={setMuted}
              sounding={sounding}
              setSounding={setSounding}
            />
          </div>
        </div>
        {sounding && (
          <div className="max-h-36 overflow-y-auto">
            <SoundPanel desk={desk} />
          </div>
        )}
      </footer>
      {atDoor && <DoorDialog door={door} roll={roll} onClose={() => setAtDoor(false)} />}
      {catching && (
        <CatchUpDialog
          state={state}
          endAt={slotEndsAt}
          nameOf={nameOf}
          onTrim={({ cuts, dropped }) => {
            add({ type: 'trimmed', cuts, dropped });
            setCatching(false);
          }}
          onClose={() => setCatching(false)}
        />
      )}
    </main>
  );
}

interface DeskButtonsProps {
  sessionId: string;
  muted: boolean;
  setMuted: (muted: boolean) => void;
  sounding: boolean;
  setSounding: (open: boolean) => void;
}

const DeskButtons = memo(function DeskButtons(props: DeskButtonsProps) {
  const { sessionId, muted, setMuted, sounding, setSounding } = props;
  const [facing, setFacing] = useFacing();
  return (
    <>
      <button
        type="button"
        className="btn btn-sm btn-neutral px-2"
        aria-pressed={muted}
        aria-keyshortcuts="M"
        onClick={() => setMuted(!muted)}
      >
        {muted ? <VolumeX size={15} aria-hidden /> : <Volume2 size={15} aria-hidden />}
        {muted ? 'Counts only' : 'Mute voice'}
        <span className="key-cap max-sm:hidden" aria-hidden>
          M
        </span>
      </button>
      <button
        type="button"
        className="btn btn-sm btn-neutral px-2"
        aria-pressed={!facing}
        title="The face as in a mirror, or as somebody who faces you"
        onClick={() => setFacing(!facing)}
      >
        <FlipHorizontal2 size={15} aria-hidden />
        Mirror
      </button>
      <button
        type="button"
        className="btn btn-sm btn-neutral px-2"
        aria-expanded={sounding}
        onClick={() => setSounding(!sounding)}
      >
        Sound
      </button>
      <a
        className="btn btn-sm btn-neutral px-2"
        href={`/lead/${sessionId}/show`}
        target="_blank"
        rel="noopener"
      >
        <MonitorUp size={15} aria-hidden /> Second screen
      </a>
    </>
  );
});

interface NoticesProps {
  live: Live;
  log: Log;
  sound: Sound;
  blocked: boolean;
  /** The device may turn its screen off in the middle of the class. */
  mayGoDark: boolean;
}

/** What the teacher has to know besides the class itself. */
function Notices({ live, log, sound, blocked, mayGoDark }: NoticesProps) {
  const { slept } = live;
  const words = log.error ?? SOUND_WORDS[sound];
  return (
    <div className="empty:hidden">
      {!log.connected && (
        <p role="status" className="mb-1.5 flex items-center gap-2">
          <WifiOff size={18} className="shrink-0" aria-hidden /> No connection; the class goes on,{' '}
          {log.keeps ? 'nothing is lost' : 'and nothing is lost as long as this page stays open'}
        </p>
      )}
      {blocked && (
        <p role="alert" className="mb-1.5 flex items-center gap-2 font-semibold">
          <VolumeX size={18} className="shrink-0" aria-hidden /> No sound: the browser or this
          device keeps it off. Press any key or touch the screen, and it is back.
        </p>
      )}
      {words && (
        <p role="status" className="mb-1.5">
          {words}
        </p>
      )}
      {mayGoDark && (
        <p role="status" className="mb-1.5">
          This screen may go dark: it cannot be kept awake here. Set it so in this device.
        </p>
      )}
      {slept && (
        <p role="alert" className="mb-1.5 flex flex-wrap items-center gap-2">
          This device slept for {clock(slept.ms)}, and the class went on.
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => {
              const part = slept.before.queue[slept.before.index];
              const intoMs = Math.round(slept.before.elapsedMs);
              if (part) log.add({ type: 'jumped', stepId: part.key, intoMs });
              live.forgetSlept();
            }}
          >
            Back to where it stood
          </button>
          <button type="button" className="btn btn-sm btn-ghost" onClick={live.forgetSlept}>
            It is right as it is
          </button>
        </p>
      )}
      <NotStored refused={log.refused} className="mb-1.5" />
      {log.lost.length > 0 && (
        <p role="alert" className="mb-1.5">
          {log.lost.length === 1 ? 'One thing' : `${log.lost.length} things`} done here could not be
          stored, since another device had taken the lead:{' '}
          {log.lost.map((e) => BEND_NAMES[e.type] ?? e.type).join(', ')}.
        </p>
      )}
    </div>
  );
}

/** On a device that only looks on. */
function Watching({ log }: { log: Log }) {
  return (
    <p className="flex flex-wrap items-center gap-3">
      <span>Another device leads this class. You see what it does, and can mark who is here.</span>
      <button type="button" className="btn btn-accent upbeat-on-accent" onClick={log.takeLead}>
        Take over here
      </button>
    </p>
  );
}
