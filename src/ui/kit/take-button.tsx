import { useEffect, useRef, useState } from 'react';
import { Refused, toldOf, Unreachable } from '@/browser/api';
import { type HowFar, type Taking, takeFile } from '@/browser/take-file';
import type { Call } from '@/core/calls';
import type { TakeWords } from '@/core/home/words';
import { TAKING } from '@/core/home/words/taking-en';
import { filled } from '@/core/language/filled';
import { useAttempt } from './use-attempt';

export interface TakeButtonProps extends Pick<Taking, 'home' | 'look'> {
  call: Call;
  asked: { id: string; body: Record<string, string> };
  says: string;
  strong?: boolean;
  /** About how many bytes it will have, where the server does not know. */
  bytes: number;
  save: (blob: Blob) => void;
  /** What is said of it where the page is not in English. */
  words?: TakeWords;
  /** Why the server says no, in the language of the page. */
  refused?: (refused: Refused) => string;
}

/** Takes a file that takes a while to make, and tells how far it is; it can be stopped. */
export function TakeButton(props: TakeButtonProps) {
  const { call, asked, says, strong, home, look, bytes, save, words = TAKING, refused } = props;
  const [howFar, setHowFar] = useState<HowFar | null>(null);
  const { error, busy, attempt } = useAttempt(undefined, (problem) => {
    if (problem instanceof Unreachable) return words.away;
    return problem instanceof Refused && refused ? refused(problem) : toldOf(problem);
  });
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
        {busy ? words.stop : says}
      </button>
      {busy && <Progress howFar={howFar} about={bytes} words={words} />}
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
  words: TakeWords,
): [says: string, share: number | null, of: string] {
  if (!howFar) return [words.making, null, ''];
  if (howFar.state === 'waiting') {
    const { before } = howFar;
    const more = filled(words.more, { n: before });
    return [before === 0 ? words.next : before === 1 ? words.one : more, null, ''];
  }
  if (howFar.state === 'making') {
    return [words.making, howFar.share, `${Math.floor(100 * howFar.share)} %`];
  }
  const { bytes, of } = howFar;
  const share = Math.min(NEARLY, bytes / (of ?? about));
  return [words.saving, share, `${(bytes / BYTES_A_MB).toFixed(1)} MB`];
}

interface ProgressProps {
  howFar: HowFar | null;
  about: number;
  words: TakeWords;
}

function Progress({ howFar, about, words }: ProgressProps) {
  const [says, share, of] = told(howFar, about, words);
  return (
    <div className="mt-2 w-full">
      <p className="quiet text-sm">
        <span role="status">{says}</span>
        {of && `: ${of}`}
      </p>
      <progress
        className="progress progress-secondary block w-full"
        aria-label={words.howFar}
        max={1}
        {...(share !== null && { value: share })}
      />
    </div>
  );
}
