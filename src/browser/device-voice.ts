import { LANGUAGES, type Language } from '@/core/language';
import {
  type DeviceVoices,
  isLength,
  type Measured,
  type Utterance,
  withoutEmoji,
} from '@/core/speech';

/**
 * The voices of this device, which the browser speaks with. Nothing but the moments when one begins and ends is ever
 * known of them.
 */

/** The rate that a browser calls 1, in words a minute. */
const USUAL_RATE = 150;
/** How long a voice takes to begin where nothing is known of it, in ms. */
const EXPECTED_DELAY_MS = 100;
/** Latest delays that count; the middle one is taken. */
const DELAYS_KEPT = 9;
/** What has not begun by then has fallen silent: as long as the cue, within these bounds, in ms. */
const SILENT_AFTER_MS = { least: 400, most: 1500 } as const;
/** What was not over by then has been lost, as in a call: twice as long as it was to take, and so many ms more. */
const LOST_AFTER_MS = 3000;
/** The same where nobody knows how long it was to take. */
const LOST_UNKNOWN_MS = 60_000;
/** How long the browser may take to find its voices, in ms. */
const FINDING_MS = 1500;

/** A voice of this device. */
export interface VoiceHere {
  name: string;
  languages: Language[];
}

const languageOf = ({ lang }: SpeechSynthesisVoice) => lang.slice(0, 2).toLowerCase();

/** Voices that speak on this device itself; what others are given to say would leave it. */
const localVoices = (): SpeechSynthesisVoice[] =>
  (globalThis.speechSynthesis?.getVoices() ?? []).filter((voice) => voice.localService);

/** Whether the browser can speak at all, with whatever voice. */
export const browserSpeaks = (): boolean =>
  (globalThis.speechSynthesis?.getVoices().length ?? 0) > 0;

/** The voices that can be chosen, each once. */
function voicesNow(): VoiceHere[] {
  const found = new Map<string, Set<Language>>();
  for (const voice of localVoices()) {
    const language = LANGUAGES.find((l) => l === languageOf(voice));
    if (!language) continue;
    found.set(voice.name, (found.get(voice.name) ?? new Set()).add(language));
  }
  return [...found].map(([name, languages]) => ({ name, languages: [...languages] }));
}

/** The voices of this device, as soon as the browser has found them; none where it has none. */
export async function voicesHere(): Promise<VoiceHere[]> {
  const synthesis = globalThis.speechSynthesis;
  if (!synthesis) return [];
  if (synthesis.getVoices().length === 0) {
    await new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, FINDING_MS);
      const found = () => {
        clearTimeout(timer);
        resolve();
      };
      synthesis.addEventListener('voiceschanged', found, { once: true });
    });
  }
  return voicesNow();
}

/** Those of some voices that this device has. */
export async function ofThoseHere(wanted: DeviceVoices): Promise<DeviceVoices> {
  if (Object.keys(wanted).length === 0) return {};
  const here = await voicesHere();
  const isHere = ([language, name]: [string, string]) =>
    here.some((v) => v.name === name && v.languages.includes(language as Language));
  return Object.fromEntries(Object.entries(wanted).filter(isHere));
}

export interface HowToSay {
  /** 0 to 1. */
  volume: number;
  /** Named, it is known how soon the voice must have begun. */
  expectedMs?: number;
  /** It is left out where it would have to wait longer, in ms: a count that comes late would be heard as the next. */
  waitsMs?: number;
  /** It was said; with its length in ms, or null where the voice did not tell one that can be. */
  onEnd?: (ms: number | null) => void;
  /** It did not begin, or broke off for a reason of its own. */
  onSilent?: () => void;
}

export interface DeviceSpeech {
  /** The voices that speak; where a language has none, the one that the browser takes for it. */
  voices?: DeviceVoices;
  /** A text as the voice is given it. */
  toSay?: (text: string, language: Language) => string;
  onMeasured?: (voice: string, measured: Measured) => void;
}

/** A text that is said, or waits until what is before it was. */
interface Given {
  text: Utterance;
  how: HowToSay;
  /** Since when it waits, by the steady clock of the page, in ms. */
  since: number;
  /** As the browser has it; it may forget what nobody holds, and never tell its end. */
  utterance?: SpeechSynthesisUtterance;
  watch?: ReturnType<typeof setTimeout>;
}

/** A text was taken back, not failed: by this page, or by another part of it. */
const TAKEN_BACK: readonly string[] = ['canceled', 'interrupted'];

/**
 * Speaks with voices of this device, and measures how soon they begin and how long they take. The browser is given one
 * text at a time, since it cannot take back one without all others.
 */
