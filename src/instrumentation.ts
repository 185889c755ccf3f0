import type { Instrumentation } from 'next';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** What every process does from time to time while it runs. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [
    { now },
    { db },
    { forgetOld },
    { errorFields, log },
    { withoutMessages },
    { serveDirectly },
    { serveFollowers },
    { forgetFollowers },
    { forgetFilms },
    { filmMaker },
    { sendWaiting },
  ] = await Promise.all([
    import('@/server/clock'),
    import('@/server/db'),
    import('@/server/studio/studios'),
    import('@/server/watch/log'),
    import('@/server/watch/quiet'),
    import('@/app/api/direct'),
    import('@/server/follow/serve'),
    import('@/server/follow/followers'),
    import('@/server/film/films'),
    import('@/server/film/maker'),
    import('@/server/studio/carry'),
  ]);
  // The server before the application hands over what is answered past it.
  Object.assign(globalThis, { upBeatFollowers: serveFollowers, upBeatDirectly: serveDirectly });
  console.error = withoutMessages(console.error.bind(console));
  log().info('started');
  const forget = () =>
    Promise.all([
      forgetOld(db(), now()),
      forgetFollowers(db(), now()),
      forgetFilms(db(), now()),
    ]).catch((problem: unknown) => {
      // The database is away for now; tomorrow is soon enough.
      log().error(errorFields(problem), 'what is older than the studios keep was not forgotten');
    });
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
