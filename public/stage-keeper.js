/**
 * Keeps the stage on the device, so that it can be opened again while the server is away: the page of the
 * class that is led, what it is made of, and what is said and played in it. Everything else goes past it.
 */
const STORE = 'up-beat-stage';
const STAGE = /^\/(lead\/[0-9a-f-]{36}|follow\/([A-Z0-9]{6}|again))$/;
/** Classes that may be done again alone. */
const AGAIN = '/follow/again';
const PARTS = '/_next/static/';
const SPEECH = ['/api/speech', '/api/follow/speech'];
/** Pieces of music, which never change under their address. */
const MUSIC = '/api/music/';
/** A connection that gives no answer for so long gives none, in ms. */
const PATIENCE_MS = 6000;
/** About two hours of class. */
const MOST_SPOKEN = 800;

/** A class is led within hours; a page with names that is older is forgotten. */
const KEPT_MS = 24 * 3_600_000;
const KEPT_AT = 'x-kept-at';

const open = () => caches.open(STORE);
const pathOf = (request) => new URL(request.url).pathname;
const kept = async (request) => (await open()).match(request, { ignoreVary: true });

/** A page as it is kept, with the time of it. */
function dated(answer) {
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, String(Date.now()));
  return new Response(answer.body, { status: answer.status, headers });
}

/** A kept page, unless it is too old: then all that was kept is forgotten. */
async function keptPage(request) {
  const answer = await kept(request);
  if (!answer || Date.now() - Number(answer.headers.get(KEPT_AT)) < KEPT_MS) return answer;
  await caches.delete(STORE);
  return undefined;
}

/** The server's answer, or nothing where it is away or in trouble. */
async function answerOf(request) {
  const late = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
  const answer = await Promise.race([fetch(request), late]).catch(() => undefined);
  return [500, 502, 504].includes(answer?.status) ? undefined : answer;
}

async function fresh(request, keep) {
  const answer = await answerOf(request);
  // What was said in a class that is over is said by nobody else any more.
  if (keep && answer && !answer.ok) return (await kept(request)) ?? answer;
  if (answer?.ok && keep) await (await open()).put(request, answer.clone());
  return answer ?? (await (keep ? kept(request) : keptPage(request))) ?? fetch(request);
}

/**
 * A part of a page, as an answer without an address. A web worker takes the address of its answer for its
 * own, and would lose what stands behind the # in the one it was started with.
 */
async function part(request) {
  const answer = (await kept(request)) ?? (await fetch(request));
  return new Response(answer.body, answer);
}

/** What never changes: as it was kept, or fetched once. */
async function lasting(request) {
  const before = await kept(request);
  if (before) return before;
  const answer = await fetch(request);
  if (answer.ok) await (await open()).put(request, answer.clone());
  return answer;
}

async function keepMissing(store, urls) {
  for (const url of urls) {
    if (await store.match(url, { ignoreVary: true })) continue;
    const answer = await fetch(url);
    if (answer.ok) await store.put(url, answer);
  }
}

/** Keeps a page with its parts and what is spoken, in place of the one before. */
async function keepPage(page, parts, spoken) {
  const store = await open();
  const answer = await fetch(page);
  if (!answer.ok) return;
  const named = (await answer.clone().text()).match(/\/_next\/static\/[\w./~-]+/g) ?? [];
  const wanted = new Set([...parts, ...named]);
  const keys = await store.keys();
  const spokenBefore = keys.filter((request) => SPEECH.includes(pathOf(request)));
  const old = keys.filter((request) => {
    const path = pathOf(request);
    if (path.startsWith(MUSIC)) return !spoken.includes(path);
    return (STAGE.test(path) && path !== AGAIN) || (path.startsWith(PARTS) && !wanted.has(path));
  });
  for (const request of [...old, ...spokenBefore.slice(0, -MOST_SPOKEN)])
    await store.delete(request);
  await keepMissing(store, wanted);
  await store.put(page, dated(answer));
  await keepMissing(store, spoken);
}

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('message', (event) => {
  const { page, parts, spoken } = event.data;
  if (STAGE.test(page)) event.waitUntil(keepPage(page, parts, spoken));
});
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate') {
    if (STAGE.test(url.pathname)) event.respondWith(fresh(request, false));
  } else if (url.pathname.startsWith(PARTS)) event.respondWith(part(request));
  else if (SPEECH.includes(url.pathname)) event.respondWith(fresh(request, true));
  // A player that asks for a part of a file is answered by the server.
  else if (url.pathname.startsWith(MUSIC) && !request.headers.has('range')) {
    event.respondWith(lasting(request));
  }
});
