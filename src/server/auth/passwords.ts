import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the package's defaults (19 MiB, 2 passes), which follow common guidance. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Checked against when there is no such teacher, so that the answer takes as long either way. */
const nobody = hashPassword('nobody has this password');

export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
  const fits = await verify(stored ?? (await nobody), password);
  return stored !== undefined && fits;
}
