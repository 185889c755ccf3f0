import { Unzip, UnzipInflate } from 'fflate';
import { Refusal } from '@/core/calls';

/** Most bytes of an archive as it is sent, and most that its files may have together. */
export const MOST_SENT = 300_000_000;
export const MOST_UNPACKED = 800_000_000;
export const MOST_FILES = 50_000;
/** Much is taken in at once, but other requests come between. */
const PIECE = 64 * 1024;

const NO_ARCHIVE = 'This is no archive of a studio. Choose the ZIP file that Up Beat made.';

/**
 * The files of a ZIP, by name. They are counted while they are unpacked, whatever the ZIP says of itself.
 * @throws Refusal `bad-archive` for what is none, and for one that is too large
 */
export async function unzipped(
  sent: AsyncIterable<Uint8Array>,
  most: { sent: number; unpacked: number; files: number } = {
    sent: MOST_SENT,
    unpacked: MOST_UNPACKED,
    files: MOST_FILES,
  },
): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array[]>();
  let [came, unpacked] = [0, 0];
  const tooLarge = () =>
    new Refusal(
      'bad-archive',
      `An archive may have ${most.sent / 1e6} MB, ${most.unpacked / 1e6} MB unpacked, and ${most.files} files at most.`,
    );
  const unzip = new Unzip((file) => {
    if (files.size >= most.files) throw tooLarge();
    const parts: Uint8Array[] = [];
    files.set(file.name, parts);
    file.ondata = (error, piece) => {
      if (error) throw error;
      unpacked += piece.length;
      if (unpacked > most.unpacked) throw tooLarge();
      parts.push(piece);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for await (const chunk of sent) {
      came += chunk.length;
      if (came > most.sent) throw tooLarge();
      for (let at = 0; at < chunk.length; at += PIECE) {
        unzip.push(chunk.subarray(at, at + PIECE));
        await new Promise((resolve) => setImmediate(resolve));
      }
    }
    unzip.push(new Uint8Array(), true);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    // Whatever the unpacker stumbles over, it is no archive that we made.
    throw new Refusal('bad-archive', NO_ARCHIVE);
  }
  if (files.size === 0) throw new Refusal('bad-archive', NO_ARCHIVE);
  return new Map([...files].map(([name, parts]) => [name, Buffer.concat(parts)]));
}
