import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

/** One file of an archive, in parts. */
export interface ZippedFile {
  name: string;
  parts: AsyncIterable<Uint8Array> | Iterable<Uint8Array>;
  /** It does not get smaller. */
  dense?: boolean;
}

export const bytesOfText = (written: string): Uint8Array => new TextEncoder().encode(written);

/** Files as a ZIP file, in pieces as they are there. @param now of all files, epoch ms */
export async function* zipped(
  files: AsyncIterable<ZippedFile>,
  now: number,
): AsyncGenerator<Uint8Array> {
  const done: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    done.push(piece);
  });
  for await (const { name, parts, dense } of files) {
    const file = dense ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    file.mtime = new Date(now);
    zip.add(file);
    for await (const part of parts) {
      file.push(part);
      yield* done.splice(0);
    }
    file.push(new Uint8Array(), true);
    yield* done.splice(0);
  }
  zip.end();
  yield* done.splice(0);
}
