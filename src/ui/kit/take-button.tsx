import { useEffect, useRef, useState } from 'react';
import { takeFile } from '@/browser/take-file';
import type { Call } from '@/core/calls';
import { useAttempt } from './use-attempt';

export interface TakeButtonProps {
  call: Call;
  asked: { id: string; body: Record<string, string> };
  says: string;
  strong?: boolean;
  /** The token of somebody's own page, where they have no other sign-in. */
  home?: string;
  /** About how many bytes it will have, where the server does not know. */
  bytes: number;
  save: (blob: Blob) => void;
}

/** Takes a file that takes a while to make, and tells how far it is; it can be stopped. */
export function TakeButton({
  call,
  asked,
  says,
  strong,
  home,
  bytes: about,
  save,
}: TakeButtonProps) {
  const [share, setShare] = useState<number | null>(null);
  const { error, busy, attempt } = useAttempt('Nothing was saved.');
  const stop = useRef<AbortController | null>(null);
  // Whoever closes the dialog stops it.
  useEffect(() => () => stop.current?.abort(), []);
  const take = () =>
    attempt(async () => {
      const controller = new AbortController();
      stop.current = controller;
      setShare(0);
      try {
        const { signal } = controller;
        const onBytes = (bytes: number, of: number | null) =>
          setShare(Math.min(0.99, bytes / (of ?? about)));
        save(await takeFile(call, asked, { signal, onBytes, ...(home && { home }) }));
      } catch (problem) {
        if (!controller.signal.aborted) throw problem;
      } finally {
        setShare(null);
      }
    });
  return (
    <>
      <button
        type="button"
        className={`btn ${strong && !busy ? 'btn-primary upbeat-on-accent' : ''}`}
        onClick={() => (busy ? stop.current?.abort() : void take())}
      >
        {busy ? 'Stop' : says}
      </button>
      {share !== null && (
        <progress
          className="progress progress-secondary mt-2 block w-full"
          aria-label="How much of it is made"
          max={1}
          value={share}
        />
      )}
      {error && (
        <p role="alert" className="text-error mt-2 w-full">
          {error}
        </p>
      )}
    </>
  );
}
