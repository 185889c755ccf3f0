'use client';

import type { BeatLine } from '@/core/streak';
import { StreakButton } from '../kit/beat-line/streak-button';
import { Empty } from '../kit/empty';
import { ActionForm, ButtonForm, Field, type FormAct } from '../kit/form';
import { Select } from '../kit/form-fields';
import { Page } from '../kit/page';

export interface ProgrammeScreenProps {
  name: string;
  /** Its class, or that it is done at home. */
  where: string;
  rule: string;
  weeks: number;
  ended: string | null;
  /** ISO 8601 date. */
  today: string;
  people: {
    id: string;
    name: string;
    programmeId: string;
    week: string;
    /** How much of it is over, 0 to 1. */
    share: number;
    running: boolean;
    line: BeatLine;
    kept: string;
    to: string;
  }[];
  others: { id: string; name: string }[];
  enrol: FormAct;
  end: FormAct;
}

/** One programme: who is in it, and how far each of them is. */
export function ProgrammeScreen(props: ProgrammeScreenProps) {
  const { name, where, rule, weeks, ended, today, people, others, enrol, end } = props;
  return (
    <Page title={name}>
      <p className="-mt-3">
        {weeks} weeks, {where}
        {ended && `; ended on ${ended}`}
      </p>
      <p className="quiet mt-1 max-w-3xl">{rule}</p>
      <ActionForm
        act={enrol}
        submit="Enrol"
        label="Who is in it"
        over={ended !== null}
        below={() =>
          people.length === 0 ? (
            <Empty title="Nobody is in it yet">Choose the first above.</Empty>
          ) : (
            <div className="relative overflow-x-auto">
              <table className="w-full text-base">
                <caption className="sr-only">Who is in it</caption>
                <thead>
                  <tr className="text-left text-sm">
                    <th scope="col" className="py-1.5 pr-3">
                      Name
                    </th>
                    <th scope="col" className="px-2">
                      How far
                    </th>
                    <th scope="col" className="px-2">
                      Regularity
                    </th>
                    <th scope="col" className="px-2 whitespace-nowrap">
                      Kept
                    </th>
                    <th scope="col" className="px-2">
                      Until
                    </th>
                    <th scope="col">
                      <span className="sr-only">Leaving</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {people.map((p) => (
                    <tr key={p.id} className="border-base-300 border-t">
                      <th scope="row" className="py-1 pr-3 text-left font-medium">
                        <a href={`/people/${p.id}`} className="link link-hover">
                          {p.name}
                        </a>
                      </th>
                      <td className="px-2">
                        <span className="block whitespace-nowrap">{p.week}</span>
                        <progress
                          className="progress w-28"
                          value={p.share}
                          max={1}
                          aria-label={`${p.name}: ${p.week}`}
                        />
                      </td>
                      <td className="px-2">
                        <StreakButton
                          participantId={p.id}
                          name={p.name}
                          classId={p.programmeId}
                          line={p.line}
                        />
                      </td>
                      <td className="figures px-2 whitespace-nowrap">{p.kept}</td>
                      <td className="figures px-2 whitespace-nowrap">{p.to}</td>
                      <td className="text-right">
                        {p.running && (
                          <button
                            type="submit"
                            name="leave"
                            value={p.id}
                            className="btn btn-ghost btn-sm"
                            aria-label={`Leaves the programme: ${p.name}`}
                          >
                            Leaves
                          </button>
                        )}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )
        }
      >
        <div className="mt-6 grid max-w-2xl gap-4 sm:grid-cols-2">
          <Select
            name="person"
            label="Somebody on the register"
            options={['', ...others.map((p) => p.id)]}
            names={{ '': 'choose', ...Object.fromEntries(others.map((p) => [p.id, p.name])) }}
            initial=""
          />
          <Field name="from" label="From" type="date" initial={today} />
        </div>
      </ActionForm>
      <div className="mt-8">
        <ButtonForm act={end} label="The end of the programme">
          <p className="flex flex-wrap items-center gap-3">
            {ended
              ? 'It has ended for everybody.'
              : 'It ends for everybody; what was kept stays to be read.'}
            <button
              type="submit"
              name={ended ? 'again' : 'end'}
              value="yes"
              className="btn btn-outline btn-sm"
            >
              {ended ? 'Let it run again' : 'End the programme'}
            </button>
          </p>
        </ButtonForm>
      </div>
    </Page>
  );
}
