import { useEffect, useRef, useState } from 'react';
import { type MeasuredVoice, type SayingEnd, sayAll } from '@/browser/device-lengths';
import { clock } from '@/core/formats';
import { estimateSpeech, type Utterance } from '@/core/speech';

/** What lies between two texts, in ms. */
const BETWEEN_MS = 300;

const END_WORDS: Record<SayingEnd, string | null> = {
  done: null,
  stopped: null,
  silent: 'The voice of this device fell silent. Try again, or choose another voice.',
  'no lengths':
    'This voice does not tell how long it speaks, so its cues stay as long as they are expected to be.',
};

export interface UnmeasuredProps {
  device: MeasuredVoice;
  /** What it never said. */
  utterances: readonly Utterance[];
  /** Is called when some of it was said. */
  over: () => void;
  busy: boolean;
}

/** Tells that a voice of this device never said some cues, and lets it say them without sound. */
export function Unmeasured({ device, utterances, over, busy }: UnmeasuredProps) {
  const [said, setSaid] = useState<number | null>(null);
  const [end, setEnd] = useState<SayingEnd | null>(null);
  const stop = useRef(new AbortController());
  /** The class began, or the page was left: it must not be made ready anew under whoever leads it. */
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      stop.current.abort();
    };
  }, []);
  const measure = async () => {
    stop.current = new AbortController();
    setEnd(null);
    setSaid(0);
    const { signal } = stop.current;
    const ended = await sayAll(device.voice, utterances, { volume: 0, signal, onSaid: setSaid });
    await device.tell();
    if (left.current) return;
    setSaid(null);
    setEnd(ended);
    over();
  };
  const toSay = utterances.slice(said ?? 0);
  const leftMs = toSay.reduce(
    (sum, u) => sum + BETWEEN_MS + estimateSpeech(u.text, u.language, u.wordsPerMinute),
    0,
  );
  return (
    <div className="border-warning mt-4 border-l-4 pl-3">
      <p>
        {utterances.length === 1
          ? 'One cue was never said by this voice: its length is only expected.'
          : `${utterances.length} cues were never said by this voice: their lengths are only expected.`}
      </p>
      {said === null ? (
        <button
          type="button"
          className="btn btn-sm btn-neutral mt-2"
          onClick={measure}
          disabled={busy}
        >
          Let it say them now, without sound ({clock(leftMs)})
        </button>
      ) : (
        <div className="mt-2 flex items-center gap-3">
          <progress
            className="progress progress-primary flex-1"
            aria-label="Cues that were said"
            value={said}
            max={utterances.length}
          />
          <span className="figures text-sm">{clock(leftMs)}</span>
          <button
            type="button"
            className="btn btn-sm btn-neutral"
            onClick={() => stop.current.abort()}
          >
            Stop
          </button>
        </div>
      )}
      <p role="status" className="mt-1 text-sm empty:hidden">
        {end && END_WORDS[end]}
      </p>
    </div>
  );
}
