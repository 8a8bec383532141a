import type { Assembly } from '@/core/assemblies/assembly';
import type { Measure } from '@/core/layout/measures';
import type { PriceTerms } from '@/core/money/price';
import type { Trade } from '@/core/sequence/trades';
import type { AreaKind } from '@/core/sites/area';
import type { LengthSystem } from '@/core/units/length';
import type { JobHead } from './job';
import type { ScopeCounts } from './scope';

export interface AssembliesView {
  job: JobHead;
  counts: ScopeCounts;
  units: LengthSystem;
  terms: PriceTerms;
  areas: { id: string; name: string; kind: AreaKind }[];
  /** The area that is looked at, with what its drawing answers. */
  area: string;
  catalogue: (Assembly & {
    drawn: Record<string, number>;
    fed: Record<string, Measure>;
    /** The firm says it otherwise, or made it; null for one that ships. */
    own: 'changed' | 'made' | null;
  })[];
  /** What an hour of each trade costs. */
  rates: { trade: Trade; perHour: number }[];
  /** What goods cost when they were last priced, by their names. */
  prices: Record<string, number>;
  set: {
    id: string;
    version: number;
    area: string;
    title: string;
    lines: string[];
    cautions: string[];
  }[];
}
