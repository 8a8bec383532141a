import { inflateSync } from 'node:zlib';

/** Bytes of the head of each form, and of each entry of its list of tables (W3C, WOFF File Format 1.0, sections 3 and 4). */
const [WOFF_HEAD, WOFF_ENTRY, PLAIN_HEAD, PLAIN_ENTRY] = [44, 20, 12, 16];

/**
 * A typeface as it was before it was packed for the web. What sets a paper unpacks a packed one anew for every letter,
 * which took two thirds of a paper's time.
 * @param packed a file of the form WOFF 1.0
 * @returns the same typeface, its tables in their order, each unpacked
 * @throws where it is not of that form
 */
export function unpackedTypeface(packed: Buffer): Buffer {
  if (packed.toString('latin1', 0, 4) !== 'wOFF') throw new Error('This typeface is not packed as WOFF 1.0.');
  const count = packed.readUInt16BE(12);
  const head = Buffer.alloc(PLAIN_HEAD + count * PLAIN_ENTRY);
  packed.copy(head, 0, 4, 8);
  head.writeUInt16BE(count, 4);
  const power = Math.floor(Math.log2(count));
  head.writeUInt16BE(16 * 2 ** power, 6);
  head.writeUInt16BE(power, 8);
  head.writeUInt16BE(16 * (count - 2 ** power), 10);

  const tables: Buffer[] = [];
  let at = head.length;
  for (let index = 0; index < count; index += 1) {
    const entry = WOFF_HEAD + index * WOFF_ENTRY;
    const [offset, kept, length] = [4, 8, 12].map((byte) => packed.readUInt32BE(entry + byte)) as [
      number,
      number,
      number,
    ];
    const bytes = packed.subarray(offset, offset + kept);
    // Every table begins at a multiple of four.
    const table = Buffer.alloc(Math.ceil(length / 4) * 4);
    (kept < length ? inflateSync(bytes) : bytes).copy(table);
    tables.push(table);
    const place = PLAIN_HEAD + index * PLAIN_ENTRY;
    packed.copy(head, place, entry, entry + 4);
    packed.copy(head, place + 4, entry + 16, entry + 20);
    head.writeUInt32BE(at, place + 8);
    head.writeUInt32BE(length, place + 12);
    at += table.length;
  }
  return Buffer.concat([head, ...tables]);
}
