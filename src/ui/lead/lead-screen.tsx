'use client';

import { dequal } from 'dequal';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ask, toldOf, Unreachable } from '@/browser/api';
import { ofThoseHere } from '@/browser/device-voice';
import { musicUrl, speechUrl } from '@/browser/hear';
import { kept } from '@/browser/kept';
import { forgetStages, keepStage } from '@/browser/kept-stage';
import { ServerClock } from '@/browser/server-clock';
import { CALLS, type RollEntry, type Scores } from '@/core/calls';
import type { Move } from '@/core/move';
import type { PieceOfMusic } from '@/core/music';
import { cuesByStep, endOf, isRoomEvent, remainingMs, slotEnd } from '@/core/run';
import type { DeviceVoices, SaidWord, SpeechChoice, Utterance } from '@/core/speech';
import { piecesWanted } from '@/core/take-away';
import { MovesProvider } from '../kit/moves';
import { useAwake } from '../kit/playing/use-awake';
import { usePlayback } from '../kit/playing/use-playback';
import { useAttempt } from '../kit/use-attempt';
import { BeforeStart } from './before-start';
import { CloseOut } from './close-out';
import { Locked } from './locked';
import { Stage } from './stage';
import { keptScoresSchema, type LeadLog, type LeadSession, type SessionNow } from './types';
import { type SpeechSettings, useCues } from './use-cues';
import { type FollowDoor, useDoor } from './use-door';
import { useGuard } from './use-guard';
import { type Log, useLog } from './use-log';
import { type Roll, useRoll } from './use-roll';
import { type Told, useRollAtFirst } from './use-roll-at-first';

export interface LeadScreenProps {
  session: LeadSession;
  roll: RollEntry[];
  log: LeadLog;
  /** Every move, for names and areas. */
  moves: Move[];
  /** Questions that were parked the last time this class met. */
  parkedBefore: readonly string[];
  /** How the teacher wants to be heard. */
  speech: SpeechChoice;
  /** How the studio's words are said by a voice of this device. */
  words: readonly SaidWord[];
  /** What can be played under the class. */
  pieces: readonly PieceOfMusic[];
}

/** A breath between the press and the first cue, so that the cue is in time like all the others. */
export const START_IN_MS = 1200;

