import type { Metadata } from 'next';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { findLink } from '@/server/studio/links';
import { NewPassword } from '@/ui/account/account-fields';
import { Door } from '@/ui/account/door';
import { ActionForm } from '@/ui/kit/form';
import { Spent } from '../../spent';
import { resetAction } from '../actions';

export const metadata: Metadata = { title: 'A new password' };

export default async function ResetPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const link = await findLink(db(), 'reset', { token, now: now() });
  if (!link) return <Spent what="choose a new password" />;
  return (
    <Door title="Choose a new password">
      <ActionForm act={resetAction.bind(null, token)} submit="Keep it and sign in">
        <NewPassword />
      </ActionForm>
    </Door>
  );
}
