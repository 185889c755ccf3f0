import type { Instrumentation } from 'next';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** What every process does from time to time while it runs. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [
    { now },
    { db },
    { forgetAll },
    { errorFields, log },
    { withoutMessages },
    { serveDirectly },
    { serveFollowers },
    { filmMaker },
    { sendWaiting },
  ] = await Promise.all([
    import('@/server/clock'),
    import('@/server/db'),
    import('@/server/forget'),
    import('@/server/watch/log'),
    import('@/server/watch/quiet'),
    import('@/app/api/direct'),
    import('@/server/follow/serve'),
    import('@/server/film/maker'),
    import('@/server/studio/carry'),
  ]);
  // The server before the application hands over what is answered past it.
  Object.assign(globalThis, { upBeatFollowers: serveFollowers, upBeatDirectly: serveDirectly });
  console.error = withoutMessages(console.error.bind(console));
  log().info('started');
  const forget = () => forgetAll(db(), now());
  void forget();
  setInterval(forget, DAY_MS).unref();
  const lookAfter = () =>
    filmMaker()
      .sweep(now())
      .catch((problem: unknown) => {
        log().warn(errorFields(problem), 'films without a maker were not looked for');
      });
  setInterval(lookAfter, MINUTE_MS).unref();
  let isSending = false;
  const sendAgain = async () => {
    if (isSending) return;
    isSending = true;
    try {
      await sendWaiting(db(), { now });
    } catch (problem) {
      log().warn(errorFields(problem), 'letters that wait were not sent');
    }
    isSending = false;
  };
  setInterval(sendAgain, MINUTE_MS).unref();
}

/** A fault that nobody expected, in a page, an action or a handler. */
export const onRequestError: Instrumentation.onRequestError = async (error, _, context) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { noteFault } = await import('@/server/watch/faults');
  noteFault(error, { route: context.routePath, in: context.routeType });
};
