/**
 * What was learnt from labelled walks (`training/`): for each layer of the reader, the features it knows and what each
 * says for each answer. Kept as whole numbers of eight bits in one file, `learnt.json`.
 */
export interface Layer {
  rows: Rows;
  answers: number;
  /** Row by row, one for each answer. */
  values: Float32Array;
}

/** A layer as it is kept. */
export interface KeptLayer {
  answers: number;
  /** What a value of 1 stands for. */
  unit: number;
  /** Features as whole numbers of 32 bits, base64. */
  rows: string;
  /** Bytes with a sign, base64. */
  values: string;
}

/** A number of 32 bits for a feature (FNV-1a): kept in its place, since features are many and their names long. */
export function hashOf(feature: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < feature.length; at++) hash = Math.imul(hash ^ feature.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}

/**
 * Which row is a feature's: asked a hundred times for each word that was said, so it is a table of its own with open places,
 * which is read without making anything.
 */
export class Rows {
  private readonly slots: Int32Array;
  private readonly mask: number;

  constructor(readonly hashes: Uint32Array) {
    let size = 16;
    while (size < hashes.length * 3) size *= 2;
    this.mask = size - 1;
    this.slots = new Int32Array(size);
    hashes.forEach((hash, row) => {
      let slot = hash & this.mask;
      while (this.slots[slot] !== 0) slot = (slot + 1) & this.mask;
      this.slots[slot] = row + 1;
    });
  }

  get size(): number {
    return this.hashes.length;
  }

  /** The row of a feature; -1 where nothing was learnt of it. */
  of(feature: string): number {
    const hash = hashOf(feature);
    let slot = hash & this.mask;
    for (let row = this.slots[slot]!; row !== 0; row = this.slots[slot]!) {
      if (this.hashes[row - 1] === hash) return row - 1;
      slot = (slot + 1) & this.mask;
    }
    return -1;
  }
}

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
const base64Of = (bytes: Uint8Array): string => btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));

export function openLayer({ rows, answers, unit, values }: KeptLayer): Layer {
  return {
    rows: new Rows(new Uint32Array(bytesOf(rows).buffer)),
    answers,
    values: Float32Array.from(new Int8Array(bytesOf(values).buffer), (value) => value * unit),
  };
}

export function keepLayer(layer: Layer): KeptLayer {
  const most = layer.values.reduce((so, value) => Math.max(so, Math.abs(value)), 1e-9);
  const unit = most / 127;
  return {
    answers: layer.answers,
    unit,
    rows: base64Of(new Uint8Array(layer.rows.hashes.slice().buffer)),
    values: base64Of(new Uint8Array(Int8Array.from(layer.values, (value) => Math.round(value / unit)).buffer)),
  };
}

/** Told each feature that a thing shows. */
export type Show = (feature: string) => void;

/**
 * Adds up what the features shown say for each answer.
 * @param show calls what it is given with every feature
 */
export function scoresOf(layer: Layer, show: (tell: Show) => void): Float64Array {
  const { rows, answers, values } = layer;
  const sums = new Float64Array(answers);
  show((feature) => {
    const row = rows.of(feature);
    if (row === -1) return;
    if (answers === 1) {
      sums[0]! += values[row]!;
      return;
    }
    for (let answer = 0, at = row * answers; answer < answers; answer++, at++) sums[answer]! += values[at]!;
  });
  return sums;
}
