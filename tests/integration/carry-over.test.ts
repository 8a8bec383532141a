import { readFirm, readJob } from '@/server/reading/reading';
import { describe, expect, it } from 'vitest';
import { reviewView } from '@/server/views/review';
import { walkPack } from '@/server/views/pack';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, must, newId, signalHouse } from '../support/installations';
import type { Installation } from '@/server/installation';

function walking(installation: Installation): { walk: string; record: (seen: object) => string } {
  const walk = newId();
  must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
  return {
    walk,
    record: (seen) => {
      const id = newId();
      must(installation, 'observation.record', { observation: { id, walk, area: areaOf('guest'), ...seen } });
      return id;
    },
  };
}
const areaIn = (installation: Installation, walk: string, area = 'guest') =>
  walkPack(installation, walk).areas.find((each) => each.id === areaOf(area));

describe('what a walk has in the hand', () => {
  it('goes round the outside first, then from the ground up', () => {
    const installation = demoHouse();
    const places = walkPack(installation, walking(installation).walk).areas.map((area) => area.place);
    expect([...new Set(places)]).toEqual(['outside', 'Ground', 'Upper', 'Lantern']);
    expect(places).toHaveLength(18);
  });

  it('brings what was open with how often it was put off, what was chosen, and the cautions', () => {
    const installation = demoHouse();
    const { walk } = walking(installation);
    expect(areaIn(installation, walk)?.open).toMatchObject([
      { text: '2 boxes too low on the east wall', putOff: 2, verdict: null },
      { text: 'duct collar unsealed at the ceiling', putOff: 0 },
    ]);
    expect(areaIn(installation, walk)?.selections).toMatchObject([{ category: 'Inside doors', verdict: null }]);
    expect(areaIn(installation, walk, 'kitchen')?.open[0]).toMatchObject({
      kind: 'caution',
      days: 14,
      text: expect.stringContaining('nobody touches it before the props stand') as string,
    });
    expect(areaIn(installation, walk, 'landing')).toMatchObject({ steps: [], open: [], recorded: [] });
  });

  it('keeps what was open in sight with what was said of it, and leaves it out of the next walk', () => {
    const installation = demoHouse();
    const { walk, record } = walking(installation);
    record({ kind: 'recheck', about: demoId('signal', 'item', 'boxes'), verdict: 'done' });
    expect(areaIn(installation, walk)?.open[0]).toMatchObject({
      text: '2 boxes too low on the east wall',
      verdict: 'done',
    });
    must(installation, 'walk.finish', { id: walk });
    expect(areaIn(installation, walking(installation).walk)?.open.map((item) => item.text)).toEqual([
      'duct collar unsealed at the ceiling',
    ]);
  });

  it('lists what was recorded on it already, as one line each', () => {
    const installation = demoHouse();
    const { walk, record } = walking(installation);
    record({ kind: 'note', text: 'smells of damp' });
    record({ kind: 'measurement', text: 'door', typed: `2' 8"`, mm: 812.8 });
    record({ kind: 'remaining', text: 'collar', trade: 'air', quantity: 2 });
    const gone = record({ kind: 'note', text: 'never mind' });
    record({ kind: 'withdrawal', about: gone });
    expect(areaIn(installation, walk)?.recorded.map((line) => line.text)).toEqual([
      'smells of damp',
      `door: 2' 8"`,
      '2 collar · air and heat',
    ]);
  });
});

describe('the review of a walk', () => {
  it('has a line for everything that changed, and none for what did not', () => {
    const installation = demoHouse();
    const { walk, record } = walking(installation);
    record({ kind: 'progress', phase: 'wiring-rough', fraction: 0.3 });
    record({ kind: 'progress', phase: 'plumbing-rough', fraction: 0.8 });
    record({ kind: 'recheck', about: demoId('signal', 'item', 'boxes'), verdict: 'done' });
    record({ kind: 'caution', text: 'loose tread' });
    record({ kind: 'note', text: 'smells of damp' });
    record({
      kind: 'selection-check',
      selection: demoId('signal', 'selection', 'guest', 'Inside doors'),
      verdict: 'damaged',
      text: 'two dented',
    });
    const view = reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation));
    expect(view.areas).toEqual([
      {
        id: areaOf('guest'),
        name: 'Guest suite',
        lines: [
          { tone: 'bad', text: 'pipes done → 80 %' },
          { tone: 'good', text: 'settled: boxes too low on the east wall' },
          { tone: 'bad', text: 'Inside doors: damaged (two dented)' },
          { tone: 'bad', text: 'caution: loose tread' },
          { tone: 'plain', text: 'smells of damp' },
        ],
      },
    ]);
    expect(view).toMatchObject({ planning: false, walk: { finished: false, by: 'Maren' } });
    expect(view.gain).toBeLessThan(0);
  });

  it('is of its own job only', () => {
    const installation = demoHouse();
    expect(() =>
      reviewView(readJob(installation, demoId('tannery')), demoId('signal', 'walk', '2'), () => readFirm(installation)),
    ).toThrow('There is no such walk of this job here.');
    expect(() => walkPack(installation, newId())).toThrow('There is no such walk here.');
  });
});
