/**
 * A feature: what is told to a layer of the reader, “the word is `tile`”, “a number, then a length”. A number of 32 bits, since
 * a hundred of them are asked at each word: what is seen at a place has a number each, and features are put together of
 * those by multiplying, without a text being made.
 */
export type Feature = number;

/** Told each feature that a thing shows. */
export type Show = (feature: Feature) => void;

/** The number of a text (FNV-1a). */
export function numberOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash | 0;
}

/** One feature more closely told. The order counts: “a, then b” is not “b, then a”. */
export function and(feature: Feature, more: number): Feature {
  const mixed = Math.imul(feature ^ more, 0x9e3779b1);
  return mixed ^ (mixed >>> 15);
}

/** What is seen at a place, by its name: where its number stands in a list. */
export type Slots<Name extends string> = Readonly<Record<Name, number>>;

export const slotsOf = <const Name extends string>(...names: readonly Name[]): Slots<Name> =>
  Object.fromEntries(names.map((name, at) => [name, at])) as Slots<Name>;

/** Features of one layer, each by its own number and the slots that it is put together of. */
export type Put = readonly { own: number; slots: readonly number[] }[];

/**
 * Features put together of what is seen.
 * @param kind sets them apart from those of other kinds in the same layer
 * @param written each the names of what is seen at once, `w-1 c0`; with a name of its own before a colon where several are to
 *   be one feature, `apart: c0 c2`
 */
export function put<Name extends string>(kind: string, slots: Slots<Name>, ...written: readonly string[]): Put {
  return written.map((one) => {
    const [names = '', title = names] = one.split(': ').reverse();
    return {
      own: numberOf(`${kind} ${title}`),
      slots: names
        .split(' ')
        .filter(Boolean)
        .map((name) => {
          if (!(name in slots)) throw new Error(`Nothing called ${name} is seen.`);
          return slots[name as Name];
        }),
    };
  });
}

/** Tells every feature, by what is seen. */
export function tellAll(features: Put, seen: ArrayLike<number>, tell: Show): void {
  for (let at = 0; at < features.length; at++) {
    const { own, slots } = features[at]!;
    let feature = own;
    for (let slot = 0; slot < slots.length; slot++) feature = and(feature, seen[slots[slot]!]!);
    tell(feature);
  }
}

/** Tells each feature once, however often it is met. */
export function once(tell: Show): Show {
  const told = new Set<Feature>();
  return (feature) => {
    if (told.has(feature)) return;
    told.add(feature);
    tell(feature);
  };
}
