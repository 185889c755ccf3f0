'use client';

import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { came, isUnmarked, lateByMs, takenPartMs, unmarkedWords } from '@/core/attendance';
import type { RollEntry, Scores } from '@/core/calls';
import { clock, timeOfDay } from '@/core/formats';
import { moveText } from '@/core/move';
import { minutesOf, spent, type TalkSample, talkOf } from '@/core/run';
import { onlySaidName } from '@/core/score';
import { Link } from '../kit/link';
import { useMoves } from '../kit/moves';
import { useFromTop } from '../kit/use-from-top';
import { LengthsAgain } from './lengths-again';
import { Minutes } from './minutes';
import { NotStored } from './not-stored';
import { RollList } from './roll-list';
import type { LeadSession } from './types';
import type { Log } from './use-log';
import type { Roll } from './use-roll';

export interface CloseOutProps {
  session: LeadSession;
  roll: Roll;
  log: Log;
  scores: Scores;
  startedAt: number;
  endedAt: number;
  /** True once the session is stored as held. */
  closed: boolean;
  error: string | null;
  saving: boolean;
  close: () => void;
  /** Back to the stage, while the class is not closed. */
  back: (() => void) | null;
}

const FELT = ['hard going', 'uneven', 'all right', 'good', 'easy'];

/** The end of a class: who took part for how long, what was noted, and the button that stores it. */
export function CloseOut(props: CloseOutProps) {
  const { session, roll, log, scores, startedAt, endedAt, closed, error, saving } = props;
  const { close, back } = props;
  useFromTop();
  const moves = useMoves();
  const { score, easier } = scores;
  const unmarked = unmarkedWords(roll.entries.filter(isUnmarked).length);
  const inAll = roll.entries.filter((e) => came(e.attendance?.mark)).length;
  const parts = useMemo(
    () => spent(score, log.events, endedAt, easier),
    [score, easier, log.events, endedAt],
  );
  const nameOf = (moveId: string) => {
    const move = moves.get(moveId);
    return move ? moveText(move, score.language).name : onlySaidName(moveId);
  };
  const note = ({ attendance }: RollEntry): string | null => {
    if (!attendance || !came(attendance.mark)) return null;
    const took = `took part ${clock(takenPartMs(attendance, startedAt, endedAt))}`;
    const late = lateByMs(attendance, startedAt);
    const left =
      attendance.leftAt === null
        ? ''
        : `, left at ${timeOfDay(attendance.leftAt, session.timeZone)}`;
    return `${late > 0 ? `came ${clock(late)} after the start, ` : ''}${took}${left}`;
  };
  const over = endedAt - startedAt - score.totalMs;
  return (
    <main data-theme="upbeat-night" className="bg-base-100 text-base-content min-h-dvh">
      <div className="mx-auto max-w-6xl p-5 md:p-8">
        <h1 className="text-4xl font-bold">{session.className}</h1>
        <p className="quiet mt-1 text-lg">
          {timeOfDay(startedAt, session.timeZone)} to {timeOfDay(endedAt, session.timeZone)},{' '}
          <span className="figures" data-testid="actual">
            {clock(endedAt - startedAt)}
          </span>{' '}
          on the clock, {clock(score.totalMs)} planned
          {over !== 0 && ` (${clock(Math.abs(over))} ${over > 0 ? 'longer' : 'shorter'})`}
        </p>
        <div className="grid gap-x-10 lg:grid-cols-2">
          <section aria-labelledby="register" className="min-w-0">
            <h2 id="register" className="mt-6 mb-2 text-xl font-semibold">
              {closed ? `${inAll} came` : 'Is the register right?'}
            </h2>
            <RollList roll={roll} note={note} />
            {closed && <NewPeople roll={roll} />}
          </section>
          <div className="min-w-0">
            <Noted roll={roll} nameOf={nameOf} closed={closed} />
            <section aria-labelledby="felt">
              <h2 id="felt" className="mt-6 mb-2 text-xl font-semibold">
                How did it feel?
              </h2>
              <div className="flex flex-wrap gap-1">
                {FELT.map((word, i) => (
                  <button
                    key={word}
                    type="button"
                    className={`btn btn-sm ${roll.notes.felt === i + 1 ? 'btn-primary' : ''}`}
                    aria-pressed={roll.notes.felt === i + 1}
                    disabled={closed}
                    onClick={() => roll.felt(i + 1)}
                  >
                    {word}
                  </button>
                ))}
              </div>
            </section>
            <Minutes rows={minutesOf(score, parts)} nameOf={nameOf} />
            <Talked sample={talkOf(score, parts, easier)} closed={closed} />
            {closed && <LengthsAgain classId={session.classId} parts={parts} nameOf={nameOf} />}
          </div>
        </div>
        <NotStored refused={log.refused} className="text-error mt-3 font-medium" />
        {error && (
          <p role="alert" className="text-error mt-3 font-medium">
            {error}
          </p>
        )}
        <div className="bg-base-100 border-base-300 sticky bottom-0 mt-6 flex flex-wrap gap-3 border-t py-4">
          {!closed && unmarked && (
            <p role="status" className="border-warning w-full border-l-4 pl-3">
              {inAll === 0 ? 'Nobody is marked as here yet. ' : ''}
              {unmarked}
            </p>
          )}
          {closed ? (
            <>
              <p role="status" className="self-center font-medium">
                The session is stored.
              </p>
              <Link href="/people" className="btn btn-primary upbeat-on-accent">
                See the streaks
              </Link>
              <Link href="/" className="btn">
                Today
              </Link>
            </>
          ) : log.leader === 'another device' ? (
            <p className="self-center">Another device leads this class and closes it.</p>
          ) : (
            <>
              <button
                type="button"
                className="btn btn-primary btn-lg upbeat-on-accent"
                disabled={saving}
                onClick={close}
              >
                Finish and store
              </button>
              {back && (
                <button type="button" className="btn btn-lg" onClick={back}>
                  Back to the class
                </button>
              )}
            </>
          )}
        </div>
      </div>
    </main>
  );
}

