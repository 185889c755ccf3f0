import Negotiator from 'negotiator';
import { headers } from 'next/headers';
import { LANGUAGES, type Language, MAIN_LANGUAGE } from '@/core/language';

/**
 * The language that a device asks for (RFC 9110, 12.5.4), where it is one of ours.
 * @param otherwise where it is not
 */
export async function askedLanguage(otherwise: Language = MAIN_LANGUAGE): Promise<Language> {
  const asked = (await headers()).get('accept-language');
  if (!asked) return otherwise;
  const [first] = new Negotiator({ headers: { 'accept-language': asked } }).languages([
    // Whoever takes any gets this one.
    otherwise,
    ...LANGUAGES,
  ]);
  return LANGUAGES.find((language) => language === first) ?? otherwise;
}
