'use client';

import { Empty } from '../kit/empty';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { byHand, useAct } from '../kit/use-act';
import { ClassLists, type ClassListsProps } from './class-list';

export interface NewClassState {
  name: string;
  minutes: string;
  error: string | null;
}

export interface ImportState {
  /** What is wrong with the file, one sentence each. */
  problems: string[];
}

/** As many problems of a file are told. */
const TOLD = 8;

export interface ClassesScreenProps extends ClassListsProps {
  create: (state: NewClassState, form: FormData) => Promise<NewClassState>;
  /** Makes a class from a plan file. */
  bring: (state: ImportState, form: FormData) => Promise<ImportState>;
}

export function ClassesScreen({ create, bring, ...lists }: ClassesScreenProps) {
  const [state, action, pending] = useAct<NewClassState>(create, {
    initial: { name: '', minutes: '20', error: null },
    unanswered: (before, error) => ({ ...before, error }),
  });
  return (
    <Page title="Classes">
      <form
        action={action}
        onSubmit={byHand(action)}
        className="bg-base-200/60 border-base-300 rounded-box mb-6 flex flex-wrap items-end gap-3 border p-4"
      >
        <label className="grid grow gap-1">
          <span className="text-sm font-medium">Name of a new class</span>
          <input
            name="name"
            required
            maxLength={80}
            defaultValue={state.name}
            key={state.name}
            className="input w-full"
          />
        </label>
        <label className="grid gap-1">
          <span className="text-sm font-medium">Slot, in minutes</span>
          <input
            name="minutes"
            inputMode="numeric"
            required
            defaultValue={state.minutes}
            key={`m${state.minutes}`}
            className="input w-32"
          />
        </label>
        <button type="submit" className="btn btn-primary" disabled={pending}>
          Make the class
        </button>
        {state.error && (
          <p role="alert" className="text-error w-full font-medium">
            {state.error}
          </p>
        )}
      </form>
      <ImportForm bring={bring} />
      {lists.classes.length === 0 && (
        <Empty title="No classes yet">
          <p>Your classes will stand here. Name the first one above.</p>
        </Empty>
      )}
      <ClassLists {...lists} />
    </Page>
  );
}

function ImportForm({ bring }: Pick<ClassesScreenProps, 'bring'>) {
  const [state, action, pending] = useAct<ImportState>(bring, {
    initial: { problems: [] },
    unanswered: (_, problem) => ({ problems: [problem] }),
    kept: 'Choose the file again.',
  });
  return (
    <details className="mb-6" open={state.problems.length > 0}>
      <summary className="cursor-pointer font-medium">Bring a class from a file</summary>
      <form action={action} className="mt-2 flex flex-wrap items-end gap-3">
        <label className="grid gap-1">
          <span className="text-sm font-medium">Class file (.upbeat.json)</span>
          <input type="file" name="file" accept=".json,application/json" className="file-input" />
        </label>
        <button type="submit" className="btn btn-outline" disabled={pending}>
          Bring it in
        </button>
        <p className="quiet w-full text-sm">
          A list of moves, or captions?{' '}
          <Link href="/classes/written" className="link">
            Read a class that is written down
          </Link>
          .
        </p>
        {state.problems.length > 0 && (
          <ul role="alert" className="text-error w-full">
            {state.problems.slice(0, TOLD).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {state.problems.length > TOLD && <li>and {state.problems.length - TOLD} more</li>}
          </ul>
        )}
      </form>
    </details>
  );
}
