import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { registerOf } from '@/server/register/grid';
import { askedFrom, registerCsv } from '@/server/register/told';
import { attached } from '../../../attached';
import { answering } from '../../../handle';

export const GET = answering(CALLS.exportRegister, async ({ teacher, id, body, now }) => {
  const zone = teacher.timeZone;
  const asked = askedFrom(body.from, { classId: id, zone, now });
  const csv = registerCsv(await registerOf(db(), teacher, asked), zone);
  return attached(csv, { name: `register-${body.from}.csv`, type: 'text/csv' });
});
