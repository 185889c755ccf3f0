import type { DoorWords } from '@/core/follow/words';
import type { Language } from '@/core/language';
import { Door } from '../account/door';

/** Where a code leads to no class. The door of a class brings it, so its link is the browser's own: the app's weighs 3 kB. */
export function NoSuchCode({
  says,
  words,
  language,
}: {
  says: string;
  words: DoorWords;
  language: Language;
}) {
  return (
    <Door title={words.nowhere} language={language}>
      <p>{says}</p>
      <a href="/follow" className="btn btn-primary upbeat-on-accent mt-6 justify-self-start">
        {words.typeAnother}
      </a>
    </Door>
  );
}
