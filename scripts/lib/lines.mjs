import { Gate } from './gate.mjs';

/** In which line a request waits before the application sees it. */

/** So much of one sign-in waits at most. */
export const MOST_WAITING = 100;
const WAITS_FOR_NOTHING = [
  /^\/_next\//,
  /^\/api\/runs\//,
  /^\/api\/sessions\/[^/]+\/(?!prepare$)/,
  /^\/api\/time$/,
  /^\/api\/speech$/,
];
/** What a class is bent with. */
const LEADS = /^\/api\/runs\//;
const TAKES_LONG = [/^\/api\/speech\/lengths$/, /^\/api\/archive/, /\/prepare$/];
/** Sound waits in a queue of its own (`src/server/take-away`), where whoever asks for it sees how far it is. */
const SOUND = /^\/api\/classes\/[^/]+\/(audio|pack)$/;
/** One more than may be under way there, so that the next is told so. */
const MOST_SOUNDS = 4;
/** Pages that strangers look at, and whoever comes in to follow. */
const STRANGERS_ALSO = /^\/follow(\/|$)/;
/** Not in the line of strangers: what the server is watched with, and what is no page. */
const NO_PAGE = /^\/(api|feed|health|icons|metrics|ready)(\/|$)|\.\w+$/;
/** So many strangers wait for a page at most; a full hall comes in at once. */
export const MOST_STRANGERS = 600;
const SIGN_IN = /(?:^|;\s*)(?:__Host-)?upbeat_sign_in=([^;]+)/;

/** Most bytes that whoever comes in to follow sends: a form with a code or a name. */
export const MOST_SENT = 8192;

/**
 * Waits until all of a small body is there, without taking it, so that one that comes slowly holds up nobody.
 * @param {import('node:http').IncomingMessage} request
 * @returns {Promise<boolean>} false where it is more than may be sent, does not say how much, or breaks off
 */
export function allThere(request) {
  const length = Number(request.headers['content-length'] ?? Number.NaN);
  if (!(length <= MOST_SENT)) return Promise.resolve(false);
  return new Promise((resolve) => {
    const look = () => {
      if (request.readableLength >= length) end(true);
    };
    const gone = () => end(false);
    const end = (/** @type {boolean} */ whole) => {
      request.off('readable', look);
      request.off('close', gone);
      resolve(whole);
    };
    request.on('readable', look);
    request.once('close', gone);
    look();
  });
}

/** Whether an address can be read: its signs that are written as numbers may be none. */
export function canBeRead(url = '/') {
  try {
    decodeURIComponent(url.split('?', 1)[0] ?? '');
    return true;
  } catch {
    return false;
  }
}

/**
 * Whether a teacher does something to a class that runs, which goes before strangers.
 * @param {{ url?: string, method?: string, headers: { cookie?: string } }} request
 */
export const leads = ({ url = '/', method, headers }) =>
  method === 'POST' && LEADS.test(url) && SIGN_IN.test(headers.cookie ?? '');

/**
 * The lines of a server.
 * @returns in whose line a request waits, and at which gate; null where it waits in none. Where it `sends`, all of
 *   it has to be there before it waits; where it `givesWay`, it goes after what `leads`
 */
export function lines() {
  const signedIn = new Gate({ atOnce: 1, mostWaiting: MOST_WAITING });
  const sounds = new Gate({ atOnce: MOST_SOUNDS, mostWaiting: MOST_WAITING });
  const strangers = new Gate({ atOnce: 1, mostWaiting: MOST_STRANGERS });
  /** @param {{ url?: string, method?: string, headers: { cookie?: string } }} request */
  return ({ url = '/', method, headers }) => {
    const [, signIn] = SIGN_IN.exec(headers.cookie ?? '') ?? [];
    const [pathname = '/'] = url.split('?');
    if (WAITS_FOR_NOTHING.some((path) => path.test(pathname))) return null;
    const follows = STRANGERS_ALSO.test(pathname);
    if (method === 'POST' && follows) {
      return { gate: strangers, owner: 'who come in', sends: true, givesWay: true };
    }
    if (!signIn || follows) {
      // What is sent to the server may come slowly, and would hold up the others.
      if (method !== 'GET' || NO_PAGE.test(pathname)) return null;
      return { gate: strangers, owner: 'strangers', givesWay: true };
    }
    if (SOUND.test(pathname)) return { gate: sounds, owner: signIn };
    const owner = `${TAKES_LONG.findIndex((path) => path.test(pathname))} ${signIn}`;
    return { gate: signedIn, owner };
  };
}
