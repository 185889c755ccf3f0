import type { Page } from '@playwright/test';

/** A sound the page started: when on the audio clock, how long, and how much silence it begins with. */
export interface Source {
  when: number;
  seconds: number;
  leadSeconds: number;
  kind: 'speech' | 'tone';
}

/** A stretch of what came out of the page. */
interface Chunk {
  /** Audio time of its beginning, in seconds. */
  from: number;
  /** The time of day it was rendered at, epoch ms. */
  at: number;
  /** The loudest sample of each frame. */
  peaks: number[];
}

export interface Heard {
  sources: Source[];
  frameSeconds: number;
  chunks: Chunk[];
}

/** Quieter than this is silence. */
const THRESHOLD = 0.01;
const FRAME = 64;
/** How far from its place a sound is looked for, in seconds. */
const NEAR_S = 0.2;
/** A stall of the audio device that a listener might notice, in ms. */
const STALL_MS = 10;
/** Over how long the audio clock is held against the time of day, in seconds. */
const AROUND_S = 1;

/** Listens on the audio thread, where nothing is missed however busy the page is. */
const TAP = `
registerProcessor('tap', class extends AudioWorkletProcessor {
  constructor() { super(); this.peaks = []; this.from = 0; this.at = 0; }
  process([input]) {
    if (this.peaks.length === 0) { this.from = currentTime; this.at = Date.now(); }
    const samples = input[0] ?? new Float32Array(128);
    for (let i = 0; i < samples.length; i += ${FRAME}) {
      let most = 0;
      for (let j = i; j < i + ${FRAME}; j++) most = Math.max(most, Math.abs(samples[j]));
      this.peaks.push(most);
    }
    if (this.peaks.length >= 256) {
      this.port.postMessage({ from: this.from, at: this.at, peaks: this.peaks });
      this.peaks = [];
    }
    return true;
  }
});`;

/** Notes every sound the page starts and does not take back before it is heard, from the next load on. */
export async function noteSources(page: Page): Promise<void> {
  await page.addInitScript((threshold) => {
    const heard = { sources: [] as unknown[], frameSeconds: 0, chunks: [] as unknown[] };
    Object.assign(window, { heard });
    const note = (kind: string, prototype: AudioScheduledSourceNode) => {
      const { start, stop } = prototype;
      const known = new WeakMap<AudioScheduledSourceNode, { when: number }>();
      prototype.start = function (this: AudioScheduledSourceNode, when = 0) {
        const buffer = (this as Partial<AudioBufferSourceNode>).buffer;
        const samples = buffer?.getChannelData(0);
        const first = samples?.findIndex((s) => Math.abs(s) > threshold) ?? 0;
        const source = {
          kind,
          when: Math.max(when, this.context.currentTime),
          seconds: buffer?.duration ?? 0,
          leadSeconds: buffer ? Math.max(0, first) / buffer.sampleRate : 0,
        };
        known.set(this, source);
        heard.sources.push(source);
        start.call(this, when);
      };
      prototype.stop = function (this: AudioScheduledSourceNode, when?: number) {
        const source = known.get(this);
        if (source && when === undefined && source.when > this.context.currentTime) {
          heard.sources.splice(heard.sources.indexOf(source), 1);
        }
        stop.call(this, when);
      };
    };
    note('speech', AudioBufferSourceNode.prototype);
    note('tone', OscillatorNode.prototype);
  }, THRESHOLD);
}

