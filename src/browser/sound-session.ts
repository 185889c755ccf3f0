/**
 * What a page does with sound, as devices ask for it (`AudioSession` of the W3C draft "Audio Session"): a telephone
 * lets its silent switch mute what a page only plays along, and takes the microphone from a page that only plays.
 */
type Doing = 'playback' | 'play-and-record';

interface AudioSession {
  type: Doing | 'auto';
}

declare global {
  interface Navigator {
    /** Few browsers have it so far. */
    readonly audioSession?: AudioSession;
  }
}

const doing = new Set<{ what: Doing }>();

function tell(): void {
  const session = globalThis.navigator?.audioSession;
  if (!session) return;
  const all = [...doing].map(({ what }) => what);
  session.type = all.includes('play-and-record') ? 'play-and-record' : (all[0] ?? 'auto');
}

/**
 * Tells the device that the page is heard on purpose, so that no silent switch mutes it, or that it records.
 * @returns how to say that this is over
 */
export function soundSession(what: Doing): () => void {
  const mine = { what };
  doing.add(mine);
  tell();
  return () => {
    if (doing.delete(mine)) tell();
  };
}
