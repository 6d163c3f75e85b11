import { hash, verify } from '@node-rs/argon2';

/** Argon2id with more than the OWASP minimum of 19 MiB, 2 passes, 1 lane. */
const COST = { memoryCost: 24 * 1024, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

let nobody: Promise<string> | null = null;

/** Checks a password; without a hash it takes as long, so that nobody learns who has an account. */
export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
  nobody ??= hashPassword('nobody has this password');
  const fits = await verify(stored ?? (await nobody), password);
  return stored !== undefined && fits;
}