export class DeviceVoice {
  private readonly delays = new Map<string, number[]>();
  private current: Given | null = null;
  private waiting: Given[] = [];

  constructor(private readonly speech: DeviceSpeech = {}) {}

  /** Whether a language is said by a voice that was chosen and is here, or by any where none was to be chosen. */
  speaks(language: Language): boolean {
    return this.speech.voices ? this.voiceFor(language) !== undefined : browserSpeaks();
  }

  private voiceFor(language: Language): SpeechSynthesisVoice | undefined {
    const name = this.speech.voices?.[language];
    return localVoices().find((voice) => voice.name === name && languageOf(voice) === language);
  }

  /** How long before its time a text is given to the voice, in ms. */
  delayMs(language: Language): number {
    const known = [...(this.delays.get(this.nameOf(language)) ?? [])].sort((a, b) => a - b);
    return known[Math.floor(known.length / 2)] ?? EXPECTED_DELAY_MS;
  }

  private nameOf(language: Language): string {
    return this.speech.voices?.[language] ?? language;
  }

  /** To be called from a press: some browsers let nothing be said before something was from one. */
  unlock(): void {
    if (this.current) return;
    const nothing = new SpeechSynthesisUtterance('');
    nothing.volume = 0;
    globalThis.speechSynthesis.speak(nothing);
  }

  /**
   * Says a text now, or as soon as what is being said is over.
   * @returns how to stop it
   */
  say(text: Utterance, how: HowToSay): () => void {
    const given: Given = { text, how, since: performance.now() };
    if (this.current) this.waiting.push(given);
    else this.begin(given);
    return () => {
      this.waiting = this.waiting.filter((other) => other !== given);
      if (this.current !== given) return;
      this.over(given);
      globalThis.speechSynthesis.cancel();
      this.next();
    };
  }

  private next(): void {
    const now = performance.now();
    const isTimely = ({ since, how }: Given) =>
      now - since <= (how.waitsMs ?? Number.POSITIVE_INFINITY);
    this.waiting = this.waiting.filter(isTimely);
    const given = this.waiting.shift();
    if (given) this.begin(given);
  }

  /** @returns whether it was still being said */
  private over(given: Given): boolean {
    clearTimeout(given.watch);
    if (this.current !== given) return false;
    this.current = null;
    return true;
  }

  private begin(given: Given): void {
    const { how } = given;
    const { toSay = withoutEmoji, onMeasured } = this.speech;
    const { language, wordsPerMinute } = given.text;
    const text = toSay(given.text.text, language);
    const utterance = new SpeechSynthesisUtterance(text);
    const voice = this.voiceFor(language);
    utterance.lang = voice?.lang ?? language;
    if (voice) utterance.voice = voice;
    utterance.volume = how.volume;
    utterance.rate = wordsPerMinute / USUAL_RATE;

    const givenAt = performance.now();
    let begunAt: number | null = null;
    const silent = () => {
      if (!this.over(given)) return;
      globalThis.speechSynthesis.cancel();
      how.onSilent?.();
      this.next();
    };
    utterance.onstart = () => {
      if (this.current !== given) return;
      clearTimeout(given.watch);
      begunAt = performance.now();
      this.noteDelay(language, begunAt - givenAt);
      const most = how.expectedMs ? 2 * how.expectedMs + LOST_AFTER_MS : LOST_UNKNOWN_MS;
      given.watch = setTimeout(lost, most);
    };
    // Some browsers never tell the end of what was cut off; all that follows would wait for it.
    const lost = () => {
      if (!this.over(given)) return;
      globalThis.speechSynthesis.cancel();
      how.onEnd?.(null);
      this.next();
    };
    const end = (ms: number) => {
      if (!this.over(given)) return;
      const said = { text, language, wordsPerMinute };
      const isTrue = isLength(said, ms) && !globalThis.document?.hidden;
      const name = this.speech.voices?.[language];
      if (isTrue && name !== undefined) onMeasured?.(name, { ...said, ms });
      how.onEnd?.(isTrue ? ms : null);
      this.next();
    };
    utterance.onend = () => end(begunAt === null ? 0 : Math.round(performance.now() - begunAt));
    utterance.onerror = ({ error }) => (TAKEN_BACK.includes(error) ? end(0) : silent());
    const { least, most } = SILENT_AFTER_MS;
    given.watch = setTimeout(silent, Math.min(most, Math.max(least, how.expectedMs ?? most)));
    given.utterance = utterance;
    this.current = given;
    globalThis.speechSynthesis.speak(utterance);
  }

  private noteDelay(language: Language, ms: number): void {
    const name = this.nameOf(language);
    this.delays.set(name, [...(this.delays.get(name) ?? []), ms].slice(-DELAYS_KEPT));
  }
}
