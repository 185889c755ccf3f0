import { workerSolver } from '@/browser/solver/in-worker';
import { catchUp } from '@/core/run';
import type { CatchUpAnswer, CatchUpQuestion } from './ask-catch-up';

const say = (answer: CatchUpAnswer) => postMessage(answer);

self.addEventListener('message', async ({ data }: MessageEvent<CatchUpQuestion>) => {
  try {
    say({ ok: true, trims: catchUp(data.state, data.endAt, await workerSolver()) });
  } catch (error) {
    say({ ok: false, message: error instanceof Error ? error.message : String(error) });
  }
});
