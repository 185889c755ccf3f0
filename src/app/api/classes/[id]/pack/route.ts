import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { CALLS } from '@/core/calls';
import { getClass } from '@/server/classes/classes';
import { db } from '@/server/db';
import { freshFilm } from '@/server/film/films';
import { classPack } from '@/server/take-away/pack';
import { takenClass } from '@/server/take-away/worded';
import { answering } from '../../../handle';

export const GET = answering(CALLS.takePack, async ({ teacher, id, body, request, now }) => {
  const worded = await takenClass(db(), teacher, id, body);
  // What is made for one person holds nothing of the class that is against what they carry: no film, no other plan.
  const forOne = body.person !== undefined;
  const plan = forOne ? worded.plan : (await getClass(db(), teacher, id)).plan;
  const { timeZone } = teacher;
  const { signal } = request;
  const easier = body.easier === 'yes';
  const made = forOne ? null : await freshFilm(db(), teacher, { classId: id, easier });
  const film = made && { name: `film.${made.format}`, parts: readFrom(made.file) };
  const { ticket } = body;
  const heard = {
    counts: body.counts === 'yes',
    music: body.music === 'yes',
    ...(ticket && { ticket }),
  };
  const asked = { plan, worded, ...heard, signal, now, timeZone, film };
  const pieces = await classPack(db(), teacher, asked);
  return new Response(Readable.toWeb(Readable.from(pieces)) as ReadableStream, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': 'attachment; filename="class.zip"',
      'Cache-Control': 'private, no-store',
    },
  });
});

/** A file that is opened when its turn comes. */
async function* readFrom(file: string): AsyncGenerator<Uint8Array> {
  yield* createReadStream(file);
}
