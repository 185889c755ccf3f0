import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import next from 'next';
import { First } from './lib/first.mjs';
import { allThere, canBeRead, leads, lines } from './lib/lines.mjs';

/**
 * Serves the built application on HOST and PORT. Before the application sees a request of somebody who is signed in, it
 * passes a gate: of one sign-in one thing is at work at a time, so that whoever sends as much as they can makes
 * themselves wait and hardly anybody else. What a class is led with waits for nothing, and what may take long has
 * lines of its own. Pages of people who are not signed in wait in one line for all of them, and none is begun while a
 * teacher does something to a class: however many want in to follow it, whoever leads it hardly notices.
 */

/** What takes longer is not waited for any more: somebody may have asked for much, or something hangs. */
const LONGEST_MS = 10_000;
/** So long does a stranger's page give way at most, in ms: whoever wants could ask for something first without end. */
const GIVES_WAY_MS = 100;
const TOO_MUCH = 'You have asked for much at once. Wait a moment, then try again.';
const UNREADABLE =
  'This address cannot be read. Look at it once more: a sign of it may have been lost.';
const HOST = process.env.HOST ?? '127.0.0.1';
const PORT = Number(process.env.PORT);

// What it keeps on the disk, such as films and what was said, is for nobody else on this machine.
process.umask(0o077);

/**
 * What an action leads to is asked for by the application itself, with what it was asked with; it goes with the
 * action. Nobody else knows the word.
 */
const INNER = 'x-up-beat-inner';
const WORD = randomUUID();

// As `next start` sets it: what the application asks itself for goes there, whatever name it was asked under.
process.env.__NEXT_PRIVATE_ORIGIN = `http://${HOST === '0.0.0.0' ? '127.0.0.1' : HOST}:${PORT}`;

const lineOf = lines();
const first = new First();
const server = createServer();
const app = next({ dev: false, hostname: HOST, port: PORT, httpServer: server });
await app.prepare();
const handle = app.getRequestHandler();

/** Passes the gate, where a request has to. @returns false where too much waits there already */
async function passGate(request, response) {
  const line = request.headers[INNER] === WORD ? null : lineOf(request);
  if (!line) return true;
  if (line.sends && !(await allThere(request))) return false;
  const leave = await line.gate.enter(line.owner);
  if (!leave) return false;
  const patience = setTimeout(leave, LONGEST_MS);
  const over = () => {
    clearTimeout(patience);
    leave();
  };
  // Whoever asked may have gone meanwhile.
  if (response.destroyed) over();
  else response.once('close', over);
  if (line.givesWay) await first.giveWay(GIVES_WAY_MS);
  return true;
}

server.on('request', async (request, response) => {
  try {
    if (!canBeRead(request.url)) {
      response.writeHead(400, { 'Content-Type': 'text/plain', Connection: 'close' });
      response.end(UNREADABLE);
      return;
    }
    if (globalThis.upBeatFollowers?.(request, response)) return;
    if (leads(request)) response.once('close', first.begin());
    if (globalThis.upBeatDirectly?.(request, response)) return;
    const passed = await passGate(request, response);
    request.headers[INNER] = WORD;
    if (response.destroyed) return;
    if (passed) return await handle(request, response);
    // As the application's own refusals are told, so that a page can tell it where it was asked; to an action in words.
    const acts = 'next-action' in request.headers;
    response.writeHead(429, {
      'Content-Type': acts ? 'text/plain' : 'application/json',
      'Retry-After': '1',
      // What is still being sent is not read.
      Connection: 'close',
    });
    response.end(acts ? TOO_MUCH : JSON.stringify({ code: 'still-busy', message: TOO_MUCH }));
  } catch (error) {
    console.error(error);
    response.destroy();
  }
});

for (const signal of ['SIGTERM', 'SIGINT']) {
  process.once(signal, () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
  });
}
server.listen(PORT, HOST);
