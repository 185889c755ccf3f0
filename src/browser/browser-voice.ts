import type { Utterance } from '@/core/speech';

/** The browser's own voice speaks; false where it has none. @param volume 0 to 1 */
export function speakInBrowser({ text, language, wordsPerMinute }: Utterance, volume = 1): boolean {
  const synthesis = globalThis.speechSynthesis;
  if (!synthesis || synthesis.getVoices().length === 0) return false;
  const utterance = new SpeechSynthesisUtterance(text);
  utterance.lang = language;
  utterance.volume = volume;
  utterance.rate = wordsPerMinute / 150;
  synthesis.speak(utterance);
  return true;
}
