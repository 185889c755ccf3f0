/**
 * Events by which a browser lets a page be heard: a finger does so when it is lifted, a mouse when it goes down ("activation
 * triggering input event" of the HTML standard).
 */
const PRESSES = ['pointerdown', 'pointerup', 'keydown'] as const;

/** Hears every press on the page. @returns how to stop */
export function onPress(heard: () => void): () => void {
  for (const kind of PRESSES) window.addEventListener(kind, heard);
  return () => {
    for (const kind of PRESSES) window.removeEventListener(kind, heard);
  };
}
