import { readFirm, readJob } from '@/server/reading/reading';
import { describe, expect, it } from 'vitest';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { openLink, sharesPicture } from '@/server/public/links';
import { pathOf } from '@/server/tokens';
import { reviewView } from '@/server/views/review';
import { areaOf, demoHouse, giveRaw, must, newId, signalHouse } from '../support/installations';

/** Records one thing on a walk of its own, and takes it back where asked. */
function recorded(
  installation: Installation,
  seen: object,
  { takenBack }: { takenBack: boolean },
): { walk: string; id: string } {
  const [walk, id] = [newId(), newId()];
  must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
  const record = (observation: object): void => {
    const answer = giveRaw(installation, 'observation.record', { observation: { id: newId(), walk, ...observation } });
    if (answer.status === 'refused') throw new Error(answer.problem.title);
  };
  record({ ...seen, id });
  if (takenBack) record({ area: (seen as { area: string }).area, kind: 'withdrawal', about: id });
  return { walk, id };
}

const boot = areaOf('boot');

describe('what was taken back counts nowhere', () => {
  const stepOf = (installation: Installation, phase: string): unknown =>
    queryOne(installation.db, 'SELECT phase FROM step WHERE area = @boot AND phase = @phase', { boot, phase });

  it.each([true, false])('a step begun and taken back (%s) goes when it is no longer to be done', (takenBack) => {
    const installation = demoHouse();
    const { phase } = queryOne<{ phase: string }>(
      installation.db,
      `SELECT phase
        FROM step
        WHERE area = @boot AND trade <> 'nobody' AND NOT EXISTS (SELECT 1 FROM observation
          WHERE observation.area = step.area AND observation.phase = step.phase)`,
      { boot },
    ) ?? { phase: '' };
    recorded(installation, { area: boot, kind: 'progress', phase, fraction: 0.5 }, { takenBack });
    const { version, name } = queryOne<{ version: number; name: string }>(
      installation.db,
      'SELECT version, name FROM area WHERE id = @boot',
      { boot },
    )!;
    must(installation, 'area.change', { id: boot, version, name, works: ['none'], size: 1 });
    expect(stepOf(installation, phase)).toEqual(takenBack ? undefined : { phase });
  });

  it.each([true, false])('a picture taken back (%s) does not open by its address on a link', (takenBack) => {
    const installation = demoHouse();
    const hash = 'ab'.repeat(32);
    installation.db
      .prepare("INSERT INTO picture (hash, type, width, height, bytes) VALUES (?, 'image/jpeg', 4, 4, 4)")
      .run(hash);
    recorded(installation, { area: boot, kind: 'picture', picture: hash }, { takenBack });
    const id = newId();
    must(installation, 'share.make', {
      id,
      audience: 'client',
      job: signalHouse,
      recipient: 'A',
      expiresOn: '2027-04-30',
    });
    const link = openLink(installation, pathOf(installation, id).slice('/s/'.length))!;
    expect(sharesPicture(installation, link, hash)).toBe(!takenBack);
  });

  it('a record taken back is put nowhere, and stands in no list of what waits for its place', () => {
    const installation = demoHouse();
    const { id, walk } = recorded(
      installation,
      { area: boot, kind: 'surprise', text: 'a second flue' },
      { takenBack: true },
    );
    expect(giveRaw(installation, 'observation.file', { about: id, filedAs: 'scope', target: newId() })).toMatchObject({
      status: 'refused',
      problem: { code: 'withdrawn', field: 'about' },
    });
    expect(reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation)).unfiled).toEqual([]);
  });
});

describe('a record that is put in its place', () => {
  it('goes by the rules of the subject it goes to, and leaves its line there', () => {
    const installation = demoHouse();
    const { id } = recorded(
      installation,
      { area: boot, kind: 'selection', text: 'Door stop', choice: 'brass' },
      { takenBack: false },
    );
    const selection = newId();
    must(installation, 'observation.file', { about: id, filedAs: 'selection', target: selection });
    expect(
      queryOne(installation.db, 'SELECT category, choice, state FROM selection WHERE id = @selection', { selection }),
    ).toEqual({
      category: 'Door stop',
      choice: 'brass',
      state: 'chosen',
    });
    expect(
      queryAll(installation.db, 'SELECT text FROM history WHERE selection = @selection', { selection }),
    ).not.toEqual([]);
    expect(queryAll(installation.db, 'SELECT cause FROM plan_mark WHERE job = @job', { job: signalHouse })).not.toEqual(
      [],
    );
  });
});
