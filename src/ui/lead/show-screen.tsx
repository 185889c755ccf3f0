'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { passKeysOn } from '@/browser/key-channel';
import { listenToRun } from '@/browser/live-run';
import { runChannel } from '@/browser/run-channel';
import { ServerClock } from '@/browser/server-clock';
import { CALLS, type DoorAnswer, type Scores } from '@/core/calls';
import { shownCode } from '@/core/follow';
import { type FollowWords, filled, haveReady, wordsIn } from '@/core/follow/words';
import type { Language } from '@/core/language';
import type { Kit, Move } from '@/core/move';
import { cuesByStep, isRoomEvent, type NewRunEvent } from '@/core/run';
import { MovesProvider } from '../kit/moves';
import { NowDial } from '../kit/playing/now-dial';
import { useAwake } from '../kit/playing/use-awake';
import { usePlayback } from '../kit/playing/use-playback';
import { QrCode } from '../kit/qr-code';
import { NowView } from './now-view';

export interface ShowScreenProps {
  className: string;
  /** That of the class, in which all of it is told. */
  language: Language;
  kit: readonly Kit[];
  timeZone: string;
  sessionId: string;
  /** The door by which people come in to follow, where it stands. */
  door: DoorAnswer['door'];
  runId: string;
  events: readonly NewRunEvent[];
  /** The server's time when the page was made. */
  now: number;
  /** Null until the class was made ready to be led. */
  scores: Scores | null;
  /** The number of the scores that the class stood at when the page was made. */
  made: number;
  moves: Move[];
}

/** The class for a projector or a shared screen: what the teacher sees, without the people. */
export function ShowScreen(props: ShowScreenProps) {
  const { className, scores, now } = props;
  const clock = useMemo(() => {
    const made = new ServerClock();
    made.startAt(now);
    return made;
  }, [now]);
  const { events, made, look } = useWatchedLog(props, clock);
  const language = scores?.score.language ?? props.language;
  const words = wordsIn(language);
  const ready = haveReady(words, props.kit);
  const started = events.find((e) => e.type === 'started');
  const led = started && (started.made ?? made);
  const asLed = useScoresAsLed(scores, led, started?.made === undefined);
  useAwake(true);
  if (!scores || !asLed || !started) {
    return (
      <main
        data-theme="upbeat-night"
        lang={language}
        className="bg-base-100 text-base-content grid min-h-dvh place-content-center p-8 text-center"
      >
        <h1 className="text-6xl font-bold">{className}</h1>
        <p className="quiet mt-4 text-3xl">{words.begins}</p>
        {ready && <p className="mt-4 text-3xl text-balance">{ready}</p>}
        <DoorSign sessionId={props.sessionId} initial={props.door} words={words} />
      </main>
    );
  }
  return (
    <MovesProvider moves={props.moves}>
      <Shown {...props} {...{ scores, events, clock, look, words }} />
    </MovesProvider>
  );
}

/** How often the page is asked for what is led, in ms. */
const ASK_EVERY_MS = 3000;

/**
 * The class may have been made ready anew, with other times, since this page came: it is asked for again until it has
 * what is led. Where the server is away it goes by what it knows.
 * @param led the number of the scores that are led; undefined before the class begins
 * @param stored whether the server has heard of that, too: what was asked for before may not be that yet
 * @returns whether the class may be shown now
 */
function useScoresAsLed(scores: Scores | null, led: number | undefined, stored: boolean): boolean {
  const router = useRouter();
  const differs = led !== undefined && scores?.made !== led;
  const [away, setAway] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once it is stored, it is asked for at once.
  useEffect(() => {
    if (!differs) return;
    // A page that is refreshed while the server is away would be gone.
    const refresh = () =>
      void ask(CALLS.tellTime).then(
        () => router.refresh(),
        () => setAway(true),
      );
    refresh();
    const timer = setInterval(refresh, ASK_EVERY_MS);
    return () => clearInterval(timer);
  }, [differs, stored, router]);
  return !differs || away;
}

/** How often the door is looked at before the class begins, in ms. */
const LOOK_EVERY_MS = 5000;

