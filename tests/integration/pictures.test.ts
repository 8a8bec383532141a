import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { queryOne } from '@/server/database/query';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import { keepPicture, pictureFile, servePicture } from '@/server/files/pictures';
import { emptyHouse } from '../support/installations';

const painted = (format: 'jpeg' | 'png' | 'webp', width = 900): Promise<Buffer> =>
  sharp({ create: { width, height: 600, channels: 3, background: '#a9b8b6' } })
    .toFormat(format)
    .toBuffer();
const refused = { problem: { field: 'picture' } };

describe('pictures', () => {
  it.each(['jpeg', 'png', 'webp'] as const)('keeps %s by the hash of its content, once', async (format) => {
    const installation = emptyHouse();
    const content = await painted(format);
    const kept = await keepPicture(installation, content);
    expect(await keepPicture(installation, content)).toEqual(kept);
    expect(queryOne(installation.db, 'SELECT count(*) AS count FROM picture')).toEqual({ count: 1 });
    expect(readFileSync(pictureFile(installation, kept.hash)).equals(content)).toBe(true);
  });

  it('takes the same one many times at once, and brings back one that was lost or damaged', async () => {
    const installation = emptyHouse();
    const content = await painted('jpeg');
    const kept = await Promise.all(Array.from({ length: 10 }, () => keepPicture(installation, content)));
    const file = pictureFile(installation, kept[0]?.hash ?? '');
    expect(new Set(kept.map(({ hash }) => hash)).size).toBe(1);
    const folder = dirname(file);
    expect(readdirSync(folder)).toEqual([basename(file)]);
    rmSync(file);
    expect(await servePicture(installation, basename(file), 240)).toBeUndefined();
    await keepPicture(installation, content);
    expect(readFileSync(file).equals(content)).toBe(true);
    writeFileSync(file, content.subarray(0, 100));
    await keepPicture(installation, content);
    expect(readFileSync(file).equals(content)).toBe(true);
    const [one, two] = [
      await servePicture(installation, basename(file)),
      await servePicture(installation, basename(file)),
    ];
    expect(one?.equals(two ?? Buffer.alloc(0))).toBe(true);
  });

  it('refuses what is no picture, is cut short, or is too large, and keeps none of it', async () => {
    const installation = emptyHouse();
    const whole = await painted('png');
    await expect(
      keepPicture(installation, Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')),
    ).rejects.toMatchObject({
      status: 422,
      ...refused,
    });
    await expect(keepPicture(installation, Buffer.from('#!/bin/sh\n'))).rejects.toMatchObject({
      status: 422,
      ...refused,
    });
    await expect(keepPicture(installation, Buffer.alloc(0))).rejects.toMatchObject({ status: 422, ...refused });
    await expect(keepPicture(installation, whole.subarray(0, whole.length / 2))).rejects.toMatchObject({
      status: 422,
      ...refused,
    });
    await expect(keepPicture(installation, Buffer.alloc(LARGEST_PICTURE + 1))).rejects.toMatchObject({
      status: 413,
      ...refused,
    });
    expect(queryOne(installation.db, 'SELECT count(*) AS count FROM picture')).toEqual({ count: 0 });
  });

  it('serves the size that is asked for, and nothing for a hash that is none', async () => {
    const installation = emptyHouse();
    const { hash } = await keepPicture(installation, await painted('jpeg', 2000));
    expect((await sharp(await servePicture(installation, hash, 240)).metadata()).width).toBe(240);
    expect(await servePicture(installation, '../../secret', 240)).toBeUndefined();
    expect(existsSync(pictureFile(installation, 'f'.repeat(64)))).toBe(false);
  });
});
