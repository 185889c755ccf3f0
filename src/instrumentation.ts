import type { Instrumentation } from 'next';
import { Refusal } from '@/core/calls';

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
    import('@/server/follow/serve'),
    import('@/server/follow/followers'),
    import('@/server/film/films'),
    import('@/server/film/maker'),
    import('@/server/studio/carry'),
  ]);
  // The server before the application hands over what many followers ask for at once.
  (globalThis as { upBeatFollowers?: typeof serveFollowers }).upBeatFollowers = serveFollowers;
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

/** A fault that nobody expected, in a page, an action or a handler: told with its route, not with its address. */
export const onRequestError: Instrumentation.onRequestError = async (error, _, context) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [{ errorFields, log }, { metrics }] = await Promise.all([
    import('@/server/watch/log'),
    import('@/server/watch/metrics'),
  ]);
  const { routePath, routeType } = context;
  // A page tells it, as it tells what stands beside a field.
  if (error instanceof Refusal) return metrics().refusals.inc({ code: error.code });
  metrics().errors.inc({ where: routeType });
  log().error({ route: routePath, in: routeType, ...errorFields(error) }, 'a request failed');
};
