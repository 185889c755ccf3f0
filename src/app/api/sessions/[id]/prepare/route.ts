import { z } from 'zod';
import { rulesSchema } from '@/core/class';
import { db } from '@/server/db';
import { prepareRun } from '@/server/runs/runs';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { voice } from '@/server/speech/voice';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({
  wordsPerMinute: rulesSchema.shape.wordsPerMinute.unwrap().optional(),
});

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const speaker = await speakerOf(db(), teacher);
    const { factor } = await talkOfTeacher(db(), teacher);
    const saying = { speaker, talkingFactor: factor, wordsPerMinute: body.wordsPerMinute };
    return {
      run: await prepareRun(db(), teacher, await idOf(context), now, saying),
      voice: (await voice()) !== null,
      now,
    };
  });