/** Records what the page plays, at its way out, from the next load on. The page must bypass its CSP. */
export async function recordOutput(page: Page): Promise<void> {
  await noteSources(page);
  await page.addInitScript(
    ({ tap, frame }) => {
      const { heard } = window as unknown as { heard: Heard };
      const connect = AudioNode.prototype.connect as (
        this: AudioNode,
        to: AudioNode | AudioParam,
        ...more: number[]
      ) => AudioNode;
      const taps = new WeakMap<BaseAudioContext, Promise<AudioWorkletNode>>();
      const tapOf = (context: AudioContext): Promise<AudioWorkletNode> => {
        const made = taps.get(context) ?? listenIn(context);
        taps.set(context, made);
        return made;
      };
      const listenIn = async (context: AudioContext): Promise<AudioWorkletNode> => {
        const url = URL.createObjectURL(new Blob([tap], { type: 'text/javascript' }));
        await context.audioWorklet.addModule(url);
        const node = new AudioWorkletNode(context, 'tap');
        heard.frameSeconds = frame / context.sampleRate;
        node.port.onmessage = ({ data }) => heard.chunks.push(data);
        connect.call(node, context.destination);
        return node;
      };
      AudioNode.prototype.connect = function (
        this: AudioNode,
        to: AudioNode | AudioParam,
        ...more: number[]
      ) {
        if (to instanceof AudioDestinationNode) {
          void tapOf(this.context as AudioContext).then((node) => connect.call(this, node));
        }
        return connect.call(this, to, ...more);
      } as typeof AudioNode.prototype.connect;
    },
    { tap: TAP, frame: FRAME },
  );
}

export const heard = (page: Page): Promise<Heard> =>
  page.evaluate(() => (window as unknown as { heard: Heard }).heard);

export const median = (all: readonly number[]): number =>
  all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)] ?? Number.NaN;

export const quantile = (all: readonly number[], q: number): number =>
  all.toSorted((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * q))] ?? Number.NaN;

/**
 * Where a sound really began, in audio seconds: the first loud frame near where it should, after the
 * sounds before it are over; null if there is none.
 */
export function onsetOf(source: Source, { sources, chunks, frameSeconds }: Heard): number | null {
  const expected = source.when + source.leadSeconds;
  const over = sources.filter((s) => s.when < source.when).map((s) => s.when + s.seconds);
  const from = Math.max(expected - NEAR_S, ...over);
  for (const chunk of chunks) {
    if (chunk.from + chunk.peaks.length * frameSeconds < from) continue;
    if (chunk.from > expected + NEAR_S) return null;
    for (const [i, peak] of chunk.peaks.entries()) {
      const time = chunk.from + i * frameSeconds;
      if (peak > THRESHOLD && time >= from && time <= expected + NEAR_S) return time;
    }
  }
  return null;
}

/** The time of day less the audio time around an audio time, in ms; it grows where rendering stalled. */
const apartAround = ({ chunks }: Heard, time: number, seconds: number): number =>
  median(chunks.filter((c) => Math.abs(c.from - time) <= seconds).map((c) => c.at - c.from * 1000));

/**
 * The time of day at which a sound began to play, epoch ms, the silence at its head taken off; null
 * where it was not heard. The audio clock is held against the time of day around the sound, since it
 * stands still while the machine is too busy to render.
 */
export function heardAt(source: Source, output: Heard): number | null {
  const onset = onsetOf(source, output);
  if (onset === null) return null;
  return (onset - source.leadSeconds) * 1000 + apartAround(output, onset, AROUND_S);
}

/** Whether the machine failed to render for a moment around a sound, which no schedule can foresee. */
export function stalledAround({ when }: Source, { chunks }: Heard): boolean {
  const apart = chunks
    .filter((c) => c.from >= when - 2 && c.from <= when + 1)
    .map((c) => c.at - c.from * 1000);
  return quantile(apart, 0.9) - quantile(apart, 0.1) > STALL_MS;
}

/** The longest that the machine rendered nothing at one time, in ms: it stood still, and with it all that is to be heard. */
export const longestStallMs = ({ chunks }: Heard): number =>
  chunks.reduce((longest, chunk, i) => {
    const { at, from } = chunks[i - 1] ?? chunk;
    return Math.max(longest, chunk.at - at - (chunk.from - from) * 1000);
  }, 0);
