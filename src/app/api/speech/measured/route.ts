import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { noteDeviceLengths } from '@/server/speech/device-lengths';
import { answering } from '../../handle';

export const POST = answering(CALLS.noteDeviceLengths, async ({ teacher, body, now }) => {
  await noteDeviceLengths(db(), teacher, body, now);
  return { noted: body.measured.length };
});
