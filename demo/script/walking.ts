import { isPassedByName } from '@/core/sequence/inspections';
import { phaseFacts } from '@/core/sequence/phases';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { addDays } from '@/core/units/day';
import { parseLength } from '@/core/units/length';
import { keepPicture } from '@/server/files/pictures';
import { LEFT_ITEM_KEYS } from '@/core/walks/housekeeping';
import { closeInsOf } from '@/server/reading/close-ins';
import { readJob } from '@/server/reading/reading';
import { queryOne } from '@/server/database/query';
import { renewOnce } from '@/server/plan/renew';
import { composeDraft } from '@/server/views/draft';
import { demoId } from '../ids';
import { paint } from '../painter';
import type { DemoArea, DemoJob, DemoSeen, DemoWalk } from '../scenario';
import { captionsOf, readLabelled } from '../narration-file';
import { changes } from '../stood';
import type { Teller } from './teller';

/** Who looks at what in Port Ellery, as the papers say. */
const LOOKED: Readonly<Record<string, string>> = { release: 'Engineer Thorne', 'water-test': 'Maren, tested' };

/** One walk, from its first step to its end, and the news of it. */
export async function walkJob(teller: Teller, job: DemoJob, walk: DemoWalk, number: number): Promise<void> {
  const walkId = demoId(job.key, 'walk', String(number));
  // A plan from before the walk is what its news are measured against.
  teller.at(teller.when(walk.day, walk.hour - 1));
  renewOnce(teller.installation);
  let minute = 0;
  const next = (): void => teller.at(teller.when(walk.day, walk.hour, minute++ / 2));
  next();
  teller.say('walk.start', { id: walkId, job: demoId(job.key), kind: walk.kind });
  for (const area of job.areas) {
    for (const [phase, fraction] of changes(area, number)) {
      if (phase === 'close-in' && fraction === 1) checkAll(teller, job, walkId, area.key, next);
      next();
      teller.say('observation.record', {
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
    teller.say('observation.record', {
      observation: {
        id: 'key' in seen && seen.key ? demoId(job.key, 'item', seen.key) : demoId(walkId, 'seen', String(index)),
        walk: walkId,
        area: demoId(job.key, 'area', seen.area),
        ...seenOn(job, seen),
      },
    });
  }
  for (const picture of walk.pictures) await keepTaken(teller, job, walk, walkId, picture, next);
  next();
  teller.say('walk.finish', { id: walkId });
  renewOnce(teller.installation);
  // What was agreed after the first walk is what all later plans are measured against.
  if (number === 0)
    teller.say('baseline.keep', {
      id: demoId(job.key, 'baseline'),
      job: demoId(job.key),
      name: 'agreed with the client',
    });
  if (number < job.walks.length - 1) sendNews(teller, job, walk, number);
}

/** What a walk but the last has found was read and sent the same day; of the last nobody has told yet. */
function sendNews(teller: Teller, job: DemoJob, { day, hour }: DemoWalk, number: number): void {
  teller.at(teller.when(day, Math.min(hour + 2, 20)));
  const { draft, text } = composeDraft(readJob(teller.installation, demoId(job.key)), 'client');
  const id = (what: string): string => demoId(job.key, 'news', String(number), what);
  teller.say('update.send', {
    ...{ id: id('update'), job: demoId(job.key), audience: 'client', title: draft.title, body: text },
    expiresOn: addDays(teller.start, job.promisedIn + 30),
    recipients: [{ messageId: id('message'), linkId: id('link'), name: job.client, address: job.clientEmail }],
  });
}

function seenOn(job: DemoJob, seen: DemoSeen): Record<string, unknown> {
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
  return { kind: 'measurement', text: seen.measurement, typed: seen.typed, mm: millimetres(job, seen.typed) };
}

function millimetres(job: DemoJob, typed: string | undefined): number {
  if (typed === undefined) return 0;
  const mm = parseLength(typed, job.units);
  if (!mm.ok) throw new Error(mm.problem.message);
  return mm.value;
}

/** Every line of the check before covering, found right; those whose words are named stay open. */
function checkAll(
  teller: Teller,
  job: DemoJob,
  walkId: string,
  area: string,
  next: () => void,
  open: readonly string[] = [],
): void {
  const check = closeInsOf(readJob(teller.installation, demoId(job.key))).get(demoId(job.key, 'area', area));
  const left = new Set(open);
  for (const line of check?.lines ?? []) {
    if (left.delete(line.text)) continue;
    next();
    teller.say('observation.record', {
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
export function recordWalls(teller: Teller, job: DemoJob): void {
  const number = job.walks.length - 1;
  const last = job.walks[number];
  if (!last) return;
  const walkId = demoId(job.key, 'walk', String(number));
  let minute = 40;
  const next = (): void => teller.at(teller.when(last.day, last.hour, minute++ / 3));
  for (const { area, open } of job.closeIns ?? []) checkAll(teller, job, walkId, area, next, open);
  (job.inWalls ?? []).forEach(({ area, wall, what, text, along, height, length, rise }, index) => {
    next();
    teller.say('observation.record', {
      observation: {
        id: demoId(job.key, 'in-wall', String(index)),
        walk: walkId,
        area: demoId(job.key, 'area', area),
        kind: 'in-wall',
        wall,
        what,
        text,
        along: millimetres(job, along),
        height: millimetres(job, height),
        length: millimetres(job, length),
        rise: millimetres(job, rise),
      },
    });
  });
  if (job.narration) {
    next();
    teller.say('narration.keep', {
      id: demoId(job.key, 'narration'),
      walk: walkId,
      name: job.narration.replace('.txt', '.vtt'),
      text: captionsOf(
        readLabelled(readFileSync(join(import.meta.dirname, '..', 'narrations', job.narration), 'utf8')),
      ),
    });
  }
  for (const { day, bin, notWell } of job.left ?? []) {
    teller.at(teller.when(-day, 17, 30));
    teller.say('site.close-down', {
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

async function keepTaken(
  teller: Teller,
  job: DemoJob,
  walk: DemoWalk,
  walkId: string,
  picture: DemoWalk['pictures'][number],
  next: () => void,
): Promise<void> {
  const area = job.areas.find((room) => room.key === picture.area);
  if (!area) throw new Error(`There is no area ${picture.area}.`);
  const taken = `${addDays(teller.start, walk.day).replaceAll('-', ':')} ${String(walk.hour).padStart(2, '0')}:20:00`;
  const content = await paint({
    standpoint: `${job.key}/${area.key}`,
    kind: area.kind,
    phase: picture.phase,
    hour: walk.hour,
    taken,
  });
  const { hash } = await keepPicture(teller.installation, content);
  next();
  teller.say('observation.record', {
    observation: {
      id: demoId(walkId, 'picture', area.key, picture.phase),
      walk: walkId,
      area: demoId(job.key, 'area', area.key),
      kind: 'picture',
      picture: hash,
      standpoint: standpointOf(teller, job, area),
      ...(picture.text ? { text: picture.text } : {}),
    },
  });
}

/** The spot from which an area is pictured on every walk; made with its first picture. */
function standpointOf(teller: Teller, job: DemoJob, area: DemoArea): string {
  const id = demoId(job.key, 'standpoint', area.key);
  const outside = area.kind === 'face' || area.kind === 'ground' || area.kind === 'roof';
  if (!queryOne(teller.installation.db, 'SELECT 1 FROM standpoint WHERE id = @id', { id }))
    teller.say('standpoint.add', {
      id,
      area: demoId(job.key, 'area', area.key),
      name: outside ? 'from the corner of the yard' : 'from the door',
    });
  return id;
}