/** Leads one session from the roll to the stored register. */
export function LeadScreen(props: LeadScreenProps) {
  const { log: initialLog, moves, parkedBefore, speech } = props;
  const clock = useMemo(() => {
    const made = new ServerClock();
    made.startAt(initialLog.now);
    return made;
  }, [initialLog.now]);
  const log = useLog(initialLog, clock);
  /** From what the class was made ready, and whether it would be another one by now. */
  const madeFrom = useRef<string | null>(null);
  /** Whether the class had begun when the server was asked for it last: what it answered is what is led. */
  const isLed = useRef(false);
  const [outdated, setOutdated] = useState(false);
  const [stands, setStands] = useState<SessionNow>(props.session);
  const onTold = useCallback(({ basis, session }: Told) => {
    if (madeFrom.current !== null && basis !== null) setOutdated(basis !== madeFrom.current);
    setStands((before) => (dequal(before, session) ? before : session));
  }, []);
  const { atFirst, refresh } = useRollAtFirst(props, log, onTold);
  const session = useMemo(() => ({ ...props.session, ...stands }), [props.session, stands]);
  const whole = useRoll(atFirst, log, { session, refresh });
  const [scores, setScores] = useState<Scores | null>(null);
  const [unmeasured, setUnmeasured] = useState<readonly Utterance[]>([]);
  const [hasVoice, setHasVoice] = useState(true);
  const [error, setError] = useState<string | null>(null);
  const [measuring, setMeasuring] = useState(true);
  const guard = useGuard();
  const { answered } = guard;
  const roll = useMemo(
    () => (guard.state === 'nameless' ? { ...whole, entries: [] } : whole),
    [whole, guard.state],
  );
  const scoresName = `scores ${session.id}`;
  const door = useDoor(session.id);

  /** Voices of a device that were chosen. */
  const wanted = useRef<DeviceVoices>(speech.deviceVoices);
  const measureClass = useCallback(
    async (wordsPerMinute?: number) => {
      setError(null);
      const deviceVoices = await ofThoseHere(wanted.current);
      const sentAt = clock.deviceNow();
      try {
        const body = { wordsPerMinute, deviceVoices };
        const answer = await ask(CALLS.prepareSession, { id: session.id, body });
        clock.measure(answer.now, sentAt);
        answered();
        madeFrom.current = answer.basis;
        isLed.current = answer.basis === null;
        setHasVoice(answer.voice);
        setUnmeasured(answer.unmeasured);
        setScores(answer.scores);
      } catch (problem) {
        const first = wordsPerMinute === undefined;
        const away = problem instanceof Unreachable;
        const before = away && first ? await kept.get(scoresName, keptScoresSchema) : undefined;
        if (!before) return setError(toldOf(problem));
        clock.recall(before.fromWallMs);
        setScores(before.scores);
      }
    },
    [clock, session.id, scoresName, answered],
  );
  // One after the other, so that the run the server keeps is the one that is shown here.
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const prepare = useCallback(
    (wordsPerMinute?: number, choice?: SpeechChoice) => {
      if (choice) wanted.current = choice.deviceVoices;
      setMeasuring(true);
      setOutdated(false);
      const turn = line.current.then(() => measureClass(wordsPerMinute));
      line.current = turn;
      void turn.finally(() => line.current === turn && setMeasuring(false));
    },
    [measureClass],
  );

  useEffect(() => {
    prepare();
  }, [prepare]);

  // Another device may have begun the class, with what it was made ready with there.
  const { begunWith, connected } = log;
  const other = scores && scores.made !== begunWith ? begunWith : null;
  useEffect(() => {
    if (other !== null && connected && !isLed.current) prepare();
  }, [other, connected, prepare]);

  const planned = session.status === 'planned';
  useEffect(() => {
    if (!scores || !planned) return;
    void keepClass(scoresName, scores, clock);
  }, [scores, planned, scoresName, clock]);

  if (guard.state === 'locked' && scores) {
    const { unlock: onUnlocked, goNameless: onNameless } = guard;
    return <Locked name={session.className} onUnlocked={onUnlocked} onNameless={onNameless} />;
  }
  if (!scores || !log.loaded) {
    return (
      <BeforeStart
        session={session}
        plannedAtFirst={props.session.startsAt}
        roll={guard.state === 'locked' ? { ...roll, entries: [] } : roll}
        score={null}
        measuring={error === null}
        hasVoice={hasVoice}
        error={error}
        retry={() => prepare()}
        parkedBefore={parkedBefore}
        desk={null}
        unmeasured={[]}
        log={log}
        door={door}
        start={() => {}}
      />
    );
  }
  return (
    <MovesProvider moves={moves}>
      <LedRun
        session={session}
        plannedAtFirst={props.session.startsAt}
        log={log}
        roll={roll}
        scores={scores}
        clock={clock}
        hasVoice={hasVoice}
        parkedBefore={parkedBefore}
        measuring={measuring}
        outdated={outdated}
        error={error}
        speech={{ initialChoice: speech, words: props.words, prepare }}
        unmeasured={unmeasured}
        door={door}
        pieces={props.pieces}
      />
    </MovesProvider>
  );
}

/** So that the class goes on after a reload while the server is away. */
async function keepClass(name: string, scores: Scores, clock: ServerClock): Promise<void> {
  await kept.put(name, { scores, fromWallMs: clock.fromWallMs });
  const cues = [scores.score, scores.easier].flatMap((score) => score?.cues ?? []);
  const { wordsPerMinute } = scores.score;
  const spoken = cues.map(({ text, language }) => speechUrl({ text, language, wordsPerMinute }));
  const music = piecesWanted(scores.score.music).map(musicUrl);
  await keepStage([...new Set([...spoken, ...music])]);
}

