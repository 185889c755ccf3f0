import { z } from 'zod';
import { cueTextSchema, languageSchema } from '@/core/move';
import { voice } from '@/server/speech/voice';
import { handle } from '../../handle';

const utteranceSchema = z.object({
  text: cueTextSchema,
  language: languageSchema,
  wordsPerMinute: z.number().int().min(80).max(260),
});
const bodySchema = z.object({ utterances: z.array(utteranceSchema).max(1000) });

/** Measured lengths in ms, in the order asked; null where this machine cannot speak. */
export const POST = (request: Request) =>
  handle(request, bodySchema, async ({ body }) => {
    const speaker = await voice();
    if (!speaker) return { lengths: null };
    return { lengths: await Promise.all(body.utterances.map((u) => speaker.length(u))) };
  });
