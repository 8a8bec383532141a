import type { Trade } from '@/core/sequence/trades';
import { isPassedByName } from '@/core/sequence/inspections';
import { phaseFacts } from '@/core/sequence/phases';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CommandAnswer } from '@/contract/command';
import type { CommandType, Input } from '@/contract/commands';
import type { SelectionState } from '@/core/selections/states';
import { groupBy } from '@/core/group-by';
import { addDays, onToWeekday, type Day } from '@/core/units/day';
import { dayOfSlot, isAfternoon } from '@/core/units/slot';
import { parseLength } from '@/core/units/length';
import { instantIn, type Zone } from '@/core/units/zone';
import { standingClock } from '@/server/clock';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import { keepPicture } from '@/server/files/pictures';
import { LEFT_ITEM_KEYS } from '@/core/walks/housekeeping';
import { closeInsOf } from '@/server/reading/close-ins';
import { readJob } from '@/server/reading/reading';
import { queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { searchOnce } from '@/server/plan/search';
import { readPlan } from '@/server/reading/plan';
import { isVisit } from '@/core/schedule/visit';
import { firmTime } from '@/server/zone';
import { longDay } from '@/core/units/day';
import { taskId } from '@/core/sequence/site';
import { emptyOutbox } from '@/server/news/outbox';
import { composeDraft } from '@/server/views/draft';
import { COAST } from '@/server/outside/simulated/weather';
import { FIRM, LICENCES, OFFICES, OUTLOOK, PEOPLE, PLANT, SUBS, SUPPLIERS } from './firm';
import { lindenGatehouse } from './jobs/linden-gatehouse';
import { oldDairy } from './jobs/old-dairy';
import { signalHouse } from './jobs/signal-house';
import { tanneryRow } from './jobs/tannery-row';
import { demoId } from './ids';
import { paint } from './painter';
import type { DemoArea, DemoJob, DemoRequest, DemoSeen, DemoSelection, DemoWalk } from './scenario';
import { captionsOf, readLabelled } from './narration-file';
import { changes } from './stood';
import { HOURS, JOB_MONEY, MONEY } from './prices';
import { papersOf } from './papers';
import { waysInOf } from './way-in';
import { purchasesOf, spendingOf } from './spending';
import type { Happened } from './happened';
import { agreementCommands, visitCommands } from './visit';

export { demoId } from './ids';

export const DEMO_JOBS: readonly DemoJob[] = [signalHouse, tanneryRow, lindenGatehouse, oldDairy];

/** Who looks at what in Port Ellery, as the papers say. */
const LOOKED: Readonly<Record<string, string>> = { release: 'Engineer Thorne', 'water-test': 'Maren, tested' };

/** Subs who have not called back yet. */
const SAY_LATER: readonly Trade[] = ['paint', 'plumbing', 'roofing', 'carpentry'];

/** Builds the demo firm through the one door, as if its people had done it on the days when it happened. */
export async function seedDemo(installation: Installation): Promise<void> {
  const real = installation.clock;
  // A demo cut short is made again, so it need not wait for the disk at each of its commands.
  installation.db.pragma('synchronous = OFF');
  const { zone, today: start } = firmTime(installation);
  const script = new Script(installation, start, zone, real.now());
  try {
    script.founding();
    for (const job of DEMO_JOBS) script.open(job);
    script.led();
    const walks = DEMO_JOBS.flatMap((job) => job.walks.map((walk, number) => ({ job, walk, number }))).sort(
      (a, b) => a.walk.day - b.walk.day || a.walk.hour - b.walk.hour,
    );
    for (const { job, walk, number } of walks) await script.walk(job, walk, number);
    for (const job of DEMO_JOBS) script.visit(job);
    for (const happenings of [spendingOf, purchasesOf, waysInOf])
      for (const job of DEMO_JOBS) script.tell(happenings(job, start));
    for (const job of DEMO_JOBS) script.tell(await papersOf(installation, job));
    for (const job of DEMO_JOBS) script.walls(job);
    for (const job of DEMO_JOBS) script.endings(job);
    for (const job of DEMO_JOBS) script.orders(job);
    await script.post();
    script.promises();
    script.ownWords();
    script.slips();
    script.outlook();
  } finally {
    installation.clock = real;
    installation.db.pragma('synchronous = FULL');
  }
  renewOnce(installation);
}

/** Numbers that ring nowhere. */
const phoneOf = (number: number): string => `0555 01${String(number).padStart(2, '0')}`;

class Script {
  private count = 0;
  constructor(
    private readonly installation: Installation,
    private readonly start: Day,
    private readonly zone: Zone,
    private readonly now: Date,
  ) {}

  private when(day: number, hour: number, minute = 0): Date {
    return new Date(instantIn(this.zone, addDays(this.start, day), hour).getTime() + minute * 60_000);
  }

  /** Nothing is told before it happened: a demo that begins at dawn has its morning's news at once. */
  private at(date: Date): void {
    this.installation.clock = standingClock(date < this.now ? date : this.now);
  }

  private say<Type extends CommandType>(type: Type, payload: Input<Type>, who?: Actor): CommandAnswer {
    const contractor: Actor = who ?? {
      kind: 'person',
      id: demoId('person', 'maren'),
      name: 'Maren',
      role: 'contractor',
    };
    const answer = dispatch(this.installation, contractor, {
      id: demoId('command', String(this.count++)),
      type,
      at: this.installation.clock.now().toISOString(),
      payload,
    });
    if (answer.status === 'refused')
      throw new Error(
        `The demo's ${type} was refused: ${JSON.stringify(answer.problem)} ${JSON.stringify(payload).slice(0, 300)}`,
      );
    return answer;
  }

  /** Whoever leads sites sees those, and not what they cost. */
  led(): void {
    for (const { key, leads } of PEOPLE)
      if (leads)
        this.say('person.set-sees', {
          id: demoId('person', key),
          version: 1,
          jobs: leads.map((job) => demoId(job)),
          prices: false,
        });
  }

  founding(): void {
    this.at(this.when(-130, 8));
    const [owner, ...others] = PEOPLE;
    if (!owner) throw new Error('The demo firm has no owner.');
    this.say(
      'firm.found',
      {
        ...FIRM,
        personId: demoId('person', owner.key),
        ownerName: owner.name,
        email: owner.email,
        password: 'mist over the harbour',
      },
      { kind: 'founder' },
    );
    this.say('person.set-phone', { id: demoId('person', owner.key), phone: phoneOf(0) });
    others.forEach((person, index) =>
      this.say('person.add', {
        id: demoId('person', person.key),
        name: person.name,
        role: person.role,
        email: person.email,
        phone: phoneOf(index + 1),
      }),
    );
    this.say('firm.set-money', MONEY);
    for (const [trade, perHour] of HOURS) this.say('rate.set-hour', { trade, perHour });
    for (const [at, sub] of SUBS.entries()) {
      this.say('sub.add', {
        id: demoId('sub', sub.trade),
        name: sub.name,
        trade: sub.trade,
        also: sub.also ?? [],
        crews: sub.crews,
        leadName: sub.lead,
        email: `${sub.lead.toLowerCase()}@${sub.trade}.example`,
        phone: phoneOf(20 + at),
      });
      for (const [first, last] of sub.away ?? [])
        this.say('sub.away', {
          sub: demoId('sub', sub.trade),
          firstDay: addDays(this.start, first),
          lastDay: addDays(this.start, last),
        });
    }
    for (const { trade, holder, number, days } of LICENCES)
      this.say('licence.set', {
        ...{ id: demoId('licence', trade), sub: demoId('sub', trade), trade, holder, number },
        expiresOn: addDays(this.start, days),
      });
    OFFICES.forEach(({ key, ...office }, index) =>
      this.say('office.set', {
        ...{ id: demoId('office', key), ...office, phone: phoneOf(60 + index) },
        email: `desk@${key}-office.example`,
      }),
    );
    for (const { key, down, ...plant } of PLANT) {
      this.say('plant.set', { id: demoId('plant', key), ...plant });
      if (down)
        this.say('plant.break', {
          id: demoId('plant', key, 'down'),
          plant: demoId('plant', key),
          firstDay: addDays(this.start, down.from),
          lastDay: addDays(this.start, down.to),
          units: down.units,
          reason: down.reason,
        });
    }
    this.say('normals.set', { months: COAST.map(({ month, wet, windy, frosty }) => ({ month, wet, windy, frosty })) });
    for (const { name, email = '', desk = false, closed, prices } of SUPPLIERS) {
      const id = demoId('supplier', name);
      this.say('supplier.add', {
        id,
        name,
        email,
        desk,
        phone: phoneOf(70 + SUPPLIERS.findIndex((demoSupplier) => demoSupplier.name === name)),
      });
      if (closed)
        this.say('supplier.close', {
          supplier: id,
          firstDay: addDays(this.start, closed.from),
          lastDay: addDays(this.start, closed.to),
          why: closed.why,
        });
      if (prices)
        this.say('supplier.prices', {
          supplier: id,
          lines: prices.map(({ lead: [leadLow, leadHigh], ...line }) => ({ ...line, leadLow, leadHigh })),
        });
    }
  }

  open(job: DemoJob): void {
    const id = (...path: string[]): string => demoId(job.key, ...path);
    const day = (offset: number): string => addDays(this.start, offset);
    this.at(this.when(Math.min(-3, job.startsIn - 5), 9));
    const facts = {
      id: id(),
      name: job.name,
      address: job.address,
      client: job.client,
      clientEmail: job.clientEmail,
      units: job.units,
      startDay: day(job.startsIn),
      promiseDay: day(job.promisedIn),
      livedIn: job.livedIn,
      ...(job.loudHalf ? { loudHalf: job.loudHalf } : {}),
    };
    this.say('job.open', facts);
    if (job.state !== 'scoping') this.say('job.change', { ...facts, version: 1, state: job.state });
    this.say('areas.add', {
      job: id(),
      levels: job.levels.map((level) => ({
        id: id('level', level.key),
        name: level.name,
        height: level.height,
        note: level.note ?? '',
      })),
      areas: job.areas.map(({ key, level, stood: _, shelters, ...area }) => ({
        id: id('area', key),
        ...area,
        ...(level ? { level: id('level', level) } : {}),
        ...(shelters ? { shelters: shelters.map((shelter) => id('level', shelter)) } : {}),
      })),
    });
    for (const [one, other, opens] of job.beside)
      this.say('area.beside', { one: id('area', one), other: id('area', other), opens: opens === 'opens' });
    (job.provisions ?? []).forEach(({ from, ...provision }, number) =>
      this.say('provision.add', {
        ...{ id: id('provision', String(number)), job: id(), ...provision },
        fromDay: day(from),
      }),
    );
    job.holds.forEach(({ area, askedIn, expectedIn, ...hold }, number) =>
      this.say('hold.add', {
        id: id('hold', String(number)),
        job: id(),
        area: id('area', area),
        ...hold,
        ...(askedIn === undefined ? {} : { askedOn: day(askedIn) }),
        expectedOn: day(expectedIn),
      }),
    );
    for (const item of job.selections) {
      this.say('selection.add', this.selection(job, item));
      if (item.alternatives)
        this.say('selection.alternatives', {
          id: id('selection', item.area, item.category),
          version: 1,
          alternatives: item.alternatives.map(({ lead: [leadLow, leadHigh], ...one }, index) => ({
            id: id('alternative', item.category, String(index)),
            ...one,
            leadLow,
            leadHigh,
          })),
        });
    }
    for (const request of job.requests ?? []) this.say('request.add', this.request(job, request));
    job.scope.forEach(({ area, ...item }, number) =>
      this.say('scope.add', { id: id('scope', String(number)), job: id(), area: id('area', area), ...item }),
    );
  }

  private selection(job: DemoJob, item: DemoSelection): Input<'selection.add'> {
    const {
      area,
      slipped,
      expectedIn,
      lead: [leadLow, leadHigh],
      alternatives: _,
      again: __,
      keptAt: ___,
      ...facts
    } = item;
    return {
      id: demoId(job.key, 'selection', area, item.category),
      job: demoId(job.key),
      area: demoId(job.key, 'area', area),
      ...facts,
      leadLow,
      leadHigh,
      ...(expectedIn === undefined
        ? {}
        : {
            expectedOn: slipped
              ? addDays(this.start, expectedIn - slipped.days)
              : onToWeekday(addDays(this.start, expectedIn)),
          }),
    };
  }

  private request(
    job: DemoJob,
    { key, takes: [takesLow, takesHigh], after, waits, sentIn: _, sent: __, expectedIn: ___, ...request }: DemoRequest,
  ): Input<'request.add'> {
    const id = (...path: string[]): string => demoId(job.key, ...path);
    return {
      id: id('request', key),
      job: id(),
      ...request,
      takesLow,
      takesHigh,
      ...(after ? { after: id('request', after) } : {}),
      waits: waits.map((wait) =>
        'selection' in wait
          ? { selection: id('selection', wait.area, wait.selection) }
          : { area: id('area', wait.area), phase: wait.phase },
      ),
    };
  }

  /** What was sent out and asked for, how things come, what is kept. */
  orders(job: DemoJob): void {
    this.sendRequests(job);
    this.orderAgain(job);
    this.at(this.when(-1, 17));
    this.keepThings(job);
    this.deliveries(job);
    this.arrangements(job);
  }

  private sendRequests(job: DemoJob): void {
    for (const { key, sentIn, sent = '', expectedIn } of job.requests ?? []) {
      if (sentIn === undefined) continue;
      this.at(this.when(sentIn, 10));
      this.say('request.send', {
        id: demoId(job.key, 'request', key),
        version: 1,
        sentOn: addDays(this.start, sentIn),
        sent,
        ...(expectedIn === undefined ? {} : { expectedOn: addDays(this.start, expectedIn) }),
      });
    }
  }

  /** What a walk found wrong is ordered once more. */
  private orderAgain(job: DemoJob): void {
    for (const { area, category, quantity, unit, again } of job.selections) {
      if (!again || quantity === undefined || unit === undefined) continue;
      const row = queryOne<{ id: string; version: number }>(
        this.installation.db,
        'SELECT id, version FROM selection WHERE follows = @id AND removed = 0',
        { id: demoId(job.key, 'selection', area, category) },
      );
      if (!row) throw new Error(`${category} was not found wrong on any walk.`);
      this.at(this.when(again.orderedIn, 9));
      this.say('selection.order', {
        ...row,
        day: addDays(this.start, again.orderedIn),
        quantity,
        unit,
        expectedOn: addDays(this.start, again.expectedIn),
      });
    }
  }

  private keepThings(job: DemoJob): void {
    for (const { area, category, keptAt } of job.selections) {
      if (!keptAt) continue;
      const id = demoId(job.key, 'selection', area, category);
      const kept = queryOne<{ version: number; state: SelectionState }>(
        this.installation.db,
        'SELECT version, state FROM selection WHERE id = @id',
        { id },
      );
      if (!kept) continue;
      const day = addDays(this.start, -2);
      this.say('selection.step', { id, version: kept.version, to: kept.state, day, place: keptAt });
    }
  }

  private deliveries(job: DemoJob): void {
    const id = (...path: string[]): string => demoId(job.key, ...path);
    (job.deliveries ?? []).forEach(({ inDays, place, selections, ...delivery }, number) =>
      this.say('delivery.add', {
        id: id('delivery', String(number)),
        job: id(),
        day: onToWeekday(addDays(this.start, inDays)),
        ...(place ? { place: id('area', place) } : {}),
        ...delivery,
        selections: selections.map((selection) => id('selection', selection.area, selection.selection)),
      }),
    );
  }

  /** Others' work, what has to be there, visits booked and what is kept spare. */
  private arrangements(job: DemoJob): void {
    const id = (...path: string[]): string => demoId(job.key, ...path);
    for (const { area, phase, who, expectedIn } of job.others ?? []) {
      const steps = [{ area: id('area', area), phase }];
      this.say('step.others', { steps, who, expectedOn: addDays(this.start, expectedIn) });
    }
    for (const [number, { area, bookedIn, ...logistic }] of (job.logistics ?? []).entries()) {
      const key = id('logistic', String(number));
      this.say('logistic.add', { id: key, job: id(), area: id('area', area), ...logistic });
      if (bookedIn !== undefined)
        this.say('logistic.settle', {
          id: key,
          version: 1,
          state: 'booked',
          bookedOn: onToWeekday(addDays(this.start, bookedIn)),
        });
    }
    for (const { area, phase } of job.visits ?? [])
      this.say('inspection.book', { id: id('inspection', area, phase), area: id('area', area), phase });
    (job.spares ?? []).forEach(({ area, ...spare }, number) =>
      this.say('spare.add', {
        id: id('spare', String(number)),
        job: id(),
        ...spare,
        ...(area ? { place: id('area', area) } : {}),
      }),
    );
  }

  async walk(job: DemoJob, walk: DemoWalk, number: number): Promise<void> {
    const walkId = demoId(job.key, 'walk', String(number));
    // A plan from before the walk is what its news are measured against.
    this.at(this.when(walk.day, walk.hour - 1));
    renewOnce(this.installation);
    let minute = 0;
    const next = (): void => this.at(this.when(walk.day, walk.hour, minute++ / 2));
    next();
    this.say('walk.start', { id: walkId, job: demoId(job.key), kind: walk.kind });
    for (const area of job.areas) {
      for (const [phase, fraction] of changes(area, number)) {
        if (phase === 'close-in' && fraction === 1) this.checkAll(job, walkId, area.key, next);
        next();
        this.say('observation.record', {
          observation: {
            id: demoId(walkId, area.key, phase),
            walk: walkId,
            area: demoId(job.key, 'area', area.key),
            kind: 'progress',
            phase,
            fraction,
            ...(fraction === 1 && isPassedByName(phase)
              ? { by: LOOKED[phaseFacts(phase).hold ?? ''] ?? 'Inspector Quill' }
              : {}),
          },
        });
      }
    }
    for (const [index, seen] of walk.seen.entries()) {
      next();
      this.say('observation.record', {
        observation: {
          id: 'key' in seen && seen.key ? demoId(job.key, 'item', seen.key) : demoId(walkId, 'seen', String(index)),
          walk: walkId,
          area: demoId(job.key, 'area', seen.area),
          ...this.observation(job, seen),
        },
      });
    }
    for (const picture of walk.pictures) await this.picture(job, walk, walkId, picture, next);
    next();
    this.say('walk.finish', { id: walkId });
    renewOnce(this.installation);
    // What was agreed after the first walk is what all later plans are measured against.
    if (number === 0)
      this.say('baseline.keep', {
        id: demoId(job.key, 'baseline'),
        job: demoId(job.key),
        name: 'agreed with the client',
      });
    if (number < job.walks.length - 1) this.news(job, walk, number);
  }

  /** What a walk but the last has found was read and sent the same day; of the last nobody has told yet. */
  private news(job: DemoJob, { day, hour }: DemoWalk, number: number): void {
    this.at(this.when(day, Math.min(hour + 2, 20)));
    const { draft, text } = composeDraft(readJob(this.installation, demoId(job.key)), 'client');
    const id = (what: string): string => demoId(job.key, 'news', String(number), what);
    this.say('update.send', {
      ...{ id: id('update'), job: demoId(job.key), audience: 'client', title: draft.title, body: text },
      expiresOn: addDays(this.start, job.promisedIn + 30),
      recipients: [{ messageId: id('message'), linkId: id('link'), name: job.client, address: job.clientEmail }],
    });
  }

  private observation(job: DemoJob, seen: DemoSeen): Record<string, unknown> {
    if ('remaining' in seen)
      return {
        kind: 'remaining',
        text: seen.remaining,
        trade: seen.trade,
        ...(seen.quantity ? { quantity: seen.quantity } : {}),
        ...(seen.unit ? { unit: seen.unit } : {}),
      };
    if ('recheck' in seen)
      return { kind: 'recheck', about: demoId(job.key, 'item', seen.recheck), verdict: seen.verdict };
    if ('selection' in seen)
      return {
        kind: 'selection-check',
        selection: demoId(job.key, 'selection', seen.area, seen.selection),
        verdict: seen.verdict,
        ...(seen.text ? { text: seen.text } : {}),
      };
    if ('note' in seen) return { kind: 'note', text: seen.note };
    if ('caution' in seen) return { kind: 'caution', text: seen.caution };
    if ('surprise' in seen) return { kind: 'surprise', text: seen.surprise };
    if ('household' in seen) return { kind: 'household', text: seen.household };
    if ('short' in seen)
      return {
        kind: 'short',
        text: seen.short,
        ...(seen.quantity ? { quantity: seen.quantity } : {}),
        ...(seen.unit ? { unit: seen.unit } : {}),
        ...(seen.supplier ? { supplier: seen.supplier } : {}),
      };
    if ('decision' in seen)
      return {
        kind: 'decision',
        text: seen.decision,
        by: seen.by,
        ...(seen.name ? { name: seen.name } : {}),
        ...(seen.free ? { free: true } : {}),
      };
    return { kind: 'measurement', text: seen.measurement, typed: seen.typed, mm: this.mm(job, seen.typed) };
  }

  private mm(job: DemoJob, typed: string | undefined): number {
    if (typed === undefined) return 0;
    const mm = parseLength(typed, job.units);
    if (!mm.ok) throw new Error(mm.problem.message);
    return mm.value;
  }

  /** Every line of the check before covering, found right; those whose words are named stay open. */
  private checkAll(job: DemoJob, walkId: string, area: string, next: () => void, open: readonly string[] = []): void {
    const check = closeInsOf(readJob(this.installation, demoId(job.key))).get(demoId(job.key, 'area', area));
    const left = new Set(open);
    for (const line of check?.lines ?? []) {
      if (left.delete(line.text)) continue;
      next();
      this.say('observation.record', {
        observation: {
          id: demoId(walkId, area, 'check', line.key),
          walk: walkId,
          area: demoId(job.key, 'area', area),
          kind: 'check',
          line: line.key,
          verdict: 'right',
        },
      });
    }
    if (left.size > 0)
      throw new Error(
        `${area} has no line “${[...left].join('”, “')}”; it has: ` +
          (check?.lines ?? []).map((line) => line.text).join('; '),
      );
  }

  /** What the last walk saw in the walls, how the sites were left, and what was told. */
  walls(job: DemoJob): void {
    const number = job.walks.length - 1;
    const last = job.walks[number];
    if (!last) return;
    const walkId = demoId(job.key, 'walk', String(number));
    let minute = 40;
    const next = (): void => this.at(this.when(last.day, last.hour, minute++ / 3));
    for (const { area, open } of job.closeIns ?? []) this.checkAll(job, walkId, area, next, open);
    (job.inWalls ?? []).forEach(({ area, wall, what, text, along, height, length, rise }, index) => {
      next();
      this.say('observation.record', {
        observation: {
          id: demoId(job.key, 'in-wall', String(index)),
          walk: walkId,
          area: demoId(job.key, 'area', area),
          kind: 'in-wall',
          wall,
          what,
          text,
          along: this.mm(job, along),
          height: this.mm(job, height),
          length: this.mm(job, length),
          rise: this.mm(job, rise),
        },
      });
    });
    if (job.narration) {
      next();
      this.say('narration.keep', {
        id: demoId(job.key, 'narration'),
        walk: walkId,
        name: job.narration.replace('.txt', '.vtt'),
        text: captionsOf(readLabelled(readFileSync(join(import.meta.dirname, 'narrations', job.narration), 'utf8'))),
      });
    }
    for (const { day, bin, notWell } of job.left ?? []) {
      this.at(this.when(-day, 17, 30));
      this.say('site.close-down', {
        id: demoId(job.key, 'left', String(day)),
        job: demoId(job.key),
        bin,
        items: LEFT_ITEM_KEYS.map((item) => ({
          item,
          state: notWell?.item === item ? 'not well' : 'well',
          text: notWell?.item === item ? notWell.text : '',
        })),
      });
    }
  }

  /** What stays with the client, what they want put right, what they accepted. */
  endings(job: DemoJob): void {
    const id = (...path: string[]): string => demoId(job.key, ...path);
    const area = (key: string | undefined): { area?: string } => (key ? { area: id('area', key) } : {});
    this.at(this.when(-1, 15));
    (job.leftWithClient ?? []).forEach((thing, index) =>
      this.say('client.hand-over', {
        id: id('left-with', String(index)),
        job: id(),
        kind: thing.kind,
        text: thing.text,
        ...area(thing.area),
      }),
    );
    const client: Actor = { kind: 'link', id: id('link', 'client'), audience: 'client', job: id(), sub: null };
    (job.clientAsks ?? []).forEach((item, index) =>
      this.say(
        'client.ask',
        { id: id('asked', String(index)), text: item.text, name: item.name, ...area(item.area) },
        client,
      ),
    );
    (job.signedOff ?? []).forEach((entry, index) =>
      this.say('area.sign-off', {
        id: id('signed', String(index)),
        area: id('area', entry.area),
        name: entry.name,
        words: entry.words,
      }),
    );
  }

  private async picture(
    job: DemoJob,
    walk: DemoWalk,
    walkId: string,
    picture: DemoWalk['pictures'][number],
    next: () => void,
  ): Promise<void> {
    const area = job.areas.find((room) => room.key === picture.area);
    if (!area) throw new Error(`There is no area ${picture.area}.`);
    const taken = `${addDays(this.start, walk.day).replaceAll('-', ':')} ${String(walk.hour).padStart(2, '0')}:20:00`;
    const content = await paint({
      standpoint: `${job.key}/${area.key}`,
      kind: area.kind,
      phase: picture.phase,
      hour: walk.hour,
      taken,
    });
    const { hash } = await keepPicture(this.installation, content);
    next();
    this.say('observation.record', {
      observation: {
        id: demoId(walkId, 'picture', area.key, picture.phase),
        walk: walkId,
        area: demoId(job.key, 'area', area.key),
        kind: 'picture',
        picture: hash,
        standpoint: this.standpoint(job, area),
        ...(picture.text ? { text: picture.text } : {}),
      },
    });
  }

  /** The spot from which an area is pictured on every walk; made with its first picture. */
  private standpoint(job: DemoJob, area: DemoArea): string {
    const id = demoId(job.key, 'standpoint', area.key);
    const outside = area.kind === 'face' || area.kind === 'ground' || area.kind === 'roof';
    if (!queryOne(this.installation.db, 'SELECT 1 FROM standpoint WHERE id = @id', { id }))
      this.say('standpoint.add', {
        id,
        area: demoId(job.key, 'area', area.key),
        name: outside ? 'from the corner of the yard' : 'from the door',
      });
    return id;
  }

  /** What the first visit measured, found and compared. */
  visit(job: DemoJob): void {
    const { visit } = job;
    if (!visit) return;
    let minute = 0;
    const say = (commands: ReturnType<typeof visitCommands>): void => {
      for (const { type, payload, by } of commands) {
        this.at(this.when(-visit.day, 12, minute++ / 4));
        this.say(type, payload, by);
      }
    };
    say(visitCommands(job, visit));
    this.prices(job);
    if (visit.agreedBy) say(agreementCommands(job, visit.agreedBy, addDays(this.start, 200)));
  }

  /** What its lines cost, and in which parts the client pays. */
  private prices(job: DemoJob): void {
    const money = JOB_MONEY[job.key];
    if (!money) return;
    const id = (...path: string[]): string => demoId(job.key, ...path);
    this.say('job.set-money', {
      ...{ job: id(), pricesShown: money.pricesShown },
      ...{ lateCost: money.lateCost ?? null, siteCost: money.siteCost },
    });
    this.say('scope.price', {
      job: id(),
      lines: Object.entries(money.lines).map(([at, pricing]) => {
        const line = id('scope', at);
        const row = queryOne<{ version: number }>(
          this.installation.db,
          'SELECT version FROM scope_item WHERE id = @line',
          { line },
        );
        return { ...pricing, id: line, version: row?.version ?? 1 };
      }),
    });
    this.say('payments.set', {
      job: id(),
      steps: money.payments.map(({ due, ...step }, at) => ({
        ...step,
        id: id('payment-step', String(at)),
        due: { ...due, ...(due.area ? { area: id('area', due.area) } : {}) },
      })),
    });
  }

  /** What happened at a job besides, each at its hour. */
  tell(happened: readonly Happened[]): void {
    for (const { day, hour, minute, said } of happened) {
      this.at(this.when(day, hour, minute));
      this.say(said.type, said.payload, said.by);
    }
  }

  /** What the weather desk said this morning. */
  outlook(): void {
    this.at(this.when(0, 6));
    this.say('outlook.say', {
      halves: OUTLOOK.map(([rain, wind, low], index) => ({
        day: addDays(this.start, Math.floor(index / 2)),
        half: index % 2,
        rain,
        wind,
        low,
      })),
    });
  }

  /** Yesterday after work Maren had a better plan looked for, took it, and called everybody who comes; most said yes at once. */
  promises(): void {
    this.at(this.when(-1, 17));
    renewOnce(this.installation);
    this.say('plan.search', { schedules: 60, seed: 1 });
    searchOnce(this.installation);
    const { better_than: found } =
      queryOne<{ better_than: number | null }>(this.installation.db, 'SELECT better_than FROM plan_search') ?? {};
    if (found) this.say('plan.take', { version: found });
    const plan = readPlan(this.installation.db);
    if (!plan) return;
    const subs = new Map(SUBS.map((sub) => [demoId('sub', sub.trade), sub]));
    const calls = plan.tasks
      .filter((task) => {
        const day = dayOfSlot(plan.origin, task.start);
        return isVisit(task) && day >= this.start && day <= addDays(this.start, 10);
      })
      .map((task) => ({
        crew: task.crew ?? '',
        visit: {
          task: task.id,
          day: dayOfSlot(plan.origin, task.start),
          half: isAfternoon(task.start) ? 1 : 0,
        },
      }));
    this.say('visit.tell', { visits: calls.map(({ visit }) => visit) });
    for (const [crew, theirs] of groupBy(calls, (call) => call.crew)) {
      const sub = subs.get(crew);
      if (!sub || SAY_LATER.includes(sub.trade)) continue;
      this.say('visit.answer', { visits: theirs.map(({ visit }) => visit), answer: 'yes', by: sub.lead });
    }
  }

  /** Last evening the cabinets of Tannery Row slipped. */
  /** What was sent goes out; what fails at the first try goes out at the second. */
  async post(): Promise<void> {
    for (const minute of [0, 5]) {
      this.at(this.when(-1, 16, minute));
      await emptyOutbox(this.installation);
    }
  }

  /** A word of one's own among what is to be told: with the day of something that slips the same evening. */
  ownWords(): void {
    this.at(this.when(-1, 18));
    const task = taskId(demoId('tannery', 'area', 'kitchen'), 'cabinets');
    const plan = readPlan(this.installation.db);
    const day = plan?.tasks.find(({ id }) => id === task)?.start;
    if (!plan || day === undefined) return;
    this.say('draft.write', {
      ...{ job: demoId('tannery'), audience: 'client', line: 'own:1' },
      words: `I am there on ${longDay(dayOfSlot(plan.origin, day))}, when the cabinets go in. Come by at ten if you like.`,
    });
  }

  slips(): void {
    this.at(this.when(-1, 19));
    for (const job of DEMO_JOBS) {
      for (const { area, category, slipped, expectedIn } of job.selections) {
        if (slipped)
          this.say('supplier.say', {
            selection: demoId(job.key, 'selection', area, category),
            says: 'slips',
            day: addDays(this.start, expectedIn ?? 0),
            text: slipped.why,
          });
      }
    }
  }
}
