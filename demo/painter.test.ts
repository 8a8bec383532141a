import exifr from 'exifr';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { paint, type Subject } from './painter';

const subject = (over: Partial<Subject> = {}): Subject => ({
  standpoint: 'signal/kitchen',
  kind: 'room',
  phase: 'framing',
  hour: 16,
  taken: '2027:03:08 16:20:00',
  ...over,
});
/** Mean difference of two pictures over all their points, 0 to 255. */
async function apart(buffer: Buffer, other: Buffer): Promise<number> {
  const [a, b] = await Promise.all(
    [buffer, other].map((picture) => sharp(picture).resize(64, 48).removeAlpha().raw().toBuffer()),
  );
  if (!a || !b) throw new Error('no picture');
  return a.reduce((sum, value, at) => sum + Math.abs(value - (b[at] ?? 0)), 0) / a.length;
}

describe('painted pictures', () => {
  it('are the same for the same subject, byte for byte', async () => {
    expect((await paint(subject())).equals(await paint(subject()))).toBe(true);
  });

  it('show from one standpoint what a phase has added', async () => {
    const [framing, board, again] = await Promise.all([
      paint(subject()),
      paint(subject({ phase: 'board' })),
      paint(subject({ hour: 15 })),
    ]);
    expect(await apart(framing, board)).toBeGreaterThan(8);
    expect(await apart(framing, again)).toBeLessThan(await apart(framing, board));
  });

  it('differ between standpoints and kinds', async () => {
    const [one, other, face] = await Promise.all([
      paint(subject()),
      paint(subject({ standpoint: 'signal/study' })),
      paint(subject({ kind: 'face', phase: 'strip' })),
    ]);
    expect(await apart(one, other)).toBeGreaterThan(1);
    expect(await apart(one, face)).toBeGreaterThan(8);
  });

  it('are small JPEGs that know when they were taken', async () => {
    const picture = await paint(subject());
    expect(picture.length).toBeLessThan(120_000);
    expect(await sharp(picture).metadata()).toMatchObject({ format: 'jpeg', width: 640, height: 480 });
    const { DateTimeOriginal } = (await exifr.parse(picture, ['DateTimeOriginal'])) as { DateTimeOriginal: Date };
    expect(DateTimeOriginal.getDate()).toBe(8);
  });
});
