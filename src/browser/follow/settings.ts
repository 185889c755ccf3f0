import { LANGUAGES, type Language, MAIN_LANGUAGE } from '@/core/language';
import { CAUTIONS, type Caution } from '@/core/move';
import { remember } from '../remember';

/** How somebody follows on this device. Nothing of it is ever sent. */
export interface FollowSettings {
  /** The language of the words; where nobody chose, the device's, if the class has it, else that of the class. */
  language: Language | null;
  /** Who speaks the cues: nobody, the class's voice, or the voice of this device. */
  voice: 'off' | 'class' | 'device';
  /** 0 to 1. */
  volume: number;
  slower: boolean;
  vibrate: boolean;
  larger: boolean;
  facing: boolean;
}

export const USUAL: FollowSettings = {
  language: null,
  voice: 'off',
  volume: 1,
  slower: false,
  vibrate: true,
  larger: false,
  facing: false,
};

const KEY = 'upbeat-follow';
/** What somebody must not do is forgotten with the tab, since a device may be lent. */
const CAUTIONS_KEY = 'upbeat-follow-cautions';
/** That something was ticked, and not what. */
const CHOSE_KEY = 'upbeat-follow-chose';

function stored(storage: Storage, key: string): unknown {
  try {
    return JSON.parse(storage.getItem(key) ?? 'null');
  } catch {
    // It was written by somebody else.
    return null;
  }
}

export function readSettings(): FollowSettings {
  const kept = stored(localStorage, KEY);
  if (typeof kept !== 'object' || kept === null) return USUAL;
  const known = Object.entries(kept).filter(
    ([name, value]) =>
      name === 'language' ||
      (name in USUAL && typeof value === typeof USUAL[name as keyof FollowSettings]),
  );
  return { ...USUAL, ...Object.fromEntries(known) };
}
/** The first language of this device that is one of some. */
const deviceLanguage = (some: readonly Language[]): Language | undefined =>
  navigator.languages
    .map((asked) => some.find((one) => asked.toLowerCase().split('-')[0] === one))
    .find((found) => found !== undefined);

/** The language of whoever reads this device: as they chose it, else the device's, else this one. */
export const readersLanguage = (
  { language }: Pick<FollowSettings, 'language'>,
  some: readonly Language[] = LANGUAGES,
  otherwise: Language = MAIN_LANGUAGE,
): Language => language ?? deviceLanguage(some) ?? otherwise;

export const keepSettings = (settings: FollowSettings): boolean =>
  remember(localStorage, KEY, JSON.stringify(settings));

export function readCautions(): Caution[] {
  const kept = stored(sessionStorage, CAUTIONS_KEY);
  return Array.isArray(kept) ? CAUTIONS.filter((caution) => kept.includes(caution)) : [];
}
export function keepCautions(cautions: readonly Caution[]): boolean {
  remember(localStorage, CHOSE_KEY, cautions.length > 0 ? 'yes' : 'no');
  return remember(sessionStorage, CAUTIONS_KEY, JSON.stringify(cautions));
}

/** Whether something was ticked on this device that is forgotten by now, so that it has to be asked for again. */
export const hasForgotten = (): boolean =>
  readCautions().length === 0 && localStorage.getItem(CHOSE_KEY) === 'yes';

/** Ticks, besides what is ticked in this tab, what somebody told their teacher. */
export const tickCautions = (carried: readonly Caution[]): boolean =>
  keepCautions([...new Set([...readCautions(), ...carried])]);

const HOME_KEY = 'upbeat-home';

/** Whoever came in from a page of their own can log there what they do alone. @param path of that page */
export const keepHome = (path: string): boolean => remember(localStorage, HOME_KEY, path);

/** The page of whoever this device belongs to, where they came in by it. */
export function homeOf(): string | null {
  const path = localStorage.getItem(HOME_KEY);
  return path && /^\/home\/[\w-]{1,200}$/.test(path) ? path : null;
}
