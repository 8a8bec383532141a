import { providesSaid, workFacts, type Work } from '@/core/sequence/works';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { queryAll, flag, insert, queryOne, orNull, execute } from '../database/query';
import { handlers, requireAreaOf, requireRow, requireVersion, type CommandContext } from '../door/handler';
import { Refusal, unprocessable } from '../refusal';
import { refuseLoop } from '../sequence/rule-commands';
import { layTrack } from '../sequence/lay-track';
import { namesIn } from '../reading/spoken-names';
import type { Rows } from '../database/rows';
import { addArea, changeArea, putBeside, setNeighbours } from './areas';

type AreaRow = Pick<Rows['area'], 'id' | 'job' | 'kind' | 'version'>;

/** Refuses work that is not done in such an area. */
export function checkWorks(kind: AreaRow['kind'], works: readonly Work[], field: string): void {
  const odd = works.find((work) => !workFacts(work).kinds.includes(kind));
  if (odd)
    throw unprocessable('work-elsewhere', `“${workFacts(odd).label}” is not done in an area of this kind.`, field);
}

/** Sets what is done in an area, with the steps that brings; the plan follows. */
export function setWorks(
  context: CommandContext,
  area: { id: string; kind: AreaRow['kind']; size: number },
  works: readonly Work[],
  field: string,
): void {
  checkWorks(area.kind, works, field);
  changeArea(context.db, area.id, { works: JSON.stringify(works) });
  layTrack(context.installation, area.id);
}

/** A face or roof of which nothing else is said keeps the whole house dry. */
const sheltersOf = ({ db }: CommandContext, job: string, kind: AreaRow['kind']): string[] =>
  kind === 'face' || kind === 'roof'
    ? queryAll<{ id: string }>(db, 'SELECT id FROM level WHERE job = @job', { job }).map(({ id }) => id)
    : [];

/** Refuses a name that another area of the job has: lists and what is said on walks could not tell them apart. */
export function needOwnName({ db }: CommandContext, job: string, name: string, id: string, field = 'name'): void {
  const same = queryOne<{ name: string }>(
    db,
    'SELECT name FROM area WHERE job = @job AND id <> @id AND lower(trim(name)) = lower(trim(@name))',
    { job, id, name },
  );
  if (same)
    throw unprocessable(
      'name-taken',
      `There is an area called ${same.name} already; give this one another name.`,
      field,
    );
}

/** Years ago no job begins that is only set up now: such a day is a slip of the finger. */
const LONG_AGO = 1_500;

function requireMeantStart(context: CommandContext, day: Day): void {
  const now = today(context.installation);
  if (day < addDays(now, -LONG_AGO))
    throw unprocessable('long-ago', `${formatDay(day, now)} is more than four years ago; check the year.`, 'startDay');
}

