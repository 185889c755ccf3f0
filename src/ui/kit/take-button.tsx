import { useEffect, useRef, useState } from 'react';
import { type HowFar, type Taking, takeFile } from '@/browser/take-file';
import type { Call } from '@/core/calls';
import { useAttempt } from './use-attempt';

export interface TakeButtonProps extends Pick<Taking, 'home' | 'look'> {
  call: Call;
  asked: { id: string; body: Record<string, string> };
  says: string;
  strong?: boolean;
  /** About how many bytes it will have, where the server does not know. */
  bytes: number;
  save: (blob: Blob) => void;
}

/** Takes a file that takes a while to make, and tells how far it is; it can be stopped. */
export function TakeButton(props: TakeButtonProps) {
  const { call, asked, says, strong, home, look, bytes, save } = props;
  const [howFar, setHowFar] = useState<HowFar | null>(null);
  const { error, busy, attempt } = useAttempt('Nothing was saved.');
  const stop = useRef<AbortController | null>(null);
  // Whoever closes the dialog stops it.
  useEffect(() => () => stop.current?.abort(), []);
  const take = () =>
    attempt(async () => {
      const controller = new AbortController();
      stop.current = controller;
      setHowFar(null);
      try {
        const { signal } = controller;
        const how = { signal, onProgress: setHowFar, ...(home && { home }), ...(look && { look }) };
        save(await takeFile(call, asked, how));
      } catch (problem) {
        if (!controller.signal.aborted) throw problem;
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
      {busy && <Progress howFar={howFar} about={bytes} />}
      {error && (
        <p role="alert" className="text-error mt-2 w-full">
          {error}
        </p>
      )}
    </>
  );
}

const BYTES_A_MB = 1e6;
/** A file that is sent is never said to be whole before it is. */
const NEARLY = 0.99;

/** What is said of it, and how much of that is done, from 0 to 1 and in words; null where nobody knows. */
function told(
  howFar: HowFar | null,
  about: number,
): [says: string, share: number | null, of: string] {
  if (!howFar) return ['Being made', null, ''];
  if (howFar.state === 'waiting') {
    const { before } = howFar;
    const line =
      before === 0 ? 'it is next' : before === 1 ? 'one is before it' : `${before} are before it`;
    return [`Waits for its turn: ${line}`, null, ''];
  }
  if (howFar.state === 'making') {
    return ['Being made', howFar.share, `${Math.floor(100 * howFar.share)} %`];
  }
  const { bytes, of } = howFar;
  const share = Math.min(NEARLY, bytes / (of ?? about));
  return ['Being saved', share, `${(bytes / BYTES_A_MB).toFixed(1)} MB`];
}

function Progress({ howFar, about }: { howFar: HowFar | null; about: number }) {
  const [says, share, of] = told(howFar, about);
  return (
    <div className="mt-2 w-full">
      <p className="quiet text-sm">
        <span role="status">{says}</span>
        {of && `: ${of}`}
      </p>
      <progress
        className="progress progress-secondary block w-full"
        aria-label="How far it is"
        max={1}
        {...(share !== null && { value: share })}
      />
    </div>
  );
}
