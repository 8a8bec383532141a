import kept from './learnt.json';
import type { ChoiceLayers } from './choices';
import type { PlaceLayers } from './places';
import type { StretchLayer } from './stretches';
import { openLayer, type KeptLayer, type Layer } from './weights';

/** Everything the reader was taught (`npm run teach`). */
export interface Learnt {
  cut: Layer;
  place: PlaceLayers;
  stretch: StretchLayer;
  choices: ChoiceLayers;
  /** Whether a draft is right in its kind and place. */
  sure: Layer;
}

export interface KeptLearnt {
  cut: KeptLayer;
  moves: KeptLayer;
  setting: KeptLayer;
  kinds: KeptLayer;
  flow: number[];
  stance: KeptLayer;
  problem: KeptLayer;
  state: KeptLayer;
  by: KeptLayer;
  sure: KeptLayer;
}

const openLearnt = (from: KeptLearnt): Learnt => ({
  cut: openLayer(from.cut),
  place: { moves: openLayer(from.moves), setting: openLayer(from.setting) },
  stretch: { kinds: openLayer(from.kinds), flow: Float32Array.from(from.flow) },
  choices: {
    stance: openLayer(from.stance),
    problem: openLayer(from.problem),
    state: openLayer(from.state),
    by: openLayer(from.by),
  },
  sure: openLayer(from.sure),
});

let opened: Learnt | undefined;
/** Opened once, where the first words are read. */
export const learnt = (): Learnt => (opened ??= openLearnt(kept));
