import type { LevelKind } from '@/core/fit/levels';
import type { Measure, Measures } from '@/core/layout/measures';
import type { Opening, Fixture, Shape } from '@/core/layout/shape';
import type { AreaKind } from '@/core/sites/area';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import type { JobHead } from './job';
import type { CalculationView, DecisionView, FindingView } from './scope';

export type KeptOpening = Opening & { version: number };
export type KeptFixture = Fixture & { version: number };

/** A room behind a wall of this one. */
export interface Neighbour {
  wall: number;
  area: string;
  name: string;
  otherWall: number;
  shape: Shape;
  openings: KeptOpening[];
  fixtures: KeptFixture[];
  sleeping: boolean;
}

export interface LayoutView {
  job: JobHead;
  area: {
    id: string;
    name: string;
    kind: AreaKind;
    side: string;
    sleeping: boolean;
    atGrade: boolean;
    phases: { phase: Phase; label: string; trade: Trade }[];
  };
  shape: Shape | null;
  version: number;
  openings: KeptOpening[];
  fixtures: KeptFixture[];
  measures: Measures;
  neighbours: Neighbour[];
  /** Other drawn rooms of the job, for saying what is behind a wall. */
  rooms: { id: string; name: string; walls: number }[];
  calculations: CalculationView[];
  decisions: DecisionView[];
  findings: FindingView[];
  scope: { id: string; text: string }[];
}

export interface LevelsView {
  job: JobHead;
  marks: { id: string; version: number; name: string; kind: LevelKind; mm: number; typed: string }[];
  problems: string[];
}

export interface BenchView {
  /** Areas a result can be kept in, with what each measures and which lines it could be for. */
  jobs: {
    id: string;
    name: string;
    units: 'metric' | 'imperial';
    areas: {
      id: string;
      name: string;
      measures: Partial<Record<Measure, unknown>>;
      phases: { phase: Phase; label: string }[];
      lines: { id: string; text: string }[];
    }[];
  }[];
  today: Day;
}
