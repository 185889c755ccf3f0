import { z } from 'zod';

const text = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `Use at most ${most} characters.`)
    .transform((typed) => typed || null);
/** Where and by whom a session is. */
export const whereSchema = {
  teacherId: z.uuid().or(z.literal('').transform(() => null)),
  place: text(80),
  link: text(300).pipe(
    z.url({ protocol: /^https?$/, error: 'Write an address that begins with https://' }).nullable(),
  ),
};
