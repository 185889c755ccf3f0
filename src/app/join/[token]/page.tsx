import type { Metadata } from 'next';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { findLink } from '@/server/studio/links';
import { studioSettings } from '@/server/studio/studios';
import { AccountFields } from '@/ui/account/account-fields';
import { Door } from '@/ui/account/door';
import { ActionForm } from '@/ui/kit/form';
import { Spent } from '../../spent';
import { joinAction } from '../actions';

export const metadata: Metadata = { title: 'Join a studio' };

export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const link = await findLink(db(), 'join', { token, now: now() });
  if (!link?.studioId) return <Spent what="join a studio" />;
  const { name } = await studioSettings(db(), { studioId: link.studioId });
  return (
    <Door title={`Teach at ${name}`}>
      <ActionForm act={joinAction.bind(null, token)} submit="Make my account">
        <AccountFields email={link.email ?? undefined} />
      </ActionForm>
    </Door>
  );
}
