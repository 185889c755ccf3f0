'use client';

import { useState } from 'react';
import { Dialog } from '../kit/dialog';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Area, Select } from '../kit/form-fields';

export interface SelectionProps {
  ids: readonly string[];
  /** How many the list shows on all its pages. */
  total: number;
  /** What the list is narrowed to, as its address has it. */
  query: string;
  classes: { id: string; name: string }[];
  book: FormAct;
  write: FormAct;
  give: FormAct;
  homeClasses: { id: string; name: string }[];
  clear: () => void;
}

/** What can be done with those who are chosen, or with all that the list shows. */
export function Selection(props: SelectionProps) {
  const { ids, total, query, classes, clear } = props;
  const [all, setAll] = useState(false);
  const [doing, setDoing] = useState<'book' | 'write' | 'give' | null>(null);
  if (ids.length === 0) return null;
  const who = all ? `${total} people` : ids.length === 1 ? '1 person' : `${ids.length} people`;
  const hidden = (
    <>
      <input type="hidden" name="ids" value={all ? '' : ids.join(',')} />
      <input type="hidden" name="query" value={query} />
    </>
  );
  return (
    <section
      aria-label="Chosen people"
      className="bg-base-200 rounded-box mt-3 flex flex-wrap items-center gap-3 px-4 py-2"
    >
      <p className="font-medium">{who} chosen</p>
      {total > ids.length && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={all}
            onChange={(e) => setAll(e.target.checked)}
          />
          All {total} of the list
        </label>
      )}
      <button type="button" className="btn btn-sm" onClick={() => setDoing('book')}>
        Book on a class
      </button>
      <button type="button" className="btn btn-sm" onClick={() => setDoing('write')}>
        Write to them
      </button>
      <button type="button" className="btn btn-sm" onClick={() => setDoing('give')}>
        Give a class to do at home
      </button>
      <a
        href={`/api/people?${query}${all ? '' : `&ids=${ids.join(',')}`}`}
        className="btn btn-sm"
        download
      >
        CSV
      </a>
      <button type="button" className="btn btn-ghost btn-sm" onClick={clear}>
        Choose nobody
      </button>
      {doing === 'book' && (
        <Dialog title={`Book ${who} on a class`} onClose={() => setDoing(null)}>
          <ActionForm act={props.book} submit="Book them" label="Book them">
            {hidden}
            <Select
              name="classId"
              label="Class"
              options={classes.map((c) => c.id)}
              names={Object.fromEntries(classes.map((c) => [c.id, c.name]))}
              initial={classes[0]?.id ?? ''}
            />
          </ActionForm>
        </Dialog>
      )}
      {doing === 'give' && (
        <Dialog title={`A class to do at home, for ${who}`} onClose={() => setDoing(null)}>
          <ActionForm act={props.give} submit="Give it" label="A class to do at home">
            {hidden}
            <p className="quiet">
              It stands on their own page. Nobody gets it who carries something that is against a
              move of it.
            </p>
            <Select
              name="classId"
              label="Class"
              options={props.homeClasses.map((c) => c.id)}
              names={Object.fromEntries(props.homeClasses.map((c) => [c.id, c.name]))}
              initial={props.homeClasses[0]?.id ?? ''}
            />
          </ActionForm>
        </Dialog>
      )}
      {doing === 'write' && (
        <Dialog title={`Write to ${who}`} onClose={() => setDoing(null)}>
          <ActionForm act={props.write} submit="Write the letters" label="Write to them">
            {hidden}
            <p className="quiet">
              Each gets a letter of their own; nobody sees who else does. Whoever gave no email is
              named.
            </p>
            <Field name="subject" label="Subject" />
            <Area name="body" label="Letter" />
          </ActionForm>
        </Dialog>
      )}
    </section>
  );
}
