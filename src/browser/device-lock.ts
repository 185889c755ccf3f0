/**
 * The device's own lock: a finger, a face or a code, as the device asks for it. Where somebody has set it up, names of
 * people that the device has kept are shown without the server only after it. It guards the screen, not the disk:
 * whoever can open the browser's own tools can read what the browser keeps.
 */

const KEY = 'upbeat-device-lock';
const PATIENCE_MS = 60_000;
/** Where an answer says that the person was looked at, not only the device (WebAuthn, authenticator data). */
const FLAGS_AT = 32;
const USER_VERIFIED = 0x04;

const random = (bytes: number) => crypto.getRandomValues(new Uint8Array(bytes));
const isAddress = (host: string) => /^[\d.]+$|^\[/.test(host);

/** Whether this browser can ask for the lock here: only under a name, over a secure connection. */
export async function canAskForLock(): Promise<boolean> {
  if (!('PublicKeyCredential' in globalThis) || isAddress(location.hostname)) return false;
  return PublicKeyCredential.isUserVerifyingPlatformAuthenticatorAvailable();
}

const listeners = new Set<() => void>();
function set(id: string | null): void {
  if (id === null) localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, id);
  for (const heard of listeners) heard();
}

/** Hears when the lock is set up or taken off in this tab. */
export function onLock(heard: () => void): () => void {
  listeners.add(heard);
  return () => listeners.delete(heard);
}

export const asksForLock = (): boolean => localStorage.getItem(KEY) !== null;

/** Whether the device refused, or nobody answered it. */
const isRefusal = (error: unknown): boolean =>
  error instanceof DOMException && ['NotAllowedError', 'AbortError'].includes(error.name);

/** Sets the lock up, which the device asks for at once. @returns false where it was not given */
export async function setUpLock(): Promise<boolean> {
  try {
    const made = await navigator.credentials.create({
      publicKey: {
        challenge: random(32),
        rp: { name: 'Up Beat' },
        user: { id: random(16), name: 'this device', displayName: 'Names on this device' },
        pubKeyCredParams: [-7, -257].map((alg) => ({ type: 'public-key', alg })),
        authenticatorSelection: {
          authenticatorAttachment: 'platform',
          userVerification: 'required',
          residentKey: 'discouraged',
        },
        timeout: PATIENCE_MS,
      },
    });
    if (made === null) return false;
    set(made.id);
    return true;
  } catch (error) {
    if (isRefusal(error)) return false;
    throw error;
  }
}

const bytesOf = (base64url: string) =>
  Uint8Array.from(atob(base64url.replaceAll('-', '+').replaceAll('_', '/')), (c) =>
    c.charCodeAt(0),
  );

/** Asks for the lock that was set up. @returns false where it was not given */
export async function askForLock(): Promise<boolean> {
  const id = localStorage.getItem(KEY);
  if (id === null) return true;
  try {
    const given = await navigator.credentials.get({
      publicKey: {
        challenge: random(32),
        allowCredentials: [{ type: 'public-key', id: bytesOf(id) }],
        userVerification: 'required',
        timeout: PATIENCE_MS,
      },
    });
    const { response } = given as PublicKeyCredential;
    const said = new Uint8Array((response as AuthenticatorAssertionResponse).authenticatorData);
    return ((said[FLAGS_AT] ?? 0) & USER_VERIFIED) !== 0;
  } catch (error) {
    if (isRefusal(error)) return false;
    throw error;
  }
}

/** Takes the lock off, which asks for it once more. @returns false where it was not given */
export async function takeOffLock(): Promise<boolean> {
  if (!(await askForLock())) return false;
  set(null);
  return true;
}
