'use client';

import dynamic from 'next/dynamic';
import type { HomeWords } from '@/core/home/words';
import { english } from '@/core/home/words/en';
import { filled } from '@/core/language/filled';
import { type CheckIn, MOST_FELT, SCALES } from '@/core/people';
import { ActionForm, ButtonForm, type FormAct } from '../kit/form';
import { Area, Scale } from '../kit/form-fields';
import { SureButton } from '../kit/sure-button';
import { Fold } from './folded';

/** Only where there is something to draw, so that a page without it loads no chart. */
const CheckInChart = dynamic(() => import('./check-in-chart'), { ssr: false });

export interface CheckInsProps {
  /** Day of their consent, as it is shown; null while nothing is kept. */
  consent: string | null;
  /** The week that is asked for now. */
  due: number | null;
  given: CheckIn[];
  agree: FormAct;
  keep: FormAct;
}

const NAMES = Object.entries(SCALES) as [keyof typeof SCALES, string][];

/** How it feels to somebody after 0, 2, 8 and 20 weeks: private, off until they agree, no score of looks. */
export function CheckIns({
  name,
  consent,
  due,
  given,
  agree,
  keep,
}: CheckInsProps & { name: string }) {
  return (
    <Fold open={given.length > 0 || due !== null}>
      <summary className="cursor-pointer text-xl font-semibold">Check-ins, private</summary>
      <div className="mt-3 grid gap-4">
        <p className="quiet text-sm">
          After 0, 2, 8 and 20 weeks {name} may say how it feels, never after one class. Some people
          notice something, others do not. No picture is kept, and nothing is said of looks.
        </p>
        <ButtonForm act={agree} label="Consent to check-ins">
          <p className="flex flex-wrap items-center gap-3">
            {consent ? `They agreed on ${consent}.` : 'Nothing is asked until they agree.'}
            {consent ? (
              <SureButton
                name="withdraw"
                value="yes"
                className="btn btn-outline btn-sm"
                title="Forget all that they said of it?"
                says={`What ${name} said after 0, 2, 8 and 20 weeks goes, and cannot be brought back.`}
                yes="Forget it all"
              >
                They withdraw: forget it all
              </SureButton>
            ) : (
              <button type="submit" name="agree" value="yes" className="btn btn-outline btn-sm">
                They agree
              </button>
            )}
          </p>
        </ButtonForm>
        {due !== null && <CheckInForm week={due} keep={keep} words={english} />}
        {given.length > 0 && (
          <>
            <CheckInChart given={given} />
            <CheckInTable given={given} />
          </>
        )}
      </div>
    </Fold>
  );
}

interface CheckInFormProps {
  week: number;
  keep: FormAct;
  words: Pick<HomeWords, 'checkIn' | 'keepIt' | 'scales' | 'ends' | 'scale' | 'ownWords'>;
}

/** The few questions, each from 0 to 10. */
export function CheckInForm({ week, keep, words }: CheckInFormProps) {
  return (
    <ActionForm act={keep} submit={words.keepIt} label={filled(words.checkIn, { week })}>
      {NAMES.map(([key]) => (
        <Scale
          key={key}
          name={key}
          most={MOST_FELT}
          label={filled(words.scale, { what: words.scales[key], ...words.ends[key] })}
        />
      ))}
      <Area name="words" label={words.ownWords} />
    </ActionForm>
  );
}

function CheckInTable({ given }: { given: readonly CheckIn[] }) {
  return (
    <table className="w-full text-left [&_td]:py-1.5 [&_td]:pr-3 [&_th]:py-1.5 [&_th]:pr-3 [&_th]:align-bottom">
      <caption className="sr-only">Check-ins</caption>
      <thead>
        <tr className="text-sm">
          <th scope="col">Week</th>
          {NAMES.map(([key, label]) => (
            <th key={key} scope="col">
              {label}
            </th>
          ))}
          <th scope="col">In their words</th>
        </tr>
      </thead>
      <tbody className="text-base">
        {given.map((c) => (
          <tr key={c.week}>
            <th scope="row">{c.week}</th>
            {NAMES.map(([key]) => (
              <td key={key} className="figures">
                {c[key]}
              </td>
            ))}
            <td>{c.words}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
