import { Check, Clock3, Minus, X } from 'lucide-react';
import type { DayVerdict } from '@/core/streak';
import { FeedForms } from '../calendar/feed-forms';
import type { FormAct } from '../kit/form';
import { Page } from '../kit/page';
import { CautionsForm, type CautionsFormProps } from './cautions-form';

export interface PersonScreenProps {
  name: string;
  contact: string | null;
  joined: string;
  streaks: {
    classId: string;
    className: string;
    current: number;
    longest: number;
    days: { sessionId: string; day: string; verdict: DayVerdict }[];
  }[];
  sessions: {
    id: string;
    day: string;
    time: string;
    className: string;
    /** What the register says, in words. */
    register: string;
    took: string;
  }[];
  bookable: { id: string; name: string }[];
  book: (form: FormData) => Promise<void>;
  carried: CautionsFormProps;
  /** Their sessions as an address for a calendar program. */
  feed: { has: boolean; make: FormAct; drop: FormAct };
}

const VERDICTS: Record<DayVerdict, { icon: typeof Check; words: string; className: string }> = {
  kept: { icon: Check, words: 'came', className: 'bg-secondary text-secondary-content' },
  broken: { icon: X, words: 'did not come', className: 'bg-base-300 text-base-content' },
  cancelled: {
    icon: Minus,
    words: 'cancelled, does not count',
    className: 'border border-base-content/40 border-dashed',
  },
  'to come': {
    icon: Clock3,
    words: 'still to come',
    className: 'border border-base-content/40',
  },
};

export function PersonScreen(props: PersonScreenProps) {
  return (
    <Page title={props.name}>
      <p className="quiet -mt-3 mb-6">
        On the register since {props.joined}
        {props.contact && ` · ${props.contact}`}
      </p>
      <h2 className="mb-2 text-xl font-semibold">Streaks</h2>
      {props.streaks.length === 0 ? (
        <p className="quiet">Not booked on a class yet, so there is no streak to keep.</p>
      ) : (
        <ul className="grid gap-4 md:grid-cols-2">
          {props.streaks.map((s) => (
            <li key={s.classId} className="border-base-300 rounded-box border p-4">
              <p className="font-medium">{s.className}</p>
              <p className="mt-1">
                <span className="figures text-3xl font-bold">{s.current}</span>{' '}
                <span className="quiet">in a row, longest {s.longest}</span>
              </p>
              <ol className="mt-3 flex flex-wrap gap-1.5">
                {s.days.map((d) => {
                  const verdict = VERDICTS[d.verdict];
                  return (
                    <li
                      key={d.sessionId}
                      title={`${d.day}: ${verdict.words}`}
                      className={`grid size-8 place-items-center rounded-lg ${verdict.className}`}
                    >
                      <verdict.icon size={16} aria-hidden />
                      <span className="sr-only">
                        {d.day}: {verdict.words}
                      </span>
                    </li>
                  );
                })}
              </ol>
            </li>
          ))}
        </ul>
      )}
      {props.bookable.length > 0 && (
        <form action={props.book} className="mt-5 flex flex-wrap items-end gap-3">
          <label className="grid gap-1">
            <span className="text-sm font-medium">Book on a class</span>
            <select name="classId" className="select">
              {props.bookable.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
            </select>
          </label>
          <button type="submit" className="btn btn-outline">
            Book
          </button>
        </form>
      )}
      <CautionsForm {...props.carried} />
      <details className="mt-6">
        <summary className="cursor-pointer text-xl font-semibold">Their calendar</summary>
        <div className="mt-3 grid max-w-2xl gap-4">
          <p>
            With this address {props.name} can follow the sessions they are booked on in any
            calendar program, those called off and those they wait for included.
          </p>
          <FeedForms {...props.feed} />
        </div>
      </details>
      <h2 className="mt-10 mb-2 text-xl font-semibold">Sessions</h2>
      {props.sessions.length === 0 ? (
        <p className="quiet">The sessions they come to will stand here.</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="table">
            <caption className="sr-only">Sessions of {props.name}</caption>
            <thead>
              <tr className="text-base-content text-sm">
                <th scope="col">Day</th>
                <th scope="col">Class</th>
                <th scope="col">Register</th>
                <th scope="col" className="text-right">
                  Took part
                </th>
              </tr>
            </thead>
            <tbody className="text-base">
              {props.sessions.map((s) => (
                <tr key={s.id}>
                  <td className="figures whitespace-nowrap">
                    {s.day} {s.time}
                  </td>
                  <td>{s.className}</td>
                  <td>{s.register}</td>
                  <td className="figures text-right">{s.took}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Page>
  );
}
