import net from 'node:net';

/** Whether a port can be listened on. */
export function isFree(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const server = net.createServer();
    server.once('error', () => resolve(false));
    server.listen({ port, host }, () => server.close(() => resolve(true)));
  });
}

export function freePort() {
  return new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', reject);
    server.listen({ port: 0, host: '127.0.0.1' }, () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Asks again and again until the answer is true; false when the time is up. */
export async function until(isSo, withinMs, everyMs = 100) {
  const end = Date.now() + withinMs;
  while (Date.now() < end) {
    if (await isSo()) return true;
    await pause(everyMs);
  }
  return false;
}
