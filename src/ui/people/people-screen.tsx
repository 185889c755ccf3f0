'use client';

import Link from 'next/link';
import { useActionState } from 'react';
import { Empty } from '../kit/empty';
import { Page } from '../kit/page';

export interface PersonRow {
  id: string;
  name: string;
  contact: string | null;
  joined: string;
  attended: number;
  streaks: { className: string; current: number; longest: number }[];
}

export interface NewPersonState {
  name: string;
  contact: string;
  error: string | null;
}

export interface PeopleScreenProps {
  people: PersonRow[];
  add: (state: NewPersonState, form: FormData) => Promise<NewPersonState>;
}

export function PeopleScreen({ people, add }: PeopleScreenProps) {
  const [state, action, pending] = useActionState(add, { name: '', contact: '', error: null });
  return (
    <Page title="People">
      <form
        action={action}
        className="bg-base-200/60 border-base-300 rounded-box mb-6 flex flex-wrap items-end gap-3 border p-4"
      >
        <label className="grid grow gap-1">
          <span className="text-sm font-medium">Name, as they like to be called</span>
          <input
            name="name"
            required
            maxLength={80}
            defaultValue={state.name}
            key={`n${state.name}`}
            className="input w-full"
          />
        </label>
        <label className="grid grow gap-1">
          <span className="text-sm font-medium">Contact, if they wish</span>
          <input
            name="contact"
            maxLength={120}
            defaultValue={state.contact}
            key={`c${state.contact}`}
            className="input w-full"
          />
        </label>
        <button type="submit" className="btn btn-primary" disabled={pending}>
          Add to the register
        </button>
        {state.error && (
          <p role="alert" className="text-error w-full font-medium">
            {state.error}
          </p>
        )}
      </form>
      {people.length === 0 ? (
        <Empty title="Nobody on the register yet">
          <p>Everybody you teach will stand here, with how often they came. Add the first above.</p>
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="table">
            <caption className="sr-only">Participants with classes attended and streaks</caption>
            <thead>
              <tr className="text-base-content text-sm">
                <th scope="col">Name</th>
                <th scope="col" className="max-sm:hidden">
                  On the register since
                </th>
                <th scope="col" className="text-right">
                  Attended
                </th>
                <th scope="col">Streak</th>
              </tr>
            </thead>
            <tbody className="text-base">
              {people.map((p) => (
                <tr key={p.id} className="hover:bg-base-200/60">
                  <th scope="row" className="font-medium">
                    <Link href={`/people/${p.id}`} className="link link-hover">
                      {p.name}
                    </Link>
                  </th>
                  <td className="quiet max-sm:hidden">{p.joined}</td>
                  <td className="figures text-right">{p.attended}</td>
                  <td>
                    {p.streaks.length === 0 && <span className="quiet">not booked</span>}
                    {p.streaks.map((s) => (
                      <span key={s.className} className="mr-4 inline-block">
                        <span className="figures font-semibold">{s.current}</span>{' '}
                        <span className="quiet text-sm">{s.className}</span>
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Page>
  );
}
