import type { Metadata } from 'next';
import { CodeForm } from '@/ui/follow/code-form';
import { findAction } from './actions';

export const metadata: Metadata = { title: 'Follow a class' };

/** Where somebody types the code of a class. */
export default function FollowPage() {
  return <CodeForm find={findAction} />;
}
