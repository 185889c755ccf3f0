import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { startApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { database } from './lib/database.mjs';
import { ensureDebian } from './lib/debian.mjs';
import { backUpNightly, nightlyFrom, untilClockShows } from './lib/dump.mjs';
import { addressOnNetwork, EVERYBODY, HERE, OPENS } from './lib/hall.mjs';
import { keepRunning } from './lib/keep-running.mjs';
import { LOCK, otherStart } from './lib/lock.mjs';
import { putAside } from './lib/logs.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { bin, DATA_DIR } from './lib/paths.mjs';
import { isFree } from './lib/ports.mjs';
import { run } from './lib/run.mjs';
import { main, say, Trouble } from './lib/say.mjs';

const PORT = Number(process.env.PORT ?? 3000);
const HOST = process.env.HOST ?? HERE;
const resetOnly = process.argv.includes('--reset-demo');

async function prepareDatabase(env, reset) {
  const args = ['scripts/prepare-database.ts', ...(reset ? ['--reset-demo'] : [])];
  const code = await run(bin('tsx'), args, { env });
  if (code !== 0)
    throw new Trouble('The database could not be prepared; what it printed above says why.');
}

/** Whether people reach it on this machine only: then the demo is there for whoever tries it out. */
const isLocal = (url) =>
  !url || ['localhost', '127.0.0.1', '[::1]'].includes(URL.parse(url)?.hostname);

/** Backs everything up night after night, where a folder is configured for it. */
function backUpByNight(nightly, url) {
  const next = () => {
    const timer = setTimeout(
      () => {
        const day = new Date().toLocaleDateString('sv');
        try {
          say(`Backed up to ${backUpNightly(url, { ...nightly, day })}`);
        } catch (error) {
          process.stderr.write(`\nNo backup was made tonight. ${error.message}\n`);
        }
        next();
      },
      untilClockShows(nightly, Date.now()),
    );
    timer.unref();
  };
  next();
}

/** Looks every hour whether a log has become long. */
function keepShort(logs) {
  const look = () => {
    try {
      for (const file of logs) putAside(file);
    } catch (error) {
      process.stderr.write(`\nA log could not be put aside. ${error.message}\n`);
    }
  };
  setInterval(look, 3_600_000).unref();
}

await main(async () => {
  requireNode();
  if (!Number.isInteger(PORT) || PORT < 1 || PORT > 65_535) {
    throw new Trouble(`PORT is "${process.env.PORT}"; it must be a port number from 1 to 65535.`);
  }
  if (HOST !== HERE && HOST !== EVERYBODY) {
    throw new Trouble(
      `HOST is "${HOST}"; it must be ${HERE} (this machine only) or ${EVERYBODY} (everybody on this network).`,
    );
  }
  const onNetwork = HOST === EVERYBODY ? addressOnNetwork() : HERE;
  if (!onNetwork) throw new Trouble('This machine is on no network. Join one, or leave HOST out.');
  const ownUrl = `http://${onNetwork}:${PORT}`;
  try {
    mkdirSync(DATA_DIR, { recursive: true });
  } catch (error) {
    throw new Trouble(`The folder ${DATA_DIR} cannot be written: ${error.message}`);
  }
  const nightly = nightlyFrom(process.env);
  const other = otherStart();
  if (other && !resetOnly) {
    throw new Trouble(`Up Beat is already running here (process ${other}). Stop it first.`);
  }
  if (!resetOnly && !(await isFree(PORT, HOST))) {
    throw new Trouble(`Port ${PORT} is in use. Free it, or choose another: PORT=3001 npm start`);
  }
  await ensurePackages();
  if (!resetOnly) {
    await ensureDebian(['espeak-ng'], { optional: true });
    await ensureDebian(['flite', 'ffmpeg'], { optional: true });
  }
  const { url, stop, logs } = await database();
  const env = {
    DATABASE_URL: url,
    UPBEAT_DATA_DIR: DATA_DIR,
    UPBEAT_DEMO: process.env.UPBEAT_DEMO ?? (isLocal(process.env.UPBEAT_URL ?? ownUrl) ? '1' : '0'),
    UPBEAT_URL: process.env.UPBEAT_URL ?? ownUrl,
  };

  if (resetOnly) {
    await prepareDatabase(env, true);
    if (!other) await stop();
    return 0;
  }

  writeFileSync(LOCK, String(process.pid));
  let app = null;
  let ending = null;
  const end = (code) => {
    ending ??= (async () => {
      await app?.stop();
      await stop();
      rmSync(LOCK, { force: true });
      process.exit(code);
    })();
    return ending;
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(0));
  try {
    await prepareDatabase(env, false);
    await ensureBuild();
    const logFile = path.join(DATA_DIR, 'app.log');
    app = keepRunning({
      start: () => startApp({ port: PORT, host: HOST, env, logFile }),
      tell: (sentence) => process.stderr.write(`\n${sentence} Its log is ${logFile}.\n`),
    });
    if (!(await app.running)) {
      throw new Trouble(`The application did not answer; its log is ${logFile}.`);
    }
    const signIn = path.join(DATA_DIR, 'demo-sign-in.json');
    if (HOST === EVERYBODY) {
      const { default: qr } = await import('qrcode');
      say(`\n${OPENS}\n\nFor phones: ${env.UPBEAT_URL}/follow`);
      say(await qr.toString(`${env.UPBEAT_URL}/follow`, { type: 'utf8' }));
    }
    say(`\nUp Beat is ready at ${ownUrl}`);
    if (env.UPBEAT_DEMO === '1' && existsSync(signIn)) {
      const { email, password } = JSON.parse(readFileSync(signIn, 'utf8'));
      say(`Demo studio: press "Enter the demo studio", or sign in as ${email} with ${password}`);
    }
    const first = path.join(DATA_DIR, 'first-studio');
    if (existsSync(first)) {
      say(`Make your studio here, once: ${new URL(readFileSync(first, 'utf8'), env.UPBEAT_URL)}`);
      rmSync(first);
    }
    if (nightly) backUpByNight(nightly, url);
    keepShort([logFile, ...logs]);
    say('Ctrl-C stops it.');
    await app.givenUp;
    await end(1);
  } catch (error) {
    process.stderr.write(error instanceof Trouble ? `\n${error.message}\n` : `${error.stack}\n`);
    await end(1);
  }
});
