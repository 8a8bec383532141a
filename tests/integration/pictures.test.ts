import { existsSync, readFileSync } from 'node:fs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { queryOne } from '@/server/database/query';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import { keepPicture, pictureFile, servePicture } from '@/server/files/pictures';
import { emptyHouse } from '../support/houses';

const painted = (format: 'jpeg' | 'png' | 'webp', width = 900): Promise<Buffer> =>
  sharp({ create: { width, height: 600, channels: 3, background: '#a9b8b6' } })
    .toFormat(format)
    .toBuffer();
const refused = { problem: { field: 'picture' } };

describe('pictures', () => {
  it.each(['jpeg', 'png', 'webp'] as const)('keeps %s by the hash of its content, once', async (format) => {
    const house = emptyHouse();
    const content = await painted(format);
    const kept = await keepPicture(house, content);
    expect(await keepPicture(house, content)).toEqual(kept);
    expect(queryOne(house.db, 'SELECT count(*) AS count FROM picture')).toEqual({ count: 1 });
    expect(readFileSync(pictureFile(house, kept.hash)).equals(content)).toBe(true);
  });

  it('refuses what is no picture, is cut short, or is too large, and keeps none of it', async () => {
    const house = emptyHouse();
    const whole = await painted('png');
    await expect(keepPicture(house, Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).rejects.toMatchObject({
      status: 422,
      ...refused,
    });
    await expect(keepPicture(house, Buffer.from('#!/bin/sh\n'))).rejects.toMatchObject({ status: 422, ...refused });
    await expect(keepPicture(house, Buffer.alloc(0))).rejects.toMatchObject({ status: 422, ...refused });
    await expect(keepPicture(house, whole.subarray(0, whole.length / 2))).rejects.toMatchObject({
      status: 422,
      ...refused,
    });
    await expect(keepPicture(house, Buffer.alloc(LARGEST_PICTURE + 1))).rejects.toMatchObject({
      status: 413,
      ...refused,
    });
    expect(queryOne(house.db, 'SELECT count(*) AS count FROM picture')).toEqual({ count: 0 });
  });

  it('serves the size that is asked for, and nothing for a hash that is none', async () => {
    const house = emptyHouse();
    const { hash } = await keepPicture(house, await painted('jpeg', 2000));
    expect((await sharp(await servePicture(house, hash, 240)).metadata()).width).toBe(240);
    expect(await servePicture(house, '../../secret', 240)).toBeUndefined();
    expect(existsSync(pictureFile(house, 'f'.repeat(64)))).toBe(false);
  });
});
