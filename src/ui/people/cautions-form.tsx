'use client';

import { useState } from 'react';
import {
  AREA_NAMES,
  AREAS,
  allCarried,
  CAUTION_NAMES,
  CAUTIONS,
  type CarriedCaution,
  type Caution,
  carriedTicked,
  LOCAL_CAUTIONS,
} from '@/core/move';
import { SureButton } from '../kit/sure-button';
import { byHand, useAct } from '../kit/use-act';
import { Fold } from './folded';

export interface CautionsState {
  /** What is ticked. */
  cautions: CarriedCaution[];
  /** What was kept when the ticks were set. */
  was: CarriedCaution[];
  error: string | null;
  kept: boolean;
}

export interface CautionsFormProps {
  cautions: CarriedCaution[];
  /** Day of their consent, as it is shown; null where nothing is kept yet. */
  consent: string | null;
  keep: (state: CautionsState, form: FormData) => Promise<CautionsState>;
}

/** What a person carries: private, kept only with their consent, never a diagnosis. */
export function CautionsForm({ cautions, consent, keep }: CautionsFormProps) {
  const [state, action, pending] = useAct<CautionsState>(keep, {
    initial: { cautions: allCarried(cautions), was: cautions, error: null, kept: false },
    unanswered: (before, error, form) => {
      const cautions = form.has('withdraw') ? before.cautions : carriedTicked((n) => form.has(n));
      return { ...before, cautions, error, kept: false };
    },
  });
  const [chosen, setChosen] = useState<readonly Caution[]>(state.cautions.map((c) => c.caution));
  const [answer, setAnswer] = useState({ state, times: 0 });
  if (answer.state !== state) {
    setAnswer({ state, times: answer.times + 1 });
    // Somebody else may have kept more of them.
    setChosen(state.cautions.map((c) => c.caution));
  }
  const areasOf = (caution: Caution) =>
    state.cautions.find((c) => c.caution === caution)?.areas ?? [];
  return (
    <Fold open={cautions.length > 0}>
      <summary className="cursor-pointer text-xl font-semibold">Cautions, private</summary>
      <form className="mt-3" onSubmit={byHand(action)}>
        <input type="hidden" name="was" value={JSON.stringify(state.was)} />
        <p className="quiet text-sm">
          Only what they told you and agreed to have kept. Up Beat uses it to offer what suits them;
          it is never a diagnosis, and their clinician decides.
        </p>
        <fieldset className="mt-3 grid gap-1.5 md:grid-cols-2">
          <legend className="sr-only">Cautions</legend>
          {CAUTIONS.map((caution) => {
            const on = chosen.includes(caution);
            return (
              <div key={caution}>
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    name={caution}
                    className="checkbox checkbox-sm mt-0.5"
                    checked={on}
                    onChange={(e) =>
                      setChosen(
                        e.target.checked
                          ? [...chosen, caution]
                          : chosen.filter((c) => c !== caution),
                      )
                    }
                  />
                  {CAUTION_NAMES[caution]}
                </label>
                {on && LOCAL_CAUTIONS.includes(caution) && (
                  <fieldset
                    key={answer.times}
                    className="mt-1 ml-7 flex flex-wrap gap-x-3 gap-y-1 text-sm"
                  >
                    <legend className="quiet text-sm">Where; none ticked means everywhere</legend>
                    {AREAS.map((area) => (
                      <label key={area} className="flex items-center gap-1">
                        <input
                          type="checkbox"
                          name={`${caution} ${area}`}
                          className="checkbox checkbox-xs"
                          defaultChecked={areasOf(caution).includes(area)}
                        />
                        {AREA_NAMES[area]}
                      </label>
                    ))}
                  </fieldset>
                )}
              </div>
            );
          })}
        </fieldset>
        <label className="mt-4 flex items-center gap-2 font-medium">
          <input
            type="checkbox"
            name="consent"
            className="checkbox checkbox-sm"
            defaultChecked={consent !== null}
          />
          They agree to have this kept{consent && `, since ${consent}`}
        </label>
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button type="submit" className="btn btn-outline" disabled={pending}>
            Keep the cautions
          </button>
          {consent && (
            <SureButton
              name="withdraw"
              value="yes"
              className="btn btn-ghost"
              disabled={pending}
              title="Forget what they carry?"
              says="No check, draft or stage knows of it any more, and it cannot be brought back."
              yes="Forget it"
            >
              They withdraw: forget them
            </SureButton>
          )}
          {state.error && (
            <p role="alert" className="text-error">
              {state.error}
            </p>
          )}
          {state.kept && !state.error && (
            <p role="status">
              {chosen.length > 0 ? 'Kept.' : 'Forgotten; checks and drafts no longer know of them.'}
            </p>
          )}
        </div>
      </form>
    </Fold>
  );
}
