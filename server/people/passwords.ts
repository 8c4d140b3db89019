import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

/** Work of one hash: 64 MB and some tenths of a second (OWASP password storage: N = 2^16 with r = 8 and p = 1, or more). */
const COST: ScryptOptions = { N: 2 ** 16, r: 8, p: 1, maxmem: 128 * 1024 * 1024 };
const LONG = 32;

const hashed = (password: string, salt: Buffer, cost: ScryptOptions, length: number): Promise<Buffer> =>
  new Promise((done, fail) =>
    scrypt(password.normalize('NFKC'), salt, length, cost, (error, key) => (error ? fail(error) : done(key))),
  );

/** A password as it is kept: the slow hash of the platform with its own salt, and the work it took. */
export async function keptPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await hashed(password, salt, COST, LONG);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$');
}

/** Whether it is the password; takes as long where it is not. */
export async function isPassword(password: string, kept: string): Promise<boolean> {
  const [kind, N, r, p, salt, key] = kept.split('$');
  if (kind !== 'scrypt' || !salt || !key) return false;
  const want = Buffer.from(key, 'base64');
  const cost = { N: Number(N), r: Number(r), p: Number(p), maxmem: COST.maxmem! };
  return timingSafeEqual(await hashed(password, Buffer.from(salt, 'base64'), cost, want.length), want);
}

/** What is compared where there is nobody of that name, so that a wrong name answers no sooner than a wrong password. */
export const NOBODY = keptPassword(randomBytes(18).toString('base64'));
