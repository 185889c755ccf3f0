'use server';

import { refresh } from 'next/cache';
import { db } from '@/server/db';
import { forgetTalk } from '@/server/speech/teacher-speech';
import { requireTeacher } from '../../auth';

/** Starts learning anew how much the teacher talks. */
export async function forgetTalkAction(): Promise<void> {
  await forgetTalk(db(), await requireTeacher());
  refresh();
}
