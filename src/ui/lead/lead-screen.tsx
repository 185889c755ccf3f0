'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { call, Refused, Unreachable } from '@/browser/api';
import { ServerClock } from '@/browser/server-clock';
import { keepAwake } from '@/browser/wake-lock';
import type { Move } from '@/core/move';
import { endOf, remainingMs } from '@/core/run';
import { BeforeStart } from './before-start';
import { CloseOut } from './close-out';
import { Stage } from './stage';
import {
  type LeadRun,
  type LeadSession,
  prepareAnswerSchema,
  type RollEntry,
  rollAnswerSchema,
} from './types';
import { useCues } from './use-cues';
import { type Roll, useRoll } from './use-roll';
import { useRun } from './use-run';

export interface LeadScreenProps {
  session: LeadSession;
  roll: RollEntry[];
  /** Moves the class needs, for names and areas. */
  moves: Move[];
}

/** Leads one session from the roll to the stored register. */
export function LeadScreen({ session, roll: initialRoll, moves }: LeadScreenProps) {
  const clock = useMemo(() => new ServerClock(), []);
  const roll = useRoll(session.id, initialRoll);
  const [run, setRun] = useState<LeadRun | null>(null);
  const [hasVoice, setHasVoice] = useState(true);
  const [error, setError] = useState<string | null>(null);

  const prepare = useCallback(async () => {
    setError(null);
    const sentAt = clock.deviceNow();
    try {
      const answer = await call(
        'POST',
        `/api/sessions/${session.id}/prepare`,
        {},
        prepareAnswerSchema,
      );
      clock.measure(answer.now, sentAt);
      setHasVoice(answer.voice);
      setRun(answer.run);
    } catch (problem) {
      if (problem instanceof Unreachable)
        setError('The server does not answer. Try again in a moment.');
      else if (problem instanceof Refused) setError(problem.message);
      else throw problem;
    }
  }, [clock, session.id]);

  useEffect(() => {
    void prepare();
  }, [prepare]);

  if (!run) {
    return (
      <BeforeStart
        session={session}
        roll={roll}
        score={null}
        hasVoice={hasVoice}
        error={error}
        retry={prepare}
        start={() => {}}
      />
    );
  }
  return (
    <LedRun
      session={session}
      roll={roll}
      run={run}
      moves={moves}
      clock={clock}
      hasVoice={hasVoice}
    />
  );
}

interface LedRunProps {
  session: LeadSession;
  roll: Roll;
  run: LeadRun;
  moves: Move[];
  clock: ServerClock;
  hasVoice: boolean;
}

function LedRun({ session, roll, run, moves, clock, hasVoice }: LedRunProps) {
  const live = useRun(run, clock);
  const { state, bend } = live;
  const cues = useCues(run.score, state, live.events.length);
  const moveOf = useMemo(() => {
    const byId = new Map(moves.map((m) => [m.id, m]));
    return (id: string) => byId.get(id);
  }, [moves]);
  const [ending, setEnding] = useState(false);
  const [closed, setClosed] = useState(session.status === 'held');
  const [saving, setSaving] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const onStage = state.status === 'running' || state.status === 'paused';

  useEffect(() => (onStage ? keepAwake() : undefined), [onStage]);

  const end = useCallback(() => {
    if (state.status === 'running') bend({ type: 'paused' });
    setEnding(true);
  }, [state.status, bend]);

  const close = async () => {
    setSaving(true);
    try {
      await live.flush();
      const url = `/api/sessions/${session.id}/close`;
      roll.replace((await call('POST', url, live.draft(), rollAnswerSchema)).roll);
      setClosed(true);
      setError(null);
    } catch (problem) {
      if (problem instanceof Unreachable) {
        setError('The server does not answer. Nothing is lost; try again in a moment.');
      } else if (problem instanceof Refused) setError(problem.message);
      else throw problem;
    } finally {
      setSaving(false);
    }
  };

  if (state.status === 'ready') {
    return (
      <BeforeStart
        session={session}
        roll={roll}
        score={run.score}
        hasVoice={hasVoice}
        error={live.error}
        retry={() => {}}
        start={async () => {
          await cues.unlock();
          bend({ type: 'started' });
        }}
      />
    );
  }
  if (onStage && !ending) {
    return (
      <Stage
        run={live}
        score={run.score}
        groups={cues.groups}
        moveOf={moveOf}
        roll={roll}
        timeZone={session.timeZone}
        sound={cues.sound}
        onEnd={end}
      />
    );
  }
  return (
    <CloseOut
      session={session}
      roll={roll}
      startedAt={state.startedAt ?? session.startsAt}
      endedAt={endOf(state)}
      plannedMs={run.score.totalMs}
      closed={closed}
      error={error ?? live.error}
      saving={saving}
      close={close}
      back={
        ending && remainingMs(state) > 0 && !closed
          ? () => {
              setEnding(false);
            }
          : null
      }
    />
  );
}
