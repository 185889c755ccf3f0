'use client';

import { ArrowLeft, Play } from 'lucide-react';
import { clock, dayLabel, timeOfDay } from '@/core/formats';
import type { Score } from '@/core/score';
import type { Utterance } from '@/core/speech';
import { GeneralCaution } from '../kit/caution';
import { Link } from '../kit/link';
import { DoorPanel } from './door-panel';
import { NotStored } from './not-stored';
import { RollList } from './roll-list';
import { SoundPanel } from './sound-panel';
import type { LeadSession } from './types';
import { Unmeasured } from './unmeasured';
import type { SoundDesk } from './use-cues';
import type { FollowDoor } from './use-door';
import type { Log } from './use-log';
import type { Roll } from './use-roll';
import { WantsWord } from './wants-word';

export interface BeforeStartProps {
  session: LeadSession;
  /** When it was on the calendar as the page came, epoch ms. */
  plannedAtFirst: number;
  roll: Roll;
  /** Null while the class is being made ready. */
  score: Score | null;
  /** The class is being measured in the voice that will say it. */
  measuring: boolean;
  hasVoice: boolean;
  error: string | null;
  retry: () => void;
  /** Questions that were parked the last time this class met. */
  parkedBefore: readonly string[];
  /** Null while the class is being made ready. */
  desk: SoundDesk | null;
  /** What a voice of this device never said, so that its length is only expected. */
  unmeasured: readonly Utterance[];
  log: Pick<Log, 'keeps' | 'refused'>;
  door: FollowDoor;
  start: () => void;
}

/** Who will speak, and how surely the length of each cue is known. */
function readyWords(
  { deviceVoices }: Score,
  { hasVoice, unmeasured }: { hasVoice: boolean; unmeasured: number },
): string {
  if (deviceVoices) {
    const names = [...new Set(Object.values(deviceVoices))].join(' and ');
    return unmeasured > 0
      ? `${names} will speak, the voice of this device.`
      : `${names} will speak, the voice of this device. Every cue has been measured.`;
  }
  return hasVoice
    ? 'The voice is ready. Every cue has been measured.'
    : 'The server has no voice. Your browser speaks, or a soft tone marks the cues.';
}

/** What is said of voices that were chosen and are not on this device. */
function notHere({ deviceVoices = {} }: Score, { choice, spokenIn }: SoundDesk): string | null {
  const missing = spokenIn.flatMap((language) => {
    const name = choice.deviceVoices[language];
    return name === undefined || deviceVoices[language] === name ? [] : [name];
  });
  if (missing.length === 0) return null;
  const names = [...new Set(missing)];
  const are = names.length === 1 ? 'is' : 'are';
  return ` ${names.join(' and ')} ${are} not on this device: the server’s voice speaks instead.`;
}

/** What is said where a session was moved while its stage stood open. */
function movedWords({ startsAt, timeZone }: LeadSession, before: number): string {
  const [now, was] = [startsAt, before].map((at) => dayLabel(at, timeZone));
  const at = (day: string | undefined, ms: number) =>
    now === was ? timeOfDay(ms, timeZone) : `${day}, ${timeOfDay(ms, timeZone)}`;
  return `It was moved meanwhile, from ${at(was, before)} to ${at(now, startsAt)}.`;
}

/** The room before the class starts: who is here, how long it will be, and the way in. */
export function BeforeStart(props: BeforeStartProps) {
  const { session, roll, score, measuring, hasVoice, error, retry, parkedBefore, desk, door } =
    props;
  const { plannedAtFirst, unmeasured, log, start } = props;
  const off = session.status === 'cancelled';
  return (
    <main data-theme="upbeat-night" className="bg-base-100 text-base-content min-h-dvh">
      <div className="mx-auto grid max-w-6xl gap-8 p-5 md:grid-cols-[minmax(0,1fr)_22rem] md:p-8">
        <section aria-labelledby="roll">
          <Link href="/" className="btn btn-ghost btn-sm -ml-3">
            <ArrowLeft size={16} aria-hidden /> Today
          </Link>
          <h1 className="mt-2 text-4xl font-bold">{session.className}</h1>
          <p className="quiet mt-1 text-lg">
            Planned for {timeOfDay(session.startsAt, session.timeZone)}
          </p>
          {session.startsAt !== plannedAtFirst && (
            <p role="status" className="border-warning mt-3 border-l-4 pl-3">
              {movedWords(session, plannedAtFirst)}
            </p>
          )}
          {score && <WantsWord roll={roll} score={score} />}
          <h2 id="roll" className="mt-6 mb-2 text-xl font-semibold">
            Who is here
          </h2>
          <div className="hidden-until-ready">
            <RollList roll={roll} started={false} />
          </div>
        </section>
        <section
          aria-label="Start"
          className="bg-base-200 rounded-box self-start p-5 md:sticky md:top-8"
        >
          {score && (
            <>
              <p className="figures text-5xl font-bold">{clock(score.totalMs)}</p>
              <p className="quiet mt-1">
                of {clock(score.slotMs)}, with {clock(score.totals.workMs)} of work
              </p>
              <p className="mt-4" hidden={measuring}>
                {readyWords(score, { hasVoice, unmeasured: unmeasured.length })}
                {desk?.choice.speaksSelf && ' You say the words; it counts.'}
                {desk && notHere(score, desk)}
              </p>
            </>
          )}
          {measuring && (
            <p role="status" className="mt-4 flex items-center gap-3 text-lg">
              <span className="loading loading-dots" aria-hidden /> Making the voice ready
            </p>
          )}
          {off && (
            <div role="alert" className="border-error mt-4 border-l-4 pl-3">
              <p>
                This session was called off while its stage stood open here. To lead it all the
                same, put it back onto the calendar.
              </p>
              <Link href={`/sessions/${session.id}`} className="btn btn-outline btn-sm mt-2">
                Open the session
              </Link>
            </div>
          )}
          {error && !off && (
            <div role="alert" className="border-error mt-4 border-l-4 pl-3">
              <p>{error}</p>
              <button type="button" className="btn btn-outline btn-sm mt-2" onClick={retry}>
                Try again
              </button>
            </div>
          )}
          <NotStored refused={log.refused} className="border-error mt-4 border-l-4 pl-3" />
          {!log.keeps && (
            <p role="status" className="border-warning mt-4 border-l-4 pl-3">
              This browser keeps nothing on this device: in a private window, or where there is no
              room. Leave this page open until the class is stored.
            </p>
          )}
          {desk?.device && unmeasured.length > 0 && (
            <Unmeasured
              device={desk.device}
              utterances={unmeasured}
              over={desk.measureAgain}
              busy={measuring}
            />
          )}
          <button
            type="button"
            className="btn btn-primary btn-lg upbeat-on-accent mt-6 w-full"
            disabled={!score || measuring || off}
            onClick={start}
          >
            <Play size={20} aria-hidden /> Start the class
          </button>
          <DoorPanel door={door} roll={roll} />
          {desk && <SoundPanel desk={desk} />}
          {parkedBefore.length > 0 && (
            <>
              <h2 className="mt-6 font-semibold">Asked last time</h2>
              <ul className="mt-1 list-disc pl-5">
                {parkedBefore.map((question) => (
                  <li key={question}>{question}</li>
                ))}
              </ul>
            </>
          )}
          <GeneralCaution className="mt-6" />
        </section>
      </div>
    </main>
  );
}
