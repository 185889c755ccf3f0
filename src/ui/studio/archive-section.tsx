'use client';

import { Download } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ask, toldOf } from '@/browser/api';
import { addressOf, CALLS } from '@/core/calls';
import { Wrong } from '../kit/form';

/** The studio as a file to keep. */
export function ArchiveLink() {
  return (
    <a href={addressOf(CALLS.exportStudio)} download className="btn btn-outline">
      <Download size={18} aria-hidden /> Download the archive
    </a>
  );
}

type State = { kind: 'idle' } | { kind: 'working' } | { kind: 'done' | 'wrong'; says: string };

/** Takes an archive into a studio that has nothing yet; of any other it says why not. */
export function TakeInForm({ empty }: { empty: boolean }) {
  const router = useRouter();
  const [state, setState] = useState<State>({ kind: 'idle' });
  const takeIn = async (file: File) => {
    if (file.size === 0) {
      setState({ kind: 'wrong', says: 'Choose the ZIP file that Up Beat made first.' });
      return;
    }
    setState({ kind: 'working' });
    try {
      const { people, sessions, without } = await ask(CALLS.importStudio, { file });
      const stayed =
        without.length === 0
          ? ''
          : ` ${without.join(', ')} could not come along: their email signs in to another studio here.`;
      setState({
        kind: 'done',
        says: `Taken in: ${people} ${people === 1 ? 'person' : 'people'} and ${sessions} ${sessions === 1 ? 'session' : 'sessions'}.${stayed}`,
      });
      router.refresh();
    } catch (problem) {
      setState({ kind: 'wrong', says: toldOf(problem) });
    }
  };
  const done = state.kind === 'done' ? state.says : '';
  if (!empty) {
    return (
      <p role="status">
        {done || 'An archive is taken into a studio that is still empty; this one is not.'}
      </p>
    );
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        const file = new FormData(event.currentTarget).get('archive');
        if (file instanceof File) void takeIn(file);
      }}
    >
      <label className="grid gap-1">
        <span className="font-medium">Archive of a studio</span>
        <input
          type="file"
          name="archive"
          accept=".zip,application/zip"
          className="file-input w-full"
          aria-invalid={state.kind === 'wrong'}
        />
      </label>
      <Wrong says={state.kind === 'wrong' ? state.says : undefined} />
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-primary" disabled={state.kind === 'working'}>
          Take it in
        </button>
        <p role="status" className="font-medium">
          {state.kind === 'working' ? 'Taking it in …' : done}
        </p>
      </div>
    </form>
  );
}
