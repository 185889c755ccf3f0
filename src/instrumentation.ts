const DAY_MS = 86_400_000;

/** What every process does from time to time while it runs. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [{ now }, { db }, { forgetOld }] = await Promise.all([
    import('@/server/clock'),
    import('@/server/db'),
    import('@/server/studio/studios'),
  ]);
  const forget = () =>
    forgetOld(db(), now()).catch((problem: unknown) => {
      // The database is away for now; tomorrow is soon enough.
      console.error('What is older than the studios keep could not be forgotten.', problem);
    });
  setInterval(forget, DAY_MS).unref();
}
