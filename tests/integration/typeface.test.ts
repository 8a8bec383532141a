import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, onTestFinished, vi } from 'vitest';
import { makePdf } from '@/server/papers/pdf';
import { unpackedTypeface } from '@/server/papers/typeface';
import { root } from '../support/installations';
import { textOf } from '../support/pdf-text';

const packed = readFileSync(join(root, 'node_modules/@fontsource/archivo/files/archivo-latin-400-normal.woff'));

describe('a typeface that is unpacked', () => {
  const plain = unpackedTypeface(packed);
  const tables = Array.from({ length: plain.readUInt16BE(4) }, (_, index) => {
    const at = 12 + 16 * index;
    const [sum, offset, length] = [4, 8, 12].map((byte) => plain.readUInt32BE(at + byte)) as [number, number, number];
    return { name: plain.toString('latin1', at, at + 4), sum, bytes: plain.subarray(offset, offset + length) };
  });

  it('is as long as the packed one says it was', () => {
    expect(plain.length).toBe(packed.readUInt32BE(16));
  });

  it('has every table whole, by the sum that stands beside it', () => {
    expect(tables.map(({ name }) => name)).toEqual(expect.arrayContaining(['cmap', 'glyf', 'hmtx', 'loca']));
    for (const { name, sum, bytes } of tables) {
      const whole = Buffer.alloc(Math.ceil(bytes.length / 4) * 4);
      bytes.copy(whole);
      // The head holds a sum over the whole file, which its own leaves out.
      if (name === 'head') whole.writeUInt32BE(0, 8);
      let counted = 0;
      for (let at = 0; at < whole.length; at += 4) counted = (counted + whole.readUInt32BE(at)) >>> 0;
      expect(counted, name).toBe(sum);
    }
  });

  it('is refused where it is packed otherwise', () => {
    expect(() => unpackedTypeface(plain)).toThrow('WOFF 1.0');
  });
});

describe('a drawing on a paper', () => {
  it('has its words in our typeface, and nothing to complain of', async () => {
    const complaints: unknown[] = [];
    const warn = vi.spyOn(console, 'warn').mockImplementation((said) => void complaints.push(said));
    onTestFinished(() => warn.mockRestore());
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="20"><text x="5" y="12">wall 1</text></svg>';
    const paper = await makePdf(root, { title: 'A wall', subtitle: '', foot: '', content: [{ svg, width: 90 }] });
    expect(complaints).toEqual([]);
    expect((await textOf(paper)).text).toContain('wall 1');
  });
});
