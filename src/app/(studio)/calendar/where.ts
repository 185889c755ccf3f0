import { z } from 'zod';

const text = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `Use at most ${most} characters.`)
    .transform((typed) => typed || null);
const ROOM = 'Write a whole number from 1 to 500, or nothing for no limit.';
/** Where and by whom a session is, and for how many. */
export const whereSchema = {
  teacherId: z.uuid().or(z.literal('').transform(() => null)),
  place: text(80),
  roomFor: z
    .string()
    .trim()
    .transform((typed) => (typed === '' ? null : Number(typed)))
    .pipe(z.number(ROOM).int(ROOM).min(1, ROOM).max(500, ROOM).nullable()),
  link: text(300).pipe(
    z.url({ protocol: /^https?$/, error: 'Write an address that begins with https://' }).nullable(),
  ),
};
