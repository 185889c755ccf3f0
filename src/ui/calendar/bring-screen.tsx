'use client';

import { ActionForm, type FormAct, Wrong } from '../kit/form';
import { Select } from '../kit/form-fields';
import { Page } from '../kit/page';
import { RoomField } from '../kit/room-field';
import { useLeadingOn } from '../kit/use-leading-on';
import type { BringState } from './bring';

export interface BringScreenProps {
  classes: { id: string; name: string }[];
  teachers: { id: string; name: string }[];
  teacherId: string;
  bring: FormAct<BringState>;
}

/** Reads a calendar file and shows what it has; nothing is planned before the second button. */
export function BringScreen({ classes, teachers, teacherId, bring }: BringScreenProps) {
  const leaders = {
    '': 'left open',
    ...Object.fromEntries(teachers.map((t) => [t.id, t.name])),
  };
  const taking = useLeadingOn(bring, (answer) => answer.to);
  return (
    <Page title="Bring in a calendar file">
      <p className="quiet mb-5 max-w-2xl">
        A file that ends in .ics, of up to 1 MB, as any calendar program and most halls and schools
        give it. Times become sessions of your classes; whole days become closed days. Only what is
        still to come is taken.
      </p>
      <ActionForm
        act={taking}
        submit="Read the file"
        below={(state) => <WhatItHas found={state.found} classes={classes} />}
      >
        <div className="grid max-w-3xl gap-4 md:grid-cols-2">
          <FileField />
          <Select
            name="teacherId"
            label="Led by"
            options={Object.keys(leaders)}
            names={leaders}
            initial={teacherId}
          />
          <RoomField />
        </div>
      </ActionForm>
    </Page>
  );
}

function FileField() {
  return (
    <label className="grid content-start gap-1">
      <span className="font-medium">Calendar file</span>
      <input type="file" name="file" accept=".ics,text/calendar" className="file-input w-full" />
    </label>
  );
}

function WhatItHas({
  found,
  classes,
}: {
  found: BringState['found'];
  classes: BringScreenProps['classes'];
}) {
  if (!found) return null;
  const { text, series, closures, leftOut } = found;
  return (
    <section aria-labelledby="it-has" className="mt-2">
      <h2 id="it-has" className="mb-2 text-xl font-semibold">
        What it has
      </h2>
      <input type="hidden" name="text" value={text} />
      {series.length > 0 && (
        <ul className="divide-base-300 border-base-300 divide-y border-y">
          {series.map((one, i) => (
            <li key={one.uid} className="flex flex-wrap items-center gap-x-6 gap-y-1 py-2">
              <span className="min-w-56 flex-1">
                <span className="block font-medium">{one.name}</span>
                <span className="quiet block">{one.when}</span>
                {one.notes.map((note) => (
                  <span key={note} className="text-error block">
                    {note}
                  </span>
                ))}
              </span>
              <label className="grid gap-1">
                <span className="sr-only">Class for {one.name}</span>
                <select name={`class ${i}`} defaultValue="" className="select">
                  <option value="">leave it out</option>
                  {classes.map((c) => (
                    <option key={c.id} value={c.id}>
                      {c.name}
                    </option>
                  ))}
                </select>
              </label>
            </li>
          ))}
        </ul>
      )}
      {closures.length > 0 && (
        <fieldset className="mt-4">
          <legend className="font-medium">Closed days</legend>
          <ul className="mt-1 grid gap-1">
            {closures.map((c) => (
              <li key={c.index}>
                <label className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    name={`closed ${c.index}`}
                    defaultChecked
                  />
                  {c.name}, {c.when}
                </label>
              </li>
            ))}
          </ul>
        </fieldset>
      )}
      {leftOut.length > 0 && (
        <details className="mt-4">
          <summary className="link text-sm">{leftOut.length} left out</summary>
          <ul className="quiet mt-1 list-disc pl-5">
            {leftOut.map((says) => (
              <li key={says}>{says}</li>
            ))}
          </ul>
        </details>
      )}
      {series.length + closures.length === 0 ? (
        <Wrong says="Nothing in this file is still to come." />
      ) : (
        <button type="submit" name="step" value="take" className="btn btn-primary mt-4">
          Put it on the calendar
        </button>
      )}
    </section>
  );
}
