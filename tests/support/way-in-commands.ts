import { queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { must, newId } from './installations';

const id = newId();
const extra = newId();
const dairy = demoId('dairy');
const back = demoId('dairy', 'area', 'back');
const mm = (value: number) => ({ mm: value, typed: `${value} mm` });
const row = ({ db }: Installation, table: 'way_in' | 'large_piece') =>
  queryOne<Record<string, unknown>>(db, `SELECT * FROM ${table} WHERE id = @id`, { id });

export const GATE = { what: 'Side gate', kind: 'opening', width: mm(900), height: mm(2000) } as const;
export const BEAM = {
  what: 'Oak beam',
  kind: 'beam',
  length: mm(4200),
  width: mm(180),
  height: mm(220),
  mass: 130,
} as const;
const addGate = (installation: Installation): void =>
  void must(installation, 'way-in.add', { id, job: dairy, ...GATE });
const addBeam = (installation: Installation): void =>
  void must(installation, 'large-piece.add', { id, job: dairy, area: back, ...BEAM });

/** Every command about what is narrow and what is large, with what it leaves. */
export const WAY_IN: Record<string, Given> = {
  'way-in.add': {
    payload: { id, job: dairy, ...GATE },
    leaves: (installation) => row(installation, 'way_in'),
    expected: { kind: 'opening', width: 900, height: 2000, area: null, beside: 0 },
  },
  'way-in.change': {
    before: addGate,
    payload: { id, version: 1, what: 'Lane', kind: 'carry', distance: mm(30_000), width: mm(900), area: back },
    leaves: (installation) => row(installation, 'way_in'),
    // What another kind was measured by is not kept.
    expected: { what: 'Lane', kind: 'carry', distance: 30_000, width: null, height: null, area: back },
  },
  'large-piece.add': {
    payload: { id, job: dairy, area: back, ...BEAM },
    leaves: (installation) => row(installation, 'large_piece'),
    expected: { what: 'Oak beam', length: 4200, mass: 130, selection: null, extra: null },
  },
  'large-piece.change': {
    before: addBeam,
    payload: { id, version: 1, area: back, ...BEAM, mass: undefined, kind: 'sheet' },
    leaves: (installation) => row(installation, 'large_piece'),
    expected: { kind: 'sheet', mass: null },
  },
  'large-piece.plan': {
    before: addBeam,
    payload: { id, version: 1, extraId: extra, trade: 'structure', halfDays: 1, after: 'face-protect' },
    leaves: ({ db }) =>
      queryOne(db, 'SELECT text, half_days, after_phase, state FROM extra_work WHERE id = @extra', { extra }),
    expected: { text: 'carry in: Oak beam', half_days: 1, after_phase: 'face-protect', state: 'open' },
    plans: true,
  },
};
