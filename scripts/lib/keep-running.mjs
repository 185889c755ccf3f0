import { pause as wait } from './ports.mjs';

/** How long to wait before the next start after so many ends in a row, in ms. */
export const PAUSES_MS = [500, 1000, 2000, 5000, 10_000, 30_000];
/** What ran for so long counts as well; what ends then is a first end. */
export const WELL_AFTER_MS = 5 * 60_000;

/**
 * Keeps a program running: started again when it ends by itself, after pauses that grow. Given up when it
 * ended so often in a row that trying on would only hide the trouble.
 * @param {{
 *   start: () => Promise<{ ended: Promise<unknown>, stop: () => Promise<void> } | null>,
 *   tell: (sentence: string) => void,
 *   pause?: (ms: number) => Promise<void>,
 *   now?: () => number,
 * }} options `start` gives null where the program did not come up
 * @returns {{ running: Promise<boolean>, givenUp: Promise<void>, stop: () => Promise<void> }} `running` says
 *   whether the first start worked; `givenUp` is fulfilled when no further start is tried
 */
export function keepRunning({ start, tell, pause = wait, now = Date.now }) {
  let stopping = false;
  let current = null;
  let told;
  let stopped;
  const stops = new Promise((resolve) => {
    stopped = resolve;
  });
  const running = new Promise((resolve) => {
    told = resolve;
  });
  const givenUp = (async () => {
    for (let ends = 0; ; ) {
      current = await start();
      told(current !== null);
      if (stopping) return void (await current?.stop());
      const since = now();
      await current?.ended;
      if (stopping) return;
      ends = now() - since >= WELL_AFTER_MS ? 1 : ends + 1;
      const next = PAUSES_MS[ends - 1];
      if (next === undefined) {
        tell(`The application ended ${ends} times in a row, so it is not started again.`);
        return;
      }
      tell(`The application ended by itself. It is started again in ${next / 1000} s.`);
      await Promise.race([pause(next), stops]);
      if (stopping) return;
    }
  })();
  const stop = async () => {
    stopping = true;
    stopped();
    await current?.stop();
    // One that is just being started is not known yet: it is stopped as soon as it runs.
    await givenUp;
  };
  return { running, givenUp, stop };
}
