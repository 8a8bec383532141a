import exifr from 'exifr';
import { isDay } from '@/core/units/day';
import { instantIn, type Zone } from '@/core/units/zone';
import { zoneOf } from '../zone';
import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, open, readFile, rename, rm, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import sharp from 'sharp';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import { queryOne, execute } from '../database/query';
import { Refusal } from '../refusal';
import { storageRefusal } from '../storage-fault';
import type { Installation } from '../installation';
import { keptFile } from '../database/kept';
import { needRoom } from './room';

/** Pictures by the hash of their content: the same file twice is one file. */
export interface Picture {
  hash: string;
  type: 'image/jpeg' | 'image/png' | 'image/webp';
  width: number;
  height: number;
}

/** What telephones of today take at the most; only one is drawn at a time. */
const LARGEST_PIXELS = 120_000_000;
const TYPES = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const;

export const pictureFile = (installation: Pick<Installation, 'folder'>, hash: string): string =>
  keptFile(installation, 'picture', hash);

/**
 * Keeps a picture: looks at its content (never its name), writes it beside its place, syncs, renames, and only then
 * records it.
 * @throws Refusal for what is no JPEG, PNG or WebP, or is too large
 */
export async function keepPicture(installation: Installation, content: Buffer): Promise<Picture> {
  if (content.length > LARGEST_PICTURE)
    throw new Refusal(413, {
      code: 'picture-too-large',
      message: `A picture has at most ${LARGEST_PICTURE / 1024 / 1024} MB.`,
      field: 'picture',
    });
  const hash = await hashOfContent(content);
  const known = queryOne<Picture>(installation.db, 'SELECT hash, type, width, height FROM picture WHERE hash = @hash', {
    hash,
  });
  if (known) {
    // Its file may have been lost, or come back damaged from elsewhere: whoever has it brings it back.
    await store(pictureFile(installation, hash), content);
    return known;
  }
  needRoom(installation, content.length);
  const facts = await oneAtATime(() => lookAt(content), WAITING.handedIn);
  await store(pictureFile(installation, hash), content);
  const taken = await takenAt(content, zoneOf(installation.db));
  execute(
    installation.db,
    'INSERT OR IGNORE INTO picture (hash, type, width, height, bytes, taken_at) VALUES (@hash, @type, @width, ' +
      '@height, @bytes, @taken)',
    { hash, ...facts, bytes: content.length, taken },
  );
  return { hash, ...facts };
}

/** Worked out beside everything else: of a large picture it takes as long as several pages do. */
const hashOfContent = async (content: Buffer): Promise<string> =>
  Buffer.from(await crypto.subtle.digest('SHA-256', new Uint8Array(content))).toString('hex');

interface CameraTimes {
  DateTimeOriginal?: string;
  OffsetTimeOriginal?: string;
}
/** `2027:03:09 08:30:00`, as EXIF has it. */
const CAMERA_TIME = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/;

async function lookAt(content: Buffer): Promise<Omit<Picture, 'hash'>> {
  const refusal = new Refusal(422, {
    code: 'not-a-picture',
    message: 'This is no picture we can read; send a JPEG, PNG or WebP.',
    field: 'picture',
  });
  try {
    const image = sharp(content, { limitInputPixels: LARGEST_PIXELS });
    const { format, width, height } = await image.metadata();
    if (!(format in TYPES) || !width || !height) throw refusal;
    // A header alone proves nothing: a picture cut short or made up fails here.
    await image.clone().resize(16).toBuffer();
    return { type: TYPES[format as keyof typeof TYPES], width, height };
  } catch {
    throw refusal;
  }
}

/**
 * When it was taken: by its own offset where the camera wrote one, else by the firm's zone, since cameras write what
 * their clock shows.
 */
async function takenAt(content: Buffer, zone: Zone): Promise<string | null> {
  try {
    const fields = ['DateTimeOriginal', 'OffsetTimeOriginal'];
    const exif = (await exifr.parse(content, { pick: fields, reviveValues: false })) as CameraTimes | undefined;
    const shown = CAMERA_TIME.exec(exif?.DateTimeOriginal ?? '');
    if (!shown) return null;
    const [, year = '', month = '', date = '', hour = '', minute = '', second = ''] = shown;
    const day = `${year}-${month}-${date}`;
    if (!isDay(day)) return null;
    const offset = exif?.OffsetTimeOriginal ?? '';
    if (/^[+-]\d\d:\d\d$/.test(offset)) return new Date(`${day}T${hour}:${minute}:${second}${offset}`).toISOString();
    return new Date(instantIn(zone, day, Number(hour), Number(minute)).getTime() + Number(second) * 1000).toISOString();
  } catch {
    // Damaged EXIF costs us the date, never the picture.
    return null;
  }
}

/**
 * Writes a file beside its place, syncs it, and only then gives it its name: a power cut leaves a whole file or none. What
 * lies there already with its length stays; what does not was damaged, and is written anew.
 */
async function store(file: string, content: Buffer): Promise<void> {
  if ((await sizeOf(file)) === content.length) return;
  await mkdir(dirname(file), { recursive: true });
  // A name that nobody else has: the same picture may come twice at once.
  const temporary = `${file}.${randomUUID()}.part`;
  try {
    const handle = await open(temporary, 'wx');
    try {
      await handle.writeFile(content);
      await handle.sync();
    } finally {
      await handle.close();
    }
    await rename(temporary, file);
  } catch (error) {
    await rm(temporary, { force: true });
    throw error;
  }
}

const sizeOf = (file: string): Promise<number | undefined> =>
  stat(file).then(
    ({ size }) => size,
    () => undefined,
  );

/**
 * The picture, or a smaller copy; whatever leaves has its EXIF (place above all) taken off by being written anew. It is made
 * once, at its full size too: a page of sixty pictures asks for each of them again and again.
 * @param width undefined for the full size
 * @returns undefined where there is none, or its file is gone
 */
export async function servePicture(
  installation: Installation,
  hash: string,
  width?: number,
): Promise<Buffer | undefined> {
  if (!queryOne(installation.db, 'SELECT 1 FROM picture WHERE hash = @hash', { hash })) return undefined;
  const original = pictureFile(installation, hash);
  const copy = `${original}.${width ?? 'full'}.jpg`;
  if (existsSync(copy)) return readFile(copy);
  if (!existsSync(original)) return undefined;
  const made = await oneAtATime(async () => written(await readFile(original), width));
  await store(copy, made).catch(unlessStorage);
  return made;
}

/** A copy that cannot be kept is shown all the same, and made again the next time. */
function unlessStorage(error: unknown): void {
  if (!storageRefusal(error)) throw error;
}

/** How many may wait for their turn: those to be drawn, of a long paper too; those handed in, which lie in memory meanwhile. */
const WAITING = { drawn: 400, handedIn: 20 };
let last: Promise<unknown> = Promise.resolve();
let queued = 0;

/** Drawing takes memory and a core: one after the other. */
async function oneAtATime<Made>(make: () => Promise<Made>, most = WAITING.drawn): Promise<Made> {
  if (queued >= most)
    throw new Refusal(503, { code: 'busy', message: 'Many pictures are being drawn; this one is there in a moment.' });
  queued += 1;
  const turn = last.then(make);
  last = turn.catch(() => undefined);
  try {
    return await turn;
  } finally {
    queued -= 1;
  }
}

function written(content: Buffer, width?: number): Promise<Buffer> {
  const image = sharp(content, { limitInputPixels: LARGEST_PIXELS }).rotate();
  return (width ? image.resize({ width, withoutEnlargement: true }) : image).jpeg({ quality: 80 }).toBuffer();
}