/** How one comes in on a phone, to be read from the last row. */
function DoorSign({
  sessionId,
  initial,
  words,
}: {
  sessionId: string;
  initial: DoorAnswer['door'];
  words: FollowWords;
}) {
  const [door, setDoor] = useState(initial);
  useEffect(() => {
    const look = async () => {
      try {
        setDoor((await ask(CALLS.readDoor, { id: sessionId })).door);
      } catch (problem) {
        // It is looked at again in a moment.
        if (!isExpected(problem)) throw problem;
      }
    };
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [sessionId]);
  if (!door || door.shut) return null;
  return (
    <section
      aria-label={words.door.title}
      className="mt-8 flex flex-wrap items-center justify-center gap-10"
    >
      <QrCode {...door.qr} className="h-72 w-72" label={words.door.title} />
      <div className="text-left">
        <p className="text-2xl">{filled(words.onPhone, { place: door.place })}</p>
        <p className="figures text-9xl font-bold tracking-wider" data-testid="code">
          {shownCode(door.code)}
        </p>
      </div>
    </section>
  );
}

type ShownProps = Pick<ShowScreenProps, 'className' | 'timeZone' | 'events' | 'sessionId'> & {
  scores: Scores;
  clock: ServerClock;
  look: () => void;
  words: FollowWords;
};

function Shown(props: ShownProps) {
  const { scores, events, clock, look, words, className, timeZone, sessionId } = props;
  const { score, easier } = scores;
  useEffect(() => passKeysOn(sessionId), [sessionId]);
  const groups = useMemo(() => cuesByStep(score, easier), [score, easier]);
  const { state, now } = usePlayback({ scores, groups, events, clock, cameApart: look });
  const over = state.status === 'over' || state.status === 'finished';
  return (
    <main
      data-theme="upbeat-night"
      lang={score.language}
      className="bg-base-100 text-base-content led-screen low:gap-4 low:p-4 low:sm:max-md:grid-cols-[12rem_minmax(0,1fr)] grid h-dvh gap-8 p-6 md:grid-cols-[minmax(0,26rem)_1fr]"
    >
      <h1 className="sr-only">{className}</h1>
      {over ? (
        <p className="col-span-full self-center text-center text-6xl font-bold">
          {words.thanks(className)}
        </p>
      ) : (
        <>
          <div className="grid min-h-0 low:sm:grid content-center justify-items-center max-md:hidden">
            <NowDial state={state} now={now} />
          </div>
          <section aria-label="Now" className="flex min-h-0 min-w-0 flex-col">
            <NowView
              state={state}
              score={score}
              groups={groups}
              timeZone={timeZone}
              words={words}
            />
          </section>
        </>
      )}
    </main>
  );
}

/** The log as another window or device writes it: from the server, and from a window beside this one. */
function useWatchedLog(page: ShowScreenProps, clock: ServerClock) {
  const { runId } = page;
  const [stored, setStored] = useState(page.events);
  const [heard, setHeard] = useState<{ made: number; now: number }>(page);
  const [beside, setBeside] = useState<readonly NewRunEvent[]>([]);
  const look = useCallback(async () => {
    const sentAt = clock.deviceNow();
    try {
      const answer = await ask(CALLS.readLog, { id: runId, body: { screen: '1' } });
      clock.measure(answer.now, sentAt);
      setStored(answer.events);
      setHeard(answer);
    } catch (problem) {
      // The window that leads still tells what happens; the stream below asks again.
      if (!isExpected(problem)) throw problem;
    }
  }, [runId, clock]);
  useEffect(() => {
    const close = listenToRun(runId, {
      screen: true,
      after: () => 0,
      heard: () => void look(),
    });
    const stop = runChannel(runId).hear((events) => setBeside(events));
    void look();
    return () => {
      close();
      stop();
    };
  }, [runId, look]);
  const events = useMemo(() => {
    const known = new Set(stored.map((e) => e.id));
    return [...stored, ...beside.filter((e) => !known.has(e.id))].filter((e) => !isRoomEvent(e));
  }, [stored, beside]);
  return { events, made: page.now > heard.now ? page.made : heard.made, look };
}
