import type { Metadata } from 'next';
import { wordsIn } from '@/core/follow/words';
import { CodeForm } from '@/ui/follow/code-form';
import { findAction } from './actions';
import { askedLanguage } from './language';

export const metadata: Metadata = { title: 'Follow a class' };

/** Where somebody types the code of a class. */
export default async function FollowPage() {
  const language = await askedLanguage();
  return <CodeForm find={findAction} words={wordsIn(language).door} language={language} />;
}
