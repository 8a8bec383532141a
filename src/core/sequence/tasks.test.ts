import { describe, expect, it } from 'vitest';
import type { Site, SiteArea, TrackStep } from './site';
import { ALWAYS, jobCalendar } from './calendars';
import { tasksOf, type TaskTerms } from './tasks';
import { sayWork } from '../words/work';

const step = (over: Partial<TrackStep> & Pick<TrackStep, 'phase' | 'trade'>): TrackStep => ({
  halfDays: 4,
  fraction: 0,
  remaining: 4,
  ...over,
});
const area = (track: TrackStep[]): SiteArea => ({
  id: 'a',
  name: 'Kitchen',
  kind: 'room',
  level: { id: 'l', height: 0, name: 'Ground' },
  position: 0,
  passage: false,
  provides: [],
  beside: [],
  shelters: [],
  track,
});
const site = (track: TrackStep[], over: Partial<Site> = {}): Site => ({
  id: 'j',
  name: 'Job',
  startDay: '2027-03-01',
  livedIn: false,
  areas: [area(track)],
  ownLinks: [],
  leftovers: [],
  extras: [],
  ...over,
});
const terms: TaskTerms = { origin: '2027-03-08', now: 1, crewFor: (trade) => `sub-${trade}` };
const only = (entry: Site, added: Parameters<typeof tasksOf>[1] = []) => tasksOf(entry, added, terms);

describe('the tasks of a job', () => {
  it('wait, are under way or done as walks have seen them', () => {
    const tasks = only(
      site([
        step({ phase: 'framing', trade: 'carpentry', fraction: 1, remaining: 0, seen: { day: '2027-03-05', half: 1 } }),
        step({ phase: 'wiring-rough', trade: 'wiring', fraction: 0.5, remaining: 2 }),
        step({ phase: 'board', trade: 'board' }),
      ]),
    );
    expect(
      tasks.map(({ work, state, duration, floor, crew }) => [sayWork(work), state, duration, floor, crew]),
    ).toEqual([
      ['Kitchen · framing', 'done', 0, -4, 'sub-carpentry'],
      ['Kitchen · wires', 'under-way', 2, 1, 'sub-wiring'],
      ['Kitchen · board', 'waiting', 4, 1, 'sub-board'],
    ]);
  });

  it('never remain with nothing to do, and never begin before the job does', () => {
    const tasks = only(
      site(
        [
          step({ phase: 'board', trade: 'board', fraction: 0.99, remaining: 0 }),
          step({ phase: 'tape', trade: 'board' }),
        ],
        { startDay: '2027-03-15' },
      ),
    );
    expect(tasks.map(({ duration, floor }) => [duration, floor])).toEqual([
      [1, 1],
      [4, 14],
    ]);
  });

  it('cure on every day of the week, need nobody, and fill the room', () => {
    expect(only(site([step({ phase: 'floor-cure', trade: 'nobody' })]))[0]).toMatchObject({
      calendar: ALWAYS,
      crew: null,
      shares: 2,
    });
    expect(only(site([step({ phase: 'wiring-rough', trade: 'wiring' })]))[0]).toMatchObject({
      calendar: jobCalendar('j'),
      shares: 1,
    });
  });

  it('take what a walk left over as half a day of its trade', () => {
    const leftovers = [
      { id: 'x', area: 'a', text: 'boxes too low', trade: 'wiring' as const },
      { id: 'y', area: 'a', text: 'ask again', trade: 'nobody' as const },
    ];
    expect(
      only(site([], { leftovers })).map(({ id, work, duration, crew, shares }) => [
        id,
        sayWork(work),
        duration,
        crew,
        shares,
      ]),
    ).toEqual([
      ['item:x', 'Kitchen · boxes too low', 1, 'sub-wiring', 1],
      ['item:y', 'Kitchen · ask again', 1, null, 1],
    ]);
  });

  it('hold what the rules add: set-up done once anything has begun, milestones with their storey', () => {
    const added = [
      { id: 'j:site-setup', kind: 'site-setup' as const },
      { id: 'j:tight:l', kind: 'tight' as const, level: 'l' },
      { id: 'j:final-inspection', kind: 'final-inspection' as const },
    ];
    const fresh = only(site([step({ phase: 'board', trade: 'board' })]), added).slice(1);
    expect(fresh.map(({ work, state, duration, crew }) => [sayWork(work), state, duration, crew])).toEqual([
      ['Site set-up', 'waiting', 1, 'sub-ground'],
      ['Ground · weather-tight', 'waiting', 0, null],
      ['Final inspection', 'waiting', 1, null],
    ]);
    expect(only(site([step({ phase: 'board', trade: 'board', fraction: 0.1 })]), added)[1]).toMatchObject({
      state: 'done',
      duration: 0,
    });
  });
});
