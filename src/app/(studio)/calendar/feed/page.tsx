import type { Metadata } from 'next';
import { hasFeed } from '@/server/calendar/feed';
import { db } from '@/server/db';
import { FeedScreen } from '@/ui/calendar/feed-screen';
import { requireTeacher } from '../../../auth';
import { dropFeedAction, makeFeedAction } from '../actions';

export const metadata: Metadata = { title: 'Feed' };

export default async function FeedPage() {
  const teacher = await requireTeacher();
  return (
    <FeedScreen has={await hasFeed(db(), teacher)} make={makeFeedAction} drop={dropFeedAction} />
  );
}
