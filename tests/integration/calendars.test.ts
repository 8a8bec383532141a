import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { pathOfFeed } from '@/server/tokens';
import { feedFile } from '@/server/public/feeds';
import { coordinationView } from '@/server/views/coordination';
import { readPlan } from '@/server/reading/plan';
import { readFirm } from '@/server/reading/reading';
import { dayOfSlot } from '@/core/units/slot';
import { demoHouse, must, newId, TODAY } from '../support/installations';
import { build } from '../support/synthetic';

interface Event {
  task: string;
  status: string;
  first: string;
  last: string;
  sequence: number;
}

/** Events of a feed as another program reads them. */
function eventsOf(installation: Installation, kind: 'job' | 'sub', target: string): Event[] {
  const id = newId();
  must(installation, 'feed.open', { id, kind, target });
  const feeds = coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed)).feeds;
  const token = feeds.find((feed) => feed.id === id)?.path.replace(/^\/calendar\/|\.ics$/g, '') ?? '';
  const calendar = new ICAL.Component(ICAL.parse(feedFile(installation, token)?.content ?? '') as never);
  return calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    return {
      task: event.uid.replace(/@aftermist$/, ''),
      status: String(component.getFirstPropertyValue('status')),
      ...{ first: event.startDate.toString(), last: event.endDate.toString(), sequence: event.sequence },
    };
  });
}

const live = (events: readonly Event[]): Event[] => events.filter(({ status }) => status !== 'CANCELLED');

describe('calendars of subs and jobs', () => {
  it('of the demo hold no work that is done as if it were to come, and nothing that ends before it begins', () => {
    const installation = demoHouse();
    renewOnce(installation);
    const done = new Set(readPlan(installation.db)?.tasks.flatMap(({ id, state }) => (state === 'done' ? [id] : [])));
    const subs = queryAll<{ id: string }>(installation.db, 'SELECT id FROM sub');
    const events = subs.flatMap(({ id }) => live(eventsOf(installation, 'sub', id)));
    expect(events.length).toBeGreaterThan(100);
    expect(events.filter(({ first, last }) => last <= first)).toEqual([]);
    expect(events.filter(({ task, last }) => done.has(task) && last.slice(0, 10) > TODAY)).toEqual([]);
  });

  it('end what was done when it was done, and begin what was begun no later than that', () => {
    const built = build({ Bath: { works: ['bathroom'], kind: 'wet' } });
    const { installation, job, areas, see, renew } = built;
    renew();
    const task = `${areas.Bath}:plumbing-rough`;
    const planned = eventsOf(installation, 'job', job).find((event) => event.task === task);
    expect(planned && planned.first.slice(0, 10) > TODAY).toBe(true);
    see('Bath', 'plumbing-rough', 0.5);
    renew();
    const begun = eventsOf(installation, 'job', job).find((event) => event.task === task);
    expect(begun && begun.first.slice(0, 10) <= TODAY && begun.last > begun.first).toBe(true);
    see('Bath', 'plumbing-rough', 1);
    renew();
    const over = eventsOf(installation, 'job', job).find((event) => event.task === task);
    expect(over?.last.slice(0, 10)).toBe(TODAY);
    expect(over!.sequence).toBeGreaterThan(planned!.sequence);
    expect(over!.last > over!.first).toBe(true);
  });

  it('write jobs that nobody has signed for in pencil, and leave out a visit to which the sub said no', () => {
    const installation = demoHouse();
    renewOnce(installation);
    const plan = readPlan(installation.db);
    const sub = queryOne<{ id: string }>(
      installation.db,
      `SELECT id FROM sub WHERE id IN (SELECT crew FROM visit_day WHERE day > @today) LIMIT 1`,
      { today: TODAY },
    )!.id;
    const visit = plan?.tasks.find(
      ({ crew, state, start, duration }) =>
        crew === sub && state === 'waiting' && duration > 0 && dayOfSlot(plan.origin, start) > TODAY,
    );
    if (!plan || !visit) throw new Error('nobody comes');
    const row = (): Event | undefined => eventsOf(installation, 'sub', sub).find(({ task }) => task === visit.id);
    expect(row()?.status).not.toBe('CANCELLED');
    const half = visit.start % 2 === 1 ? 1 : 0;
    const said = { task: visit.id, day: dayOfSlot(plan.origin, visit.start), half } as const;
    must(installation, 'visit.answer', { visits: [said], answer: 'no', by: 'the lead' });
    expect(row()?.status).toBe('CANCELLED');
    const { id: job } = queryOne<{ id: string }>(
      installation.db,
      `SELECT job AS id FROM calendar_event WHERE cancelled = 0 LIMIT 1`,
    )!;
    installation.db.prepare(`UPDATE job SET state = 'scoping' WHERE id = ?`).run(job);
    expect(new Set(live(eventsOf(installation, 'job', job)).map(({ status }) => status))).toEqual(
      new Set(['TENTATIVE']),
    );
  });
});