interface NotedProps {
  roll: Roll;
  nameOf: (moveId: string) => string;
  closed: boolean;
}

/** Corrections, which become notes on form, and questions to come back to. */
function Noted({ roll, nameOf, closed }: NotedProps) {
  const { parked } = roll.notes;
  // A correction that is worded anew is another one: it keeps the place, and the field, of the one before.
  const [firsts, setFirsts] = useState<ReadonlyMap<string, { id: string; at: number }>>(new Map());
  const corrections = roll.notes.corrections
    .map((c) => ({ ...c, first: firsts.get(c.id) ?? { id: c.id, at: c.at } }))
    .sort((a, b) => a.first.at - b.first.at);
  const names = new Map(roll.entries.map((e) => [e.participantId, e.name]));
  return (
    <>
      {corrections.length > 0 && (
        <section aria-labelledby="corrections">
          <h2 id="corrections" className="mt-6 mb-2 text-xl font-semibold">
            To watch next time
          </h2>
          <ul className="grid gap-2">
            {corrections.map((c) => {
              const who = names.get(c.participantId) ?? 'Somebody';
              return (
                <li key={c.first.id} className="flex flex-wrap items-center gap-2">
                  <span className="min-w-40 flex-1">
                    <span className="font-medium">{who}</span>{' '}
                    <span className="quiet">{nameOf(c.moveId)}</span>
                  </span>
                  <input
                    className="input input-sm w-56"
                    defaultValue={c.note}
                    maxLength={300}
                    disabled={closed}
                    placeholder="What to watch"
                    aria-label={`What to watch with ${who} in ${nameOf(c.moveId)}`}
                    onBlur={(event) => {
                      const note = event.target.value.trim();
                      if (note === c.note) return;
                      const id = roll.correct(c.participantId, c.moveId, note);
                      roll.strike(c.id);
                      setFirsts((all) => new Map(all).set(id, c.first));
                    }}
                  />
                  <Strike
                    words={`Forget it: ${who}`}
                    onStrike={() => roll.strike(c.id)}
                    off={closed}
                  />
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {parked.length > 0 && (
        <section aria-labelledby="parked">
          <h2 id="parked" className="mt-6 mb-2 text-xl font-semibold">
            Parked questions
          </h2>
          <ul className="grid gap-1">
            {parked.map((q) => (
              <li key={q.id} className="flex items-center gap-2">
                <span className="flex-1">{q.note}</span>
                <Strike
                  words={`Answered: ${q.note}`}
                  onStrike={() => roll.strike(q.id)}
                  off={closed}
                />
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function Strike({ words, onStrike, off }: { words: string; onStrike: () => void; off: boolean }) {
  return (
    <button
      type="button"
      className="btn btn-sm btn-ghost btn-square"
      aria-label={words}
      title={words}
      disabled={off}
      onClick={({ currentTarget }) => {
        // Who goes through the list by keyboard stays in it.
        const row = currentTarget.closest('li');
        const beside = row?.nextElementSibling ?? row?.previousElementSibling;
        beside?.querySelector('button')?.focus();
        onStrike();
      }}
    >
      <X size={16} aria-hidden />
    </button>
  );
}

/** How long the teacher took over the talk of this class, and where it goes. */
function Talked({ sample, closed }: { sample: TalkSample; closed: boolean }) {
  if (sample.cuesMs === 0) return null;
  return (
    <p className="mt-2">
      Your talk in upbeats and switches took{' '}
      <span className="figures font-semibold">{(sample.takenMs / sample.cuesMs).toFixed(2)}</span>{' '}
      times as long as its cues.{' '}
      {closed && (
        <Link href="/voice#talk" className="link">
          What was learned of it
        </Link>
      )}
    </p>
  );
}

/** Whoever walked in for the first time: their page, where they are booked, or joined with who they are. */
function NewPeople({ roll }: { roll: Roll }) {
  const fresh = roll.entries.filter(
    (e) => !e.booked && e.timesBefore === 0 && came(e.attendance?.mark),
  );
  if (fresh.length === 0) return null;
  return (
    <p className="mt-3">
      New on the register:{' '}
      {fresh.map((e, i) => (
        <span key={e.participantId}>
          {i > 0 && ', '}
          <Link href={`/people/${e.participantId}`} className="link">
            {e.name}
          </Link>
        </span>
      ))}
    </p>
  );
}
