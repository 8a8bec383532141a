import type { Input } from '@/contract/commands';
import type { Day } from '@/core/units/day';
import { parseLength } from '@/core/units/length';
import type { Measured } from '@/core/layout/shape';
import type { Said } from './happened';
import { demoId } from './ids';
import type { DemoJob, DemoVisit } from './scenario';

/** How the parts of a visit name areas and write lengths in a job. */
function writing(job: DemoJob) {
  const id = (...path: string[]): string => demoId(job.key, ...path);
  const area = (key: string): string => {
    if (!job.areas.some((room) => room.key === key)) throw new Error(`${job.name} has no area ${key}.`);
    return id('area', key);
  };
  const length = (typed: string): Measured => {
    const under = typed.startsWith('-');
    const read = parseLength(under ? typed.slice(1) : typed, job.units);
    if (!read.ok) throw new Error(read.problem.message);
    return { mm: under ? -read.value : read.value, typed };
  };
  const shape = (key: string, drawn: object): Said => ({
    type: 'shape.set',
    payload: { area: area(key), version: 0, shape: drawn },
  });
  return { id, area, length, shape };
}

const each = <Value>(list: readonly Value[] | undefined, say: (value: Value, number: number) => Said): Said[] =>
  (list ?? []).map(say);
const entries = <Value>(record: Record<string, Value> | undefined): [string, Value][] => Object.entries(record ?? {});
const nothing = { mm: 0, typed: '' };

/** A first visit as the commands that people would have given. */
export const visitCommands = (job: DemoJob, visit: DemoVisit): Said[] => [...drawn(job, visit), ...found(job, visit)];

/** Rooms, faces, roofs and drains with what stands in them. */
function drawn(job: DemoJob, visit: DemoVisit): Said[] {
  const { id, area, length, shape } = writing(job);
  return [
    ...entries(visit.rooms).map(([key, room]) =>
      shape(key, {
        kind: 'room',
        height: length(room.height),
        spread: false,
        walls: room.walls.map(([wall, turn]) => ({ ...length(wall), turn })),
      }),
    ),
    ...entries(visit.faces).map(([key, face]) =>
      shape(key, {
        kind: 'face',
        sections: face.sections.map(([width, height, gable]) => ({
          width: length(width),
          height: length(height),
          gableRise: gable ? length(gable) : nothing,
        })),
      }),
    ),
    ...entries(visit.faces).map(([key, { side }]): Said => ({
      type: 'area.describe',
      payload: { id: area(key), side, sleeping: false },
    })),
    ...each(visit.sleeping, (key) => ({ type: 'area.describe', payload: { id: area(key), side: '', sleeping: true } })),
    ...entries(visit.roofs).map(([key, roof]) =>
      shape(key, { kind: 'roof', width: length(roof.width), length: length(roof.length), riseIn12: roof.riseIn12 }),
    ),
    ...entries(visit.runs).map(([key, run]) =>
      shape(key, {
        kind: 'run',
        outletInvert: length(run.outlet),
        headMaxInvert: length(run.head),
        legs: run.legs.map(([leg, fall]) => ({ length: length(leg), fall })),
      }),
    ),
    ...each(visit.shared, ([one, oneWall, other, otherWall]) => ({
      type: 'wall.share',
      payload: { one: { area: area(one), wall: oneWall }, other: { area: area(other), wall: otherWall } },
    })),
    ...each(visit.openings, ({ width, height, sill, along, clear, count, hinge, ...opening }, number) => ({
      type: 'opening.add',
      payload: {
        ...opening,
        id: id('opening', String(number)),
        area: area(opening.area),
        width: length(width),
        height: length(height),
        sill: sill ? length(sill) : nothing,
        along: along ? length(along) : null,
        count: count ?? 1,
        hinge: hinge ?? 'left',
        opensIn: true,
        clear: clear ? { width: length(clear[0]), height: length(clear[1]) } : null,
      },
    })),
    ...each(visit.fixtures, ({ along, width, depth, front, ...thing }, number) => ({
      type: 'fixture.add',
      payload: {
        ...thing,
        id: id('fixture', String(number)),
        area: area(thing.area),
        along: length(along),
        width: length(width),
        depth: length(depth),
        front: front ? length(front) : nothing,
      },
    })),
    ...each(visit.levels, ({ level, ...mark }, number) => ({
      type: 'level.add',
      payload: { ...mark, id: id('level-mark', String(number)), job: id(), level: length(level) },
    })),
  ];
}

/** What was found, believed, left open to choose, counted and changed. */
function found(job: DemoJob, visit: DemoVisit): Said[] {
  const { id, area } = writing(job);
  return [
    ...each(visit.findings, ({ area: key, ...finding }, number) => ({
      type: 'finding.add',
      payload: {
        ...(finding as Omit<Input<'finding.add'>, 'id' | 'job'>),
        id: id('finding', String(number)),
        job: id(),
        ...(key ? { area: area(key) } : {}),
      },
    })),
    ...each(visit.assumptions, (assumption, number) => ({
      type: 'assumption.add',
      payload: { ...assumption, id: id('assumption', String(number)), job: id(), area: area(assumption.area) },
    })),
    ...each(visit.options, ({ decides = [], ...set }, number) => ({
      type: 'options.add',
      payload: {
        ...set,
        id: id('options', String(number)),
        job: id(),
        area: area(set.area),
        lines: decides.map((line) => id('scope', String(line))),
      },
    })),
    ...each(visit.calculations, (calculation, number) => ({
      type: 'calculation.keep',
      payload: { fed: {}, ...calculation, id: id('calculation', String(number)), area: area(calculation.area) },
    })),
    ...each(visit.changes, (change, number) => ({
      type: 'change.add',
      payload: {
        ...change,
        id: id('change', String(number)),
        job: id(),
        lines: change.lines.map((line, at) => ({
          ...line,
          id: id('change', String(number), 'line', String(at)),
          area: area(line.area),
        })),
      },
    })),
  ];
}

/** Made, sent on a link, and agreed to on it. */
export function agreementCommands(job: DemoJob, name: string, until: Day): Said[] {
  const id = (...path: string[]): string => demoId(job.key, 'statement', ...path);
  const link = id('link');
  return [
    { type: 'statement.make', payload: { id: id(), job: demoId(job.key) } },
    {
      type: 'statement.send',
      payload: {
        id: id(),
        version: 1,
        updateId: id('update'),
        messageId: id('message'),
        linkId: link,
        name,
        address: job.clientEmail,
        expiresOn: until,
      },
    },
    {
      type: 'statement.agree',
      payload: { id: id(), name },
      by: { kind: 'link', id: link, audience: 'client', job: demoId(job.key), sub: null },
    },
  ];
}
