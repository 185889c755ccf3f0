import type { CatchUp, Playback } from '@/core/run';

export interface CatchUpQuestion {
  state: Playback;
  /** When the class should end, epoch ms. */
  endAt: number;
}
export type CatchUpAnswer = { ok: true; trims: CatchUp } | { ok: false; message: string };

/** Works out what to trim, away from the page, so that the class runs on undisturbed. */
export function askCatchUp(state: Playback, endAt: number): Promise<CatchUpAnswer> {
  const worker = new Worker(new URL('./catch-up.worker.ts', import.meta.url), { type: 'module' });
  return new Promise<CatchUpAnswer>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<CatchUpAnswer>) => resolve(data);
    worker.onerror = ({ message }) =>
      resolve({ ok: false, message: message || 'The helper could not be started.' });
    const question: CatchUpQuestion = { state: { ...state, easier: [], last: null }, endAt };
    worker.postMessage(question);
  }).finally(() => worker.terminate());
}
