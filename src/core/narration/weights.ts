import type { Feature, Show } from './features';

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

/**
 * Which row is a feature's: asked a hundred times for each word that was said, so it is a table of its own with open places,
 * which is read without making anything.
 */
export class Rows {
  /** By place: the feature, and its row and one more; 0 where the place is open. */
  private readonly known: Int32Array;
  private readonly rowAt: Int32Array;
  private readonly mask: number;

  constructor(readonly features: Int32Array) {
    let size = 16;
    while (size < features.length * 3) size *= 2;
    this.mask = size - 1;
    this.known = new Int32Array(size);
    this.rowAt = new Int32Array(size);
    features.forEach((feature, row) => {
      let place = feature & this.mask;
      while (this.rowAt[place] !== 0) place = (place + 1) & this.mask;
      this.known[place] = feature;
      this.rowAt[place] = row + 1;
    });
  }

  get size(): number {
    return this.features.length;
  }

  /** The row of a feature; -1 where nothing was learnt of it. */
  of(feature: Feature): number {
    let place = feature & this.mask;
    for (let row = this.rowAt[place]!; row !== 0; row = this.rowAt[place]!) {
      if (this.known[place] === feature) return row - 1;
      place = (place + 1) & this.mask;
    }
    return -1;
  }
}

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
const base64Of = (bytes: Uint8Array): string => btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));

export function openLayer({ rows, answers, unit, values }: KeptLayer): Layer {
  return {
    rows: new Rows(new Int32Array(bytesOf(rows).buffer)),
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
    rows: base64Of(new Uint8Array(layer.rows.features.slice().buffer)),
    values: base64Of(new Uint8Array(Int8Array.from(layer.values, (value) => Math.round(value / unit)).buffer)),
  };
}

/** Adds what a feature says for each answer to sums that begin at a place. */
export function addSaid({ rows, answers, values }: Layer, feature: Feature, sums: Float64Array, at: number): void {
  const row = rows.of(feature);
  if (row === -1) return;
  for (let answer = 0, value = row * answers; answer < answers; answer++, value++) sums[at + answer]! += values[value]!;
}

/**
 * Adds up what the features shown say for each answer.
 * @param show calls what it is given with every feature
 */
export function scoresOf(layer: Layer, show: (tell: Show) => void): Float64Array {
  const sums = new Float64Array(layer.answers);
  show((feature) => addSaid(layer, feature, sums, 0));
  return sums;
}