export const siteHandlers = handlers({
  'job.open': (context, job) => {
    requireMeantStart(context, job.startDay);
    const position =
      queryOne<{ next: number }>(context.db, 'SELECT coalesce(max(position), -1) + 1 AS next FROM job')?.next ?? 0;
    insert(context.db, 'job', {
      id: job.id,
      name: job.name,
      address: job.address,
      client: job.client,
      client_email: job.clientEmail,
      getting_in: job.gettingIn,
      units: job.units,
      state: 'scoping',
      start_day: job.startDay,
      promise_day: orNull(job.promiseDay),
      lived_in: flag(job.livedIn),
      loud_half: orNull(job.loudHalf),
      position,
      example: flag(job.example ?? false),
    });
    context.logFor(job.id);
  },
  'job.change': (context, job) => {
    const { start_day } = requireVersion(context, 'job', job.id, job.version);
    if (job.startDay !== start_day) requireMeantStart(context, job.startDay);
    execute(
      context.db,
      `UPDATE job
        SET name = @name, address = @address, client = @client, client_email = @email,
          getting_in = @gettingIn, units = @units, state = @state,
          start_day = @start, promise_day = @promise, lived_in = @lived, loud_half = @loud, leaves = coalesce(@leaves,
          leaves), version = version + 1
        WHERE id = @id`,
      {
        id: job.id,
        name: job.name,
        address: job.address,
        client: job.client,
        email: job.clientEmail,
        gettingIn: job.gettingIn,
        units: job.units,
        state: job.state,
        start: job.startDay,
        promise: orNull(job.promiseDay),
        lived: flag(job.livedIn),
        loud: orNull(job.loudHalf),
        leaves: orNull(job.leaves),
      },
    );
    context.replan(job.id, { kind: 'job-changed', name: job.name });
  },
  'areas.add': (context, { job, levels, areas }) => {
    requireRow(context, 'job', job, 'job');
    for (const level of levels) {
      const same = queryOne<{ name: string }>(
        context.db,
        'SELECT name FROM level WHERE job = @job AND height = @height',
        {
          job,
          height: level.height,
        },
      );
      if (same)
        throw new Refusal(409, {
          code: 'level-exists',
          message: `There is a level at this height already: ${same.name}.`,
          field: 'levels',
        });
      insert(context.db, 'level', { ...level, job });
    }
    const ofJob = new Set(
      queryAll<{ id: string }>(context.db, 'SELECT id FROM level WHERE job = @job', { job }).map((row) => row.id),
    );
    const first =
      queryOne<{ next: number }>(
        context.db,
        'SELECT coalesce(max(position), -1) + 1 AS next FROM area WHERE job = @job',
        {
          job,
        },
      )?.next ?? 0;
    areas.forEach((area, index) => {
      checkWorks(area.kind, area.works, `areas[${index}].works`);
      if (area.level !== undefined && !ofJob.has(area.level))
        throw unprocessable('unknown-id', 'This level is not one of the job’s.', `areas[${index}].level`);
      needOwnName(context, job, area.name, area.id, `areas[${index}].name`);
      const shelters = area.shelters ?? sheltersOf(context, job, area.kind);
      const odd = shelters.find((level) => !ofJob.has(level));
      if (odd) throw unprocessable('unknown-id', 'This level is not one of the job’s.', `areas[${index}].shelters`);
      addArea(context.db, {
        id: area.id,
        job,
        level: orNull(area.level),
        name: area.name,
        kind: area.kind,
        position: first + index,
        works: JSON.stringify(area.works),
        size: area.size,
        passage: flag(area.passage),
        lived_in: flag(area.livedIn),
        provides: JSON.stringify(area.provides),
        shelters: JSON.stringify(shelters),
      });
    });
    areas.forEach((area, index) => {
      for (const other of [...area.beside, ...area.opensTo])
        if (requireAreaOf(context, job, other, `areas[${index}].beside`).id !== area.id)
          putBeside(context.db, area.id, other, area.opensTo.includes(other));
    });
    for (const { id } of areas) layTrack(context.installation, id);
    refuseLoop(context, job, 'areas');
    context.replan(job, { kind: 'areas-set-out', places: areas.map((area) => area.name) });
  },
  'job.remove': (context, { id, version }) => {
    const { name } = requireVersion(context, 'job', id, version);
    execute(context.db, 'UPDATE job SET removed = 1, version = version + 1 WHERE id = @id', { id });
    context.replan(id, { kind: 'job-removed', name });
  },
  'job.restore': (context, { id }) => {
    const { name, removed } = requireRow(context, 'job', id);
    if (!removed) throw unprocessable('not-removed', 'This job was not removed.', 'id');
    execute(context.db, 'UPDATE job SET removed = 0, version = version + 1 WHERE id = @id', { id });
    context.replan(id, { kind: 'job-back', name });
  },
  'area.change': (context, { id, version, beside, opensTo, ...said }) => {
    const { name, works, size, livedIn, passage, called, kind, level, provides } = said;
    const area = requireVersion(context, 'area', id, version);
    const now = kind ?? area.kind;
    needOwnName(context, area.job, name, id);
    checkWorks(now, works, 'works');
    if (level && level !== 'outside' && requireRow(context, 'level', level, 'level').job !== area.job)
      throw unprocessable('unknown-id', 'This level is not one of the job’s.', 'level');
    changeArea(context.db, id, {
      name,
      kind: now,
      ...(level === undefined ? {} : { level: level === 'outside' ? null : level }),
      ...(now === area.kind ? {} : { shelters: JSON.stringify(sheltersOf(context, area.job, now)) }),
      works: JSON.stringify(works),
      size,
      lived_in: flag(livedIn),
      passage: flag(passage),
      ...(called === undefined ? {} : { called }),
      ...(provides === undefined ? {} : { provides: JSON.stringify(providesSaid(provides, works)) }),
    });
    if (beside && opensTo) {
      for (const other of [...beside, ...opensTo]) requireAreaOf(context, area.job, other, 'beside');
      setNeighbours(context.db, id, beside, opensTo);
    }
    layTrack(context.installation, id);
    refuseLoop(context, area.job, 'works');
    context.replan(area.job, { kind: 'area', area: id, place: name, what: 'changed' });
  },
  'area.call': (context, { id, name, known }) => {
    const area = requireRow(context, 'area', id);
    const same = (one: string): boolean => one.toLowerCase() === name.toLowerCase();
    const others = namesIn(area.called).filter((one) => !same(one));
    if (known) {
      needOwnName(context, area.job, name, id);
      const taken = queryAll<{ name: string; called: string }>(
        context.db,
        'SELECT name, called FROM area WHERE job = @job AND id <> @id',
        { job: area.job, id },
      ).find((other) => namesIn(other.called).some(same));
      if (taken)
        throw unprocessable('name-taken', `That is what ${taken.name} is called already; take another name.`, 'name');
    }
    if (name.includes(';')) throw unprocessable('name-parted', 'One name at a time, without a semicolon.', 'name');
    const called = [...others, ...(known && !same(area.name) ? [name] : [])].join('; ');
    if (called.length > 200)
      throw unprocessable('too-many-names', `${area.name} has as many names as it can carry.`, 'name');
    changeArea(context.db, id, { called });
    context.logFor(area.job);
  },
  'area.beside': (context, payload) => {
    const [one_, other] = [payload.one, payload.other].sort() as [string, string];
    const [first, second] = [requireRow(context, 'area', one_, 'one'), requireRow(context, 'area', other, 'other')];
    if (one_ === other || first.job !== second.job)
      throw unprocessable('not-neighbours', 'Two different areas of one job can share a wall.', 'other');
    putBeside(context.db, one_, other, payload.opens);
    for (const area of [one_, other]) layTrack(context.installation, area);
    refuseLoop(context, first.job, 'other');
    context.replan(first.job, { kind: 'beside', areas: [one_, other], places: [first.name, second.name] });
  },
});
