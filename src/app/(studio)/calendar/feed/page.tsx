import type { Metadata } from 'next';
import { hasFeed } from '@/server/calendar/feed';
import { db } from '@/server/db';
import { FeedScreen } from '@/ui/calendar/feed-screen';
import { requireTeacher } from '../../../auth';
import { dropFeedAction, makeFeedAction } from '../feed-actions';

export const metadata: Metadata = { title: 'Feed' };

export default async function FeedPage() {
  const { id, studioId } = await requireTeacher();
  return (
    <FeedScreen
      has={await hasFeed(db(), { of: 'teachers', id, studioId })}
      make={makeFeedAction.bind(null, null)}
      drop={dropFeedAction.bind(null, null)}
    />
  );
}
