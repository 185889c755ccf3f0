'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { dropFeed, type FeedOwner, makeFeed } from '@/server/calendar/feed';
import { db } from '@/server/db';
import { addressOf } from '@/server/studio/address';
import type { FormState } from '@/ui/kit/form';
import { requireTeacher } from '../../auth';
import { answerForm, idOf } from '../../forms';

/** The teacher's own feed, or that of somebody on the register. */
async function ownerFor(participantId: string | null): Promise<FeedOwner> {
  const { id, studioId } = await requireTeacher();
  if (participantId === null) return { of: 'teachers', id, studioId };
  return { of: 'participants', id: idOf(participantId), studioId };
}

export async function makeFeedAction(
  participantId: string | null,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const owner = await ownerFor(participantId);
  return answerForm(form, z.object({}), async () => {
    const address = addressOf(`/feed/${await makeFeed(db(), owner)}`);
    refresh();
    const says = participantId === null ? 'Give your calendar program' : 'Hand on';
    return `${says} this address:\n${address}`;
  });
}

export async function dropFeedAction(
  participantId: string | null,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const owner = await ownerFor(participantId);
  return answerForm(form, z.object({}), async () => {
    await dropFeed(db(), owner);
    refresh();
    return 'Revoked.';
  });
}
