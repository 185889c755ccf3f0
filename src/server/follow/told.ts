import QRCode from 'qrcode';
import type { z } from 'zod';
import type { doorSchema } from '@/core/calls';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { addressOf } from '../studio/address';
import { doorOf } from './doors';
import { followersOf } from './followers';

/** A QR code (ISO/IEC 18004) as a path of one square a module. */
export function qrPath(text: string): { size: number; path: string } {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  let path = '';
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) if (modules.get(x, y)) path += `M${x} ${y}h1v1h-1z`;
  }
  return { size, path };
}

/** The door of a session and who came in, as the teacher is told. */
export async function doorTold(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<z.input<typeof doorSchema>> {
  const [door, followers] = await Promise.all([
    doorOf(db, scope, sessionId, now),
    followersOf(db, scope, sessionId, now),
  ]);
  if (!door) return { door: null, followers: [] };
  const address = addressOf(`/follow/${door.code}`);
  const place = addressOf('/follow').replace(/^https?:\/\//, '');
  return {
    door: {
      code: door.code,
      shut: door.shut,
      takeHome: door.takeHome,
      place,
      address,
      qr: qrPath(address),
    },
    followers,
  };
}
