/**
 * A stand-in for the voices of a device, as a browser offers them: each begins so long after it is given a text, and
 * takes as long as the text has letters. It is a function of its own, without anything around it, so that it can be
 * put into a page as well.
 */
export interface PretendVoices {
  voices: { name: string; lang: string; localService?: boolean }[];
  /** From being given a text to the moment it begins, in ms. */
  delayMs: number;
  msPerLetter: number;
  /** Voices that are there only after so long, in ms; at once where nothing is said. */
  foundAfterMs?: number;
}

/** What a voice was given, and when it began; volume 0 is heard by nobody. */
export interface PretendSaid {
  text: string;
  voice: string;
  volume: number;
  rate: number;
  /** By the clock of the page, in ms. */
  begunAt: number;
}

export interface PretendDevice {
  said: PretendSaid[];
  /** From now on nothing that is given begins any more. */
  fallSilent: boolean;
  /** From now on the end of what has begun is never told, as where a call comes in between. */
  neverEnds: boolean;
}

export function pretendVoices({ voices, delayMs, msPerLetter, foundAfterMs = 0 }: PretendVoices) {
  interface Given {
    text: string;
    lang: string;
    rate: number;
    volume: number;
    voice: { name: string } | null;
    onstart: (() => void) | null;
    onend: (() => void) | null;
    onerror: ((event: { error: string }) => void) | null;
  }
  const device: PretendDevice = { said: [], fallSilent: false, neverEnds: false };
  const heard = new EventTarget();
  const all = voices.map((voice) => ({
    localService: true,
    default: false,
    voiceURI: voice.name,
    ...voice,
  }));
  let found = foundAfterMs === 0;
  if (!found) {
    setTimeout(() => {
      found = true;
      heard.dispatchEvent(new Event('voiceschanged'));
    }, foundAfterMs);
  }
  let queue: Given[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  const step = () => {
    const [first] = queue;
    if (!first || device.fallSilent) return;
    timer = setTimeout(() => {
      const { text, volume, rate, voice, lang } = first;
      const begunAt = Date.now();
      device.said.push({ text, volume, rate, begunAt, voice: voice?.name ?? lang });
      first.onstart?.();
      if (device.neverEnds) return;
      timer = setTimeout(
        () => {
          queue = queue.filter((given) => given !== first);
          timer = undefined;
          first.onend?.();
          if (timer === undefined) step();
        },
        (text.length * msPerLetter) / rate,
      );
    }, delayMs);
  };
  const synthesis = {
    getVoices: () => (found ? all : []),
    addEventListener: heard.addEventListener.bind(heard),
    removeEventListener: heard.removeEventListener.bind(heard),
    speak: (given: Given) => {
      queue.push(given);
      if (queue.length === 1) step();
    },
    cancel: () => {
      clearTimeout(timer);
      timer = undefined;
      const gone = queue;
      queue = [];
      for (const given of gone) given.onerror?.({ error: 'canceled' });
    },
  };
  class Utterance {
    lang = '';
    rate = 1;
    volume = 1;
    voice: Given['voice'] = null;
    onstart: Given['onstart'] = null;
    onend: Given['onend'] = null;
    onerror: Given['onerror'] = null;
    constructor(readonly text: string) {}
  }
  Object.defineProperty(globalThis, 'speechSynthesis', { value: synthesis, configurable: true });
  Object.defineProperty(globalThis, 'SpeechSynthesisUtterance', {
    value: Utterance,
    configurable: true,
  });
  Object.defineProperty(globalThis, 'pretendDevice', { value: device, configurable: true });
  return device;
}
