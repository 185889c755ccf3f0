import type { Language } from '@/core/language';
import { db } from '@/server/db';
import { homeLanguageOf } from '@/server/people/home';
import type { HomeOwner } from '@/server/people/practice';
import { askedLanguage } from '../../follow/language';

/** In which language somebody reads their own page: as the register has it, else as their device asks, else as a class of theirs. */
export async function languageOf(owner: HomeOwner): Promise<Language> {
  if (owner.language) return owner.language;
  const ofClass = await homeLanguageOf(db(), owner, owner.participantId);
  return askedLanguage(ofClass ?? undefined);
}
