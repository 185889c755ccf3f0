import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { classSheet } from '@/server/take-away/sheet';
import { takenClass } from '@/server/take-away/worded';
import { answering } from '../../../handle';

export const GET = answering(CALLS.takeSheet, async ({ teacher, id, body }) => {
  const taken = await takenClass(db(), teacher, id, body);
  const pdf = await classSheet(taken, await studioBook(db(), teacher));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Length': String(pdf.length),
      'Content-Disposition': 'attachment; filename="class.pdf"',
      'Cache-Control': 'private, no-store',
    },
  });
});
