import { CALLS } from '@/core/calls';
import {
  type DeviceVoices,
  type Measured,
  MOST_TOLD_AT_ONCE,
  type SaidWord,
  saidByDevice,
  type Utterance,
} from '@/core/speech';
import { ask, isExpected } from './api';
import { DeviceVoice } from './device-voice';

/** What a device measures of its voices is told to the server by so many, or after so long a while, in ms. */
const TOLD_BY = 25;
const TOLD_AFTER_MS = 5000;
/** So many texts in a row without a length that can be: the voice does not tell how long it speaks. */
const ODD_IN_A_ROW = 4;

/** Tells the server how long the voices of this device take. What it cannot be told now is measured again. */
class LengthsToTell {
  private waiting: { voice: string; measured: Measured }[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;

  add = (voice: string, measured: Measured): void => {
    this.waiting.push({ voice, measured });
    if (this.waiting.length >= TOLD_BY) void this.tell();
    else this.timer ??= setTimeout(() => void this.tell(), TOLD_AFTER_MS);
  };

  /** Tells all that waits. */
  async tell(): Promise<void> {
    clearTimeout(this.timer);
    this.timer = undefined;
    const told = this.waiting;
    this.waiting = [];
    for (const voice of new Set(told.map((one) => one.voice))) {
      const measured = told
        .flatMap((one) => (one.voice === voice ? [one.measured] : []))
        .slice(-MOST_TOLD_AT_ONCE);
      try {
        await ask(CALLS.noteDeviceLengths, { body: { voice, measured } });
      } catch (problem) {
        if (!isExpected(problem)) throw problem;
      }
    }
  }
}

/** Voices of this device whose lengths are told to the server as they speak. */
export interface MeasuredVoice {
  voice: DeviceVoice;
  /** Tells what was measured and not told yet. */
  tell: () => Promise<void>;
}

/** @param words how the studio's words are said */
export function measuredVoice(voices: DeviceVoices, words: readonly SaidWord[]): MeasuredVoice {
  const lengths = new LengthsToTell();
  const toSay = saidByDevice(words);
  return {
    voice: new DeviceVoice({ voices, toSay, onMeasured: lengths.add }),
    tell: () => lengths.tell(),
  };
}

/** How it ended: all was said, it was stopped, the voice fell silent, or it does not tell its lengths. */
export type SayingEnd = 'done' | 'stopped' | 'silent' | 'no lengths';

/**
 * Lets a voice say some texts one after the other, so that they are heard, or without sound, so that their lengths are
 * known.
 * @param how.volume 0 to 1
 * @param how.onSaid is told how many were said
 */
export async function sayAll(
  voice: DeviceVoice,
  utterances: readonly Utterance[],
  how: { volume: number; signal: AbortSignal; onSaid?: (count: number) => void },
): Promise<SayingEnd> {
  const { volume, signal, onSaid } = how;
  let odd = 0;
  for (const [i, utterance] of utterances.entries()) {
    if (signal.aborted) return 'stopped';
    const said = await sayOne(voice, utterance, { volume, signal });
    if (said === 'silent' || said === 'stopped') return said;
    odd = said === null ? odd + 1 : 0;
    if (odd >= ODD_IN_A_ROW) return 'no lengths';
    onSaid?.(i + 1);
  }
  return 'done';
}

function sayOne(
  voice: DeviceVoice,
  utterance: Utterance,
  { volume, signal }: { volume: number; signal: AbortSignal },
): Promise<number | null | 'silent' | 'stopped'> {
  return new Promise((resolve) => {
    const stop = voice.say(utterance, {
      volume,
      onEnd: resolve,
      onSilent: () => resolve('silent'),
    });
    const stopped = () => {
      stop();
      resolve('stopped');
    };
    signal.addEventListener('abort', stopped, { once: true });
  });
}
