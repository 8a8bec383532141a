import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';

/** A file that only opens with its passphrase: AES-256-GCM, the key by scrypt from the passphrase and a salt of its own. */
const MAGIC = Buffer.from('AFTERMIST SEALED 1\n');
const SALT = 16;
const IV = 12;
const TAG = 16;

const keyOf = (passphrase: string, salt: Buffer): Buffer =>
  scryptSync(passphrase, salt, 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 });

/** Writes a file sealed into another. */
export async function sealFile(from: string, to: string, passphrase: string): Promise<void> {
  const [salt, iv] = [randomBytes(SALT), randomBytes(IV)];
  const cipher = createCipheriv('aes-256-gcm', keyOf(passphrase, salt), iv);
  const out = createWriteStream(to, { mode: 0o600 });
  out.write(Buffer.concat([MAGIC, salt, iv]));
  await pipeline(createReadStream(from), cipher, out, { end: false });
  await new Promise<void>((resolve, reject) => out.end(cipher.getAuthTag(), () => resolve()).once('error', reject));
}

export async function isSealed(file: string): Promise<boolean> {
  const handle = await open(file, 'r');
  try {
    const head = Buffer.alloc(MAGIC.length);
    await handle.read(head, 0, head.length, 0);
    return head.equals(MAGIC);
  } finally {
    await handle.close();
  }
}

/** Opens a sealed file into another. @throws where the passphrase is another, or a single bit of it is */
export async function unsealFile(from: string, to: string, passphrase: string): Promise<void> {
  const { size } = await stat(from);
  const start = MAGIC.length + SALT + IV;
  if (size < start + TAG) throw new Error('it is torn');
  const handle = await open(from, 'r');
  const [head, tag] = [Buffer.alloc(start), Buffer.alloc(TAG)];
  try {
    await handle.read(head, 0, start, 0);
    await handle.read(tag, 0, TAG, size - TAG);
  } finally {
    await handle.close();
  }
  const salt = head.subarray(MAGIC.length, MAGIC.length + SALT);
  const decipher = createDecipheriv('aes-256-gcm', keyOf(passphrase, salt), head.subarray(MAGIC.length + SALT));
  decipher.setAuthTag(tag);
  await pipeline(
    createReadStream(from, { start, end: size - TAG - 1 }),
    decipher,
    createWriteStream(to, { mode: 0o600 }),
  );
}
