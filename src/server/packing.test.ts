import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { pack, Unpacked } from './packing';

const MEGABYTE = new Uint8Array(1_000_000);
const folder = mkdtempSync(path.join(tmpdir(), 'up-beat-packing-'));
afterAll(() => rmSync(folder, { recursive: true }));
beforeEach(() => vi.stubEnv('PATH', `${folder}:${process.env.PATH}`));

/** Packs what is given with a program that does as it says. */
function packing(says: string, given?: AsyncIterable<Uint8Array>): Promise<void> {
  writeFileSync(path.join(folder, 'ffmpeg'), `#!/bin/sh\n${says}\n`, { mode: 0o755 });
  return pack({ args: [], given, givesWay: 5 });
}

describe('packing', () => {
  it('a program that ends while more is on its way than it reads has not packed', async () => {
    // What comes without end waits to be read, however quick the machine is.
    let ended = false;
    const endless = async function* () {
      try {
        for (;;) yield MEGABYTE;
      } finally {
        ended = true;
      }
    };
    const packed = packing('head -c 5000 > /dev/null\necho "I give up" >&2\nexit 1', endless());
    await expect(packed).rejects.toThrow(new Unpacked('I give up'));
    expect(ended).toBe(true);
  });

  it('what breaks off what is given is what is told, and the program makes no whole of it', async () => {
    const gone = new Error('the voice is gone');
    const broken = async function* () {
      yield MEGABYTE;
      throw gone;
    };
    const made = path.join(folder, 'made');
    await expect(packing(`cat > /dev/null\ntouch ${made}`, broken())).rejects.toBe(gone);
    await expect(packing(`[ ! -e ${made} ]`)).resolves.toBeUndefined();
  });
});
