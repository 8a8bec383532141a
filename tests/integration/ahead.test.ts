import { SEES_ALL } from '@/server/rights/sees';
import { describe, expect, it } from 'vitest';
import { forecastOf } from '@/core/forecast/forecast';
import { emptyTally, Player } from '@/core/forecast/play';
import { formatDay } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { forecastView } from '@/server/plan/forecast';
import { readFirm } from '@/server/reading/reading';
import { queryAll, queryOne } from '@/server/database/query';
import { livingView } from '@/server/views/living';
import { routeView } from '@/server/views/route';
import { demoId } from '../../demo/seed';
import { demoHouse, give, must, newId, signalHouse, TODAY } from '../support/installations';
import { build } from '../support/synthetic';

const tannery = demoId('tannery');

describe('a forecast of the demo', () => {
  it('plays the plan itself where nothing is unsure, and comes out the same whoever plays it', () => {
    const { net, planned: ends } = forecastView(readFirm(demoHouse()), tannery, SEES_ALL);
    const sure = {
      ...net,
      ...{ chances: [], normals: [], paces: net.paces.map(() => [1]), lateness: net.lateness.map(() => [0]) },
      comings: net.comings.map((coming) => ({ ...coming, late: 0, sooner: 0 })),
    };
    const played = emptyTally(sure);
    new Player(sure).play(0, 1, played);
    const planned = forecastOf(sure, played).ends[0];
    expect(formatDay(lastDay(net.origin, planned?.half ?? 0), net.origin)).toBe(ends);
    const [one, parts] = [emptyTally(net), emptyTally(net)];
    new Player(net).play(0, 30, one);
    const other = new Player(net);
    other.play(20, 10, parts);
    other.play(0, 20, parts);
    expect(parts).toEqual(one);
    expect(forecastOf(net, one).ends[0]!.likely).toBeGreaterThanOrEqual(planned!.half);
  });

  it('says what is missing where there is no work to forecast', () => {
    const { installation, job } = build({});
    expect(() => forecastView(readFirm(installation), job, SEES_ALL)).toThrow(/No work with a time is left here/);
  });
});

describe('living in', () => {
  it('names nights without a toilet with the work that takes it, and what stands in takes them away', () => {
    const { installation, job, owner, renew } = build(
      { bath: { works: ['bathroom'], kind: 'wet' } },
      { livedIn: true },
    );
    renew();
    const view = () => livingView(readFirm(installation).job(job));
    expect(view().conflicts).toMatchObject([{ task: expect.stringContaining(':tear-out') as string }, {}]);
    expect(
      view()
        .conflicts.map(({ text }) => text.replace(/\d+/, 'n'))
        .sort(),
    ).toEqual(['n nights with no toilet', 'n nights with no water']);
    must(
      installation,
      'provision.add',
      { id: newId(), job, need: 'toilet', words: 'a hired toilet', fromDay: TODAY },
      owner,
    );
    expect(view().conflicts.map(({ text }) => text)).toEqual([expect.stringContaining('no water')]);
    expect(view().gaps.find(({ text }) => text.includes('a hired toilet'))?.bare).toBe(false);
    const past = { id: newId(), job, need: 'sink' as const, words: 'x', fromDay: '2027-01-01', untilDay: '2027-01-02' };
    expect(give(installation, 'provision.add', past, owner)).toMatchObject({ status: 'refused' });
  });
});

describe('a worked Saturday', () => {
  it('is refused where it is worked anyway or over, and the plan uses it', () => {
    const { installation, job, owner, renew } = build({ room: { works: ['redecorate'] } });
    renew();
    const add = (day: string) => give(installation, 'worked-day.add', { id: newId(), job, day, words: '' }, owner);
    expect(add('2027-03-10')).toMatchObject({ status: 'refused', problem: { field: 'day' } });
    expect(add('2027-03-06')).toMatchObject({ status: 'refused', problem: { field: 'day' } });
    expect(add('2027-03-13')).toMatchObject({ status: 'applied' });
    expect(add('2027-03-13')).toMatchObject({ status: 'refused', problem: { field: 'day' } });
  });
});

describe('trips and route', () => {
  it('takes typed minutes before guesses, and groups what is left by who comes', () => {
    const installation = demoHouse();
    must(installation, 'travel.set', { one: signalHouse, other: 'yard', minutes: 40 });
    const stops = [signalHouse, tannery].map((place) => ({ place, stays: 30, from: '', until: '' }));
    must(installation, 'route.keep', { day: TODAY, starts: '08:00', stops });
    const view = routeView(readFirm(installation));
    expect(view.route.map(({ place }) => place)).toEqual([tannery, signalHouse]);
    expect(view.route.map(({ guessed }) => guessed)).toEqual([true, true]);
    expect(view.guesses.map(({ one, other }) => [one, other])).not.toContainEqual(['yard', signalHouse]);
    expect(view.trips.length).toBeGreaterThan(0);
    for (const { trips, apart, days } of view.trips) {
      expect(trips).toBeLessThanOrEqual(apart);
      for (const { day, label } of days) expect(label).toBe(formatDay(day, view.day));
    }
    const thirteen = Array.from({ length: 13 }, (_, at) => ({ ...stops[0]!, place: String(at) }));
    expect(give(installation, 'route.keep', { day: TODAY, starts: '08:00', stops: thirteen })).toMatchObject({
      status: 'refused',
    });
    expect(queryAll(installation.db, 'SELECT place FROM route_stop')).toHaveLength(2);
    expect(queryOne(installation.db, 'SELECT starts FROM route_day')).toEqual({ starts: '08:00' });
  });
});
