import { Refusal } from '@/core/calls';
import { refusedIn } from '@/core/follow/words';
import { homeWordsIn } from '@/core/home/words';
import { Door } from '@/ui/account/door';
import { askedLanguage } from '../../follow/language';

/** Where an address was revoked, or never was one: whoever opens it is no teacher, and is told whom to ask. */
export default async function NoSuchHome() {
  const language = await askedLanguage();
  return (
    <Door title={homeWordsIn(language).title} language={language}>
      <p>{refusedIn(language, new Refusal('no-such-home'))}</p>
    </Door>
  );
}
