import { describe, expect, it } from 'vitest';
import { queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { planOf } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { deliveriesView } from '@/server/views/deliveries';
import { wayInView } from '@/server/views/way-in';
import { WayIn } from '@/ui/selections/way-in';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, giveRaw, must, newId, signalHouse } from '../support/installations';
import { read } from '../support/read';
import { BEAM, GATE } from '../support/way-in-commands';

const dairy = demoId('dairy');
const front = demoId('dairy', 'area', 'front');
const workshop = demoId('dairy', 'area', 'workshop');
const mm = (value: number) => ({ mm: value, typed: `${value} mm` });
const viewOf = (installation: Installation) => wayInView(readJob(installation, dairy));
const said = (installation: Installation): string =>
  viewOf(installation)
    .pieces.flatMap((piece) => piece.said.map(({ text }) => text))
    .join(' ');

describe('the way in', () => {
  it('holds what is large against what was measured for the whole job and for its room, and against no other', () => {
    const installation = demoHouse();
    must(installation, 'large-piece.add', { id: newId(), job: dairy, area: front, ...BEAM });
    expect(said(installation)).toBe('Nothing on its way is measured or drawn yet.');
    must(installation, 'way-in.add', { id: newId(), job: dairy, ...GATE });
    expect(said(installation)).toMatch(/^It comes in as it is\. It takes 6 people, more than get round one piece/);
    const turn = { what: 'Round the shed', kind: 'turn', before: mm(900), behind: mm(900), height: mm(2200) } as const;
    must(installation, 'way-in.add', { id: newId(), job: dairy, area: workshop, ...turn });
    expect(said(installation)).toMatch(/^It comes in as it is/);
    const here = newId();
    must(installation, 'way-in.add', { id: here, job: dairy, area: front, ...turn });
    expect(said(installation)).toMatch(/^It does not come through Round the shed .* In 2 pieces of at most/);
    must(installation, 'way-in.add', {
      ...{ id: newId(), job: dairy, area: front, what: 'Over the yard wall', kind: 'crane', lifts: 200 },
    });
    expect(said(installation)).toMatch(/It comes in another way: Over the yard wall/);
    must(installation, 'line.remove', { of: 'way-in', id: here });
    expect(said(installation)).toMatch(/^It comes in as it is/);
  });

  it('takes doors from the drawing, and the widest window as another way', () => {
    const installation = demoHouse();
    must(installation, 'large-piece.add', {
      ...{ id: newId(), job: signalHouse, area: areaOf('guest'), what: 'Bench', kind: 'machine', mass: 90 },
      length: mm(2600),
      width: mm(2500),
      height: mm(900),
    });
    const piece = wayInView(readJob(installation, signalHouse)).pieces.find(({ what }) => what === 'Bench');
    expect(piece?.held.join(' ')).toMatch(/the door of .*, as it is drawn/);
    expect(piece?.fits).toBe(false);
  });

  it('is said on a delivery of what does not come in', () => {
    const installation = demoHouse();
    const windows = queryOne<{ id: string; area: string }>(
      installation.db,
      `SELECT id, area FROM selection WHERE job = @dairy AND state = 'chosen' ORDER BY rowid`,
      { dairy },
    )!;
    must(installation, 'delivery.add', {
      ...{ id: newId(), job: dairy, day: '2027-04-01', selections: [windows.id], protection: 'boards' },
    });
    const warnings = () => deliveriesView(readJob(installation, dairy)).deliveries.flatMap((entry) => entry.warnings);
    const about = /Window frame does not come in by the usual way/;
    expect(warnings().join(' ')).not.toMatch(about);
    must(installation, 'way-in.add', { id: newId(), job: dairy, ...GATE });
    must(installation, 'large-piece.add', {
      ...{ id: newId(), job: dairy, area: windows.area, selection: windows.id, what: 'window frame', kind: 'sheet' },
      length: mm(2400),
      width: mm(2100),
      height: mm(120),
    });
    expect(warnings().join(' ')).toMatch(about);
  });

  it('puts the carrying into the plan, once, and what was noted on the first visit waits to be measured', () => {
    const installation = demoHouse();
    const [piece, finding] = [newId(), newId()];
    must(installation, 'finding.add', {
      id: finding,
      job: dairy,
      kind: 'access',
      subject: 'through the side gate only',
    });
    expect(viewOf(installation).unmeasured.map(({ id }) => id)).toContain(finding);
    must(installation, 'way-in.add', { id: newId(), job: dairy, finding, ...GATE });
    expect(viewOf(installation).unmeasured.map(({ id }) => id)).not.toContain(finding);
    must(installation, 'large-piece.add', { id: piece, job: dairy, area: front, ...BEAM });
    const plan = { id: piece, version: 1, extraId: newId(), trade: 'structure', halfDays: 1 };
    must(installation, 'large-piece.plan', plan as never);
    renewOnce(installation);
    const works = planOf(readFirm(installation).job(dairy))?.tasks.map(({ work }) => JSON.stringify(work)) ?? [];
    expect(works.filter((work) => work.includes('carry in: Oak beam'))).toHaveLength(1);
    expect(giveRaw(installation, 'large-piece.plan', { ...plan, version: 2, extraId: newId() })).toMatchObject({
      problem: { code: 'planned-already' },
    });
    expect(read(<WayIn view={viewOf(installation)} />)).toMatch(/Oak beam to .* Carrying it in is in the plan\./);
  });

  it('refuses a way without what its kind is measured by, beside the field', () => {
    const installation = demoHouse();
    const refused = (over: object) => {
      const answer = giveRaw(installation, 'way-in.add', { id: newId(), job: dairy, ...GATE, ...over });
      return answer.status === 'refused' ? answer.problem.field : answer.status;
    };
    expect(refused({ width: undefined })).toBe('width');
    expect(refused({ kind: 'crane' })).toBe('lifts');
    expect(refused({ kind: 'turn', before: mm(900) })).toBe('behind');
    expect(refused({ width: mm(-4) })).toMatch(/^width/);
    expect(refused({ area: demoId('signal', 'area', 'kitchen') })).toBe('area');
  });
});
