/**
 * How keys that are pressed on a window beside the one that leads, such as the one on a projector, come to that one:
 * there is one keyboard, and one remote, for both.
 */
const open = (sessionId: string) => new BroadcastChannel(`upbeat-keys-${sessionId}`);

/** Keys by which a browser pushes a page. */
const PUSHING = /^( |Arrow.*|Page.*)$/;

/** Passes on what is pressed in this window. Returns how to stop. */
export function passKeysOn(sessionId: string): () => void {
  const channel = open(sessionId);
  const pass = (event: KeyboardEvent) => {
    const { altKey, ctrlKey, key, metaKey, repeat } = event;
    if (altKey || ctrlKey || metaKey) return;
    if (PUSHING.test(key)) event.preventDefault();
    if (!repeat) channel.postMessage(key);
  };
  window.addEventListener('keydown', pass);
  return () => {
    window.removeEventListener('keydown', pass);
    channel.close();
  };
}

/** Hears what is pressed in a window beside this one. Returns how to stop. */
export function hearKeys(sessionId: string, heard: (key: string) => void): () => void {
  const channel = open(sessionId);
  channel.onmessage = ({ data }) => {
    if (typeof data === 'string') heard(data);
  };
  return () => channel.close();
}