interface LedRunProps {
  session: LeadSession;
  /** When it was on the calendar as the page came, epoch ms. */
  plannedAtFirst: number;
  log: Log;
  roll: Roll;
  scores: Scores;
  clock: ServerClock;
  hasVoice: boolean;
  parkedBefore: readonly string[];
  /** The class is being measured again. */
  measuring: boolean;
  /** The class was changed, or is another one for who is here, since it was made ready. */
  outdated: boolean;
  /** Why it could not be measured again. */
  error: string | null;
  speech: SpeechSettings;
  /** What a voice of this device never said. */
  unmeasured: readonly Utterance[];
  door: FollowDoor;
  pieces: readonly PieceOfMusic[];
}

function LedRun(props: LedRunProps) {
  const { session, log, roll, scores, clock, hasVoice, parkedBefore, speech, door } = props;
  const { score } = scores;
  const { add } = log;
  const groups = useMemo(() => cuesByStep(score, scores.easier), [score, scores.easier]);
  const live = usePlayback({ scores, groups, events: log.events, clock, cameApart: log.look });
  const { state } = live;
  const bends = useMemo(() => bendsOf(log), [log]);
  const leads = log.leader !== 'another device';
  const music = { pieces: props.pieces, keptAs: `upbeat-music ${session.id}` };
  const desk = useCues({ score, groups, state, bends, clock, audible: leads, speech, music });
  const [ending, setEnding] = useState(false);
  const [closed, setClosed] = useState(session.status === 'held');
  const { error, busy: saving, attempt } = useAttempt('Nothing is lost.');
  const onStage = state.status === 'running' || state.status === 'paused';

  const mayGoDark = useAwake(onStage);

  // What begins the class is timed by the server's clock, and while a page loads answers are late: it is
  // asked again as soon as there is nothing else to do.
  const { measuring } = props;
  const { measureTime } = log;
  useEffect(() => {
    if (!measuring) void measureTime();
  }, [measuring, measureTime]);

  const meets = session.status !== 'cancelled';
  const isOutdated = props.outdated && meets && state.status === 'ready' && !measuring;
  const { takeUp } = desk;
  useEffect(() => {
    if (isOutdated) takeUp();
  }, [isOutdated, takeUp]);

  const running = state.status === 'running';
  const end = useCallback(() => {
    if (running) add({ type: 'paused' });
    setEnding(true);
  }, [running, add]);

  const close = () =>
    attempt(async () => {
      await log.flush();
      await ask(CALLS.closeSession, { id: session.id, body: await log.ending() });
      await log.look();
      await forgetStages();
      setClosed(true);
    });

  if (state.status === 'ready') {
    return (
      <BeforeStart
        session={session}
        plannedAtFirst={props.plannedAtFirst}
        roll={roll}
        score={score}
        measuring={props.measuring}
        hasVoice={hasVoice}
        error={props.error ?? log.error}
        retry={() => speech.prepare(desk.rate)}
        parkedBefore={parkedBefore}
        desk={desk}
        unmeasured={props.unmeasured}
        log={log}
        door={door}
        start={async () => {
          await desk.unlock();
          add({ type: 'started', made: scores.made || undefined }, START_IN_MS);
        }}
      />
    );
  }
  const startedAt = state.startedAt ?? session.startsAt;
  if (onStage && !ending) {
    return (
      <Stage
        sessionId={session.id}
        live={live}
        log={log}
        score={score}
        groups={groups}
        roll={roll}
        timeZone={session.timeZone}
        slotEndsAt={slotEnd(session.startsAt, startedAt, score.slotMs)}
        desk={desk}
        door={door}
        mayGoDark={mayGoDark}
        onEnd={end}
      />
    );
  }
  return (
    <CloseOut
      session={session}
      roll={roll}
      log={log}
      scores={scores}
      startedAt={startedAt}
      endedAt={endOf(state)}
      closed={closed}
      error={error ?? log.error}
      saving={saving}
      close={close}
      back={ending && remainingMs(state) > 0 && !closed ? () => setEnding(false) : null}
    />
  );
}

/** Grows with everything that bends the run, so that the sound knows when to begin anew. */
const bendsOf = (log: Log): number => log.events.filter((e) => !isRoomEvent(e)).length;
