import { spawn } from 'node:child_process';
import { closeSync } from 'node:fs';
import { openLog } from './logs.mjs';
import { inRoot, ROOT } from './paths.mjs';
import { until } from './ports.mjs';

/** How long an application that is asked to end may take, in ms. */
const PATIENCE_MS = 5000;

/**
 * Starts the built application, on loopback where nothing else is said, in a process group of its own.
 * @returns {Promise<{ url: string, ended: Promise<void>, stop: (signal?: NodeJS.Signals) => Promise<void> } | null>} null where it did not answer in time
 */
export async function startApp({ port, host = '127.0.0.1', env, logFile }) {
  const url = `http://127.0.0.1:${port}`;
  const log = logFile ? openLog(logFile) : 'inherit';
  const child = spawn(process.execPath, [inRoot('scripts', 'serve.mjs')], {
    cwd: ROOT,
    env: {
      ...process.env,
      ...env,
      HOST: host,
      PORT: String(port),
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: ['ignore', log, log],
    detached: true,
  });
  if (typeof log === 'number') closeSync(log);
  let gone = false;
  const closed = new Promise((resolve) =>
    child.once('close', () => {
      gone = true;
      resolve();
    }),
  );
  const stop = async (signal = 'SIGTERM') => {
    if (gone) return;
    process.kill(-child.pid, signal);
    // It waits for open connections, and a stage keeps one open for as long as it is shown.
    const patience = setTimeout(() => process.kill(-child.pid, 'SIGKILL'), PATIENCE_MS);
    await closed;
    clearTimeout(patience);
  };
  const answers = async () => {
    if (gone) return true;
    try {
      return (await fetch(`${url}/sign-in`)).ok;
    } catch {
      return false;
    }
  };
  const up = (await until(answers, 60_000)) && !gone;
  if (up) return { url, ended: closed, stop };
  await stop('SIGKILL');
  return null;
}
