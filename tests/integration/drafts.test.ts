import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { standingClock } from '@/server/clock';
import { dispatch } from '@/server/dispatch/dispatch';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { readFirm, readJob } from '@/server/reading/reading';
import { composeDraft } from '@/server/views/draft';
import { todayView } from '@/server/views/today';
import { demoId } from '../../demo/seed';
import { pathOf } from '@/server/tokens';
import { jobPaper } from '@/server/papers/documents';
import { openLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { movedView } from '@/server/views/moved';
import { newsView } from '@/server/views/news';
import { visitOf } from '../support/visit-commands';
import { areaOf, demoHouse, give, giveRaw, MAREN, must, newId, NOW, raw, signalHouse } from '../support/installations';
import { textOf } from '../support/pdf-text';
import { contradictions } from '../support/news-checker';
import { asRead, recipient } from '../support/sending';

const DAY_MS = 86_400_000;

function startWalk(installation: Installation): string {
  const walk = newId();
  must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
  return walk;
}

function see(
  installation: Installation,
  walk: string,
  step: { area: string; phase: string },
  fraction: number,
): string {
  const id = newId();
  must(installation, 'observation.record', {
    observation: { id, walk, area: step.area, kind: 'progress', phase: step.phase as 'board', fraction },
  });
  return id;
}

const draftOf = (installation: Installation, job = signalHouse) => composeDraft(readJob(installation, job), 'client');
const factsOf = (installation: Installation, job = signalHouse) => ({
  ...{ db: installation.db, job },
  today: dayIn('UTC', installation.clock.now()),
});

/** Steps of work that a walk may see: what an office passes is not among them. */
const stepsOf = (installation: Installation): { area: string; phase: string }[] =>
  queryAll(
    installation.db,
    `SELECT area, phase FROM step JOIN area ON area.id = step.area
      WHERE area.job = @job AND step.trade <> 'nobody' AND phase NOT IN ('close-in', 'rough-inspection') ORDER BY area, phase`,
    { job: signalHouse },
  );

/** What may happen to a job, chosen by two numbers. */
const EVENTS: Record<string, (installation: Installation, seen: string[], pick: number, far: number) => void> = {
  seen: (installation, seen, pick, far) => {
    const steps = stepsOf(installation);
    const walk = startWalk(installation);
    seen.push(see(installation, walk, steps[pick % steps.length] ?? { area: '', phase: '' }, far / 10));
    must(installation, 'walk.finish', { id: walk });
  },
  withdrawn: (installation, seen) => {
    const about = seen.pop();
    const row =
      about &&
      queryOne<{ walk: string; area: string }>(installation.db, 'SELECT * FROM observation WHERE id = @about', {
        about,
      });
    if (row)
      must(installation, 'observation.record', {
        observation: { id: newId(), walk: row.walk, area: row.area, kind: 'withdrawal', about },
      });
  },
  expected: (installation, _, pick) => {
    const holds = queryAll<{ id: string; version: number }>(
      installation.db,
      `SELECT id, version FROM hold WHERE job = @job AND state = 'open' ORDER BY id`,
      { job: signalHouse },
    );
    const hold = holds[pick % holds.length];
    if (hold)
      must(installation, 'hold.expect', {
        ...hold,
        expectedOn: addDays(dayIn('UTC', installation.clock.now()), 3 + (pick % 30)),
      });
  },
  sent: (installation) => must(installation, 'update.send', asRead(installation)),
  tomorrow: (installation) => {
    installation.clock = standingClock(new Date(installation.clock.now().getTime() + DAY_MS));
    // A day that is far off, so that all is planned anew.
    must(installation, 'holiday.add', {
      day: addDays(dayIn('UTC', installation.clock.now()), 1_400),
      name: 'Some day',
    });
  },
};

/** The same line with a figure or a day of it changed. */
const spoilt = (line: string): string =>
  / % done/.test(line)
    ? line.replace(/(\d+) % done/, (_, far: string) => `${(Number(far) + 7) % 100} % done`)
    : line.replace(
        /(\w{3}) (\d{1,2}) (\w{3})/,
        (_, weekday: string, number: string, month: string) =>
          `${weekday} ${(Number(number) % 28) + 1} ${month === 'Sep' ? 'Nov' : 'Sep'}`,
      );

const HISTORY = fc.array(
  fc.tuple(fc.constantFrom(...Object.keys(EVENTS)), fc.nat(500), fc.integer({ min: 0, max: 10 })),
  { minLength: 3, maxLength: 6 },
);

describe('what a client would be told', () => {
  it('is so, whatever happened, by whoever reads it against the records; and one value changed in it is seen', () => {
    let [lines, caught] = [0, 0];
    // Not made smaller where one fails: each is planned anew many times, and says by itself what is wrong.
    for (const history of fc.sample(HISTORY, { numRuns: 4, seed: 20 })) {
      const installation = demoHouse();
      const seen: string[] = [];
      for (const [event, pick, far] of history) {
        EVENTS[event]?.(installation, seen, pick, far);
        renewOnce(installation);
        const { text } = draftOf(installation);
        const facts = factsOf(installation);
        expect(contradictions(text, facts), JSON.stringify(history)).toEqual([]);
        for (const line of text.split('\n').filter((said) => / % done|we finish on|, by \w{3} \d/.test(said))) {
          lines += 1;
          if (contradictions(text.replace(line, spoilt(line)), facts).length > 0) caught += 1;
        }
      }
      installation.db.close();
    }
    expect(lines).toBeGreaterThan(40);
    expect(caught / lines).toBeGreaterThan(0.95);
  });

  it('begins where they were written to last: what they know is told no more, what is withdrawn is put right', () => {
    const installation = demoHouse();
    const walk = startWalk(installation);
    const step = { area: areaOf('guest'), phase: 'wiring-rough' };
    const wrong = see(installation, walk, step, 1);
    renewOnce(installation);
    expect(draftOf(installation).text).toMatch(/^Done since Tue 2 Mar$/m);
    expect(draftOf(installation, demoId('dairy')).text).not.toMatch(/^Done since/m);
    must(installation, 'update.send', asRead(installation));
    expect(draftOf(installation).text).not.toMatch(/Done|Guest suite: .*wires/);
    expect(draftOf(installation).text).toContain('little has moved since Tue 9 Mar');
    must(installation, 'observation.record', {
      observation: { id: newId(), walk, area: step.area, kind: 'withdrawal', about: wrong },
    });
    expect(draftOf(installation).text).toContain(
      'Guest suite: the wires inside the walls, 30 % done, less than we thought (100 %).',
    );
    // What a phone saw before the news went out and handed over after it is news all the same.
    const surprise = { id: newId(), walk, area: step.area, kind: 'surprise', text: 'a pipe nobody knew' };
    dispatch(
      installation,
      MAREN,
      raw('observation.record', { observation: surprise }, { at: new Date(Date.parse(NOW) - 3_600_000).toISOString() }),
    );
    expect(draftOf(installation).text).toContain('Guest suite: a pipe nobody knew.');
    installation.db.close();
  });

  it('does not go out as it was read once it is no longer so, and says what is not', () => {
    const installation = demoHouse();
    const read = asRead(installation);
    const walk = startWalk(installation);
    see(installation, walk, { area: areaOf('guest'), phase: 'wiring-rough' }, 0.8);
    renewOnce(installation);
    const refused = give(installation, 'update.send', read);
    expect(refused).toMatchObject({ status: 'refused', problem: { code: 'changed-since', field: 'body' } });
    expect(refused.status === 'refused' && refused.problem.title).toMatch(/“.+” is no longer so; now “.+80 % done/);
    expect(queryAll(installation.db, `SELECT 1 FROM job_update WHERE state = 'sent' AND id = '${read.id}'`)).toEqual(
      [],
    );
    must(installation, 'update.send', asRead(installation));
    installation.db.close();
  });

  it('keeps what somebody wrote, and does not go out before they have settled what no longer fits', () => {
    const installation = demoHouse();
    const at = { job: signalHouse, audience: 'client' as const };
    const line = (key: string) =>
      draftOf(installation)
        .parts.flatMap(({ lines }) => lines)
        .find((shown) => shown.key === key);
    const room = `done:${areaOf('guest')}`;
    must(installation, 'draft.write', {
      ...at,
      line: room,
      words: 'The guest suite comes on well.',
      was: line(room)?.composed ?? '',
    });
    must(installation, 'draft.write', {
      ...at,
      line: 'own:1',
      words: 'We have to know oak or cork on the 2nd of April.',
    });
    expect(draftOf(installation)).toMatchObject({ unsettled: 0 });
    expect(draftOf(installation).text).toContain('We have to know oak or cork on the 2nd of April.');
    expect(todayView(readFirm(installation)).drafts.find(({ job }) => job === signalHouse)?.count).toBe(2);

    const walk = startWalk(installation);
    see(installation, walk, { area: areaOf('guest'), phase: 'wiring-rough' }, 0.8);
    const hold = queryOne<{ id: string; version: number }>(
      installation.db,
      `SELECT id, version FROM hold WHERE job = @job AND expected_on = '2027-04-02'`,
      { job: signalHouse },
    );
    must(installation, 'hold.expect', { ...hold!, expectedOn: '2027-04-07' });
    renewOnce(installation);
    const { text, unsettled } = draftOf(installation);
    expect(unsettled).toBe(2);
    expect(text).toContain('The guest suite comes on well.');
    expect(line(room)?.changed?.now).toContain('80 % done');
    expect(line('own:1')?.moved).toMatchObject([{ from: '2027-04-02', to: '2027-04-07' }]);
    expect(give(installation, 'update.send', asRead(installation))).toMatchObject({ problem: { code: 'not-settled' } });

    must(installation, 'draft.write', {
      ...at,
      line: 'own:1',
      words: 'We have to know oak or cork on Wednesday 7 April.',
    });
    must(installation, 'draft.unwrite', { ...at, line: room });
    expect(draftOf(installation)).toMatchObject({ unsettled: 0 });
    must(installation, 'update.send', asRead(installation));
    expect(queryAll(installation.db, `SELECT * FROM draft_line WHERE job = '${signalHouse}'`)).toEqual([]);
    installation.db.close();
  });

  it('is refused with a word where there is nothing of that line or of that job', () => {
    const installation = demoHouse();
    const at = { job: signalHouse, audience: 'client' as const };
    expect(give(installation, 'draft.write', { ...at, line: 'own:1' })).toMatchObject({ problem: { field: 'words' } });
    expect(give(installation, 'draft.write', { ...at, line: 'end', words: 'Soon.' })).toMatchObject({
      problem: { field: 'line' },
    });
    expect(give(installation, 'draft.unwrite', { ...at, line: 'end' })).toMatchObject({ problem: { field: 'line' } });
    expect(give(installation, 'draft.write', { ...at, job: newId(), line: 'own:1', words: 'x' })).toMatchObject({
      httpStatus: 404,
    });
    expect(give(installation, 'update.send', { ...asRead(installation), job: newId() })).toMatchObject({
      httpStatus: 404,
    });
    expect(
      give(installation, 'update.send', asRead(installation, { title: 'News\r\nBcc: all@a.example' })),
    ).toMatchObject({
      problem: { field: 'title' },
    });
    installation.db.close();
  });
});

describe('what is asked on a page', () => {
  it('lands with the contractor, is answered beside it and by mail, and is nobody else’s', () => {
    const installation = demoHouse();
    const to = recipient('Averill', 'averill@watchsteps.example');
    must(installation, 'update.send', asRead(installation, { recipients: [to] }));
    const asker = { kind: 'link', id: to.linkId, audience: 'client', job: signalHouse, sub: null } as const;
    const ask = (over: object = {}) =>
      giveRaw(
        installation,
        'question.ask',
        { id: newId(), job: signalHouse, name: 'Averill', text: 'May it stay?', ...over },
        asker,
      );
    expect(ask()).toMatchObject({ status: 'applied' });
    expect(ask({ job: demoId('tannery') })).toMatchObject({ status: 'refused', problem: { field: 'job' } });
    expect(ask({ text: 'x'.repeat(1_001) })).toMatchObject({ status: 'refused', problem: { field: 'text' } });
    expect(give(installation, 'question.ask', { id: newId(), job: signalHouse, name: 'A', text: 'b' })).toMatchObject({
      status: 'refused',
      httpStatus: 403,
    });
    const [asked] = newsView(readJob(installation, signalHouse)).questions;
    expect(asked).toMatchObject({ name: 'Averill', audience: 'client', text: 'May it stay?' });
    expect(todayView(readFirm(installation)).questions).toMatchObject([{ job: signalHouse, name: 'Averill' }]);

    const answer = {
      id: asked?.id ?? '',
      version: 1,
      answer: 'Yes. <b>It</b> stays.',
      updateId: newId(),
      messageId: newId(),
    };
    must(installation, 'question.answer', answer);
    expect(give(installation, 'question.answer', { ...answer, version: 2, messageId: newId() })).toMatchObject({
      problem: { code: 'answered-already' },
    });
    expect(queryOne(installation.db, `SELECT address, state FROM message WHERE id = '${answer.messageId}'`)).toEqual({
      address: 'averill@watchsteps.example',
      state: 'queued',
    });
    // The answer is theirs: it is no news for everybody, and what they acknowledge stays the letter.
    expect(sharedView(installation, openLink(installation, pathOf(installation, to.linkId).slice(3))!)).toMatchObject({
      canAcknowledge: true,
      updates: expect.not.arrayContaining([
        expect.objectContaining({ title: 'Signal House: your question' }),
      ]) as unknown,
    });
    must(installation, 'message.acknowledge', { name: 'Elder' }, asker);
    expect(queryOne(installation.db, `SELECT acknowledged_by FROM message WHERE id = '${to.messageId}'`)).toEqual({
      acknowledged_by: 'Elder',
    });
    const page = (link: string) =>
      sharedView(installation, openLink(installation, pathOf(installation, link).slice(3))!);
    expect(page(to.linkId).questions).toMatchObject([{ text: 'May it stay?', answer: 'Yes. <b>It</b> stays.' }]);
    for (let more = 0; more < 10; more += 1) expect(ask({ text: `${more}?` })).toMatchObject({ status: 'applied' });
    expect(ask({ text: 'one more?' })).toMatchObject({ problem: { code: 'too-many-open', field: 'text' } });

    const [crew, neighbour] = (['crew', 'neighbour'] as const).map((audience) => {
      const id = newId();
      must(installation, 'share.make', {
        id,
        audience,
        job: signalHouse,
        recipient: 'Averill',
        expiresOn: '2027-04-30',
      });
      return id;
    });
    expect(page(crew ?? '').questions).toEqual([]);
    expect(JSON.stringify(page(neighbour ?? ''))).not.toMatch(/Guest suite|Kitchen|Averill’s|May it stay/);
    expect(page(neighbour ?? '')).toMatchObject({ audience: 'neighbour', title: 'Building work at 3 Watch Steps' });
    installation.db.close();
  });

  it('may be another day for a visit: the plan goes by it, and the contractor sees it', () => {
    const installation = demoHouse();
    const visit = visitOf(installation);
    const { task, day, half } = visit;
    const link = newId();
    must(installation, 'share.make', {
      id: link,
      audience: 'sub',
      sub: visit.crew,
      recipient: 'Calder',
      expiresOn: '2027-04-30',
    });
    const who = { kind: 'link', id: link, audience: 'sub', job: null, sub: visit.crew } as const;
    const says = (over: object) =>
      giveRaw(
        installation,
        'visit.answer',
        { visits: [{ task, day, half }], answer: 'another day', by: 'Calder', ...over },
        who,
      );
    expect(says({})).toMatchObject({ problem: { field: 'wishDay', title: 'say on which day you could' } });
    expect(says({ wishDay: '2027-03-01' })).toMatchObject({ problem: { code: 'visit-past', field: 'wishDay' } });
    expect(says({ wishDay: day, wishHalf: half })).toMatchObject({ problem: { code: 'same-day' } });
    const wishDay = addDays(day, 7);
    expect(says({ wishDay, wishHalf: 1 })).toMatchObject({ status: 'applied' });
    expect(says({ wishDay, wishHalf: 1 })).toMatchObject({ problem: { code: 'answered-already' } });
    renewOnce(installation);
    const moved = movedView(readFirm(installation))
      .concerned.flatMap(({ visits }) => visits)
      .find((one) => one.task === task);
    expect(moved).toMatchObject({ said: 'declined', wish: { day: wishDay, half: 1 } });
    expect((moved?.day ?? '') >= wishDay).toBe(true);
    installation.db.close();
  });
});

describe('letters, look-ahead and work orders as papers', () => {
  it('say what stands on the screen, with firm, number, day and page, and hold nobody’s marks for their own', async () => {
    const installation = demoHouse();
    const paper = async (file: string, sub?: string) =>
      (await jobPaper(installation, signalHouse, file, sub ? { sub } : {})).body;
    must(installation, 'draft.write', {
      job: signalHouse,
      audience: 'client',
      line: 'own:1',
      words: 'Mind the *red* tape.',
    });
    const client = await textOf((await paper('client.pdf')) as Buffer);
    expect(client.text).toContain('Signal House: news of Tue 9 Mar');
    expect(client.text).toContain('Mind the *red* tape.');
    expect(client.text).toContain('Through the house');
    expect(client.text).toMatch(/Signal House · Harrow & Tern Renovation · Maren 0555 0100 · Tue 9 Mar 2027 +1 of \d/);
    const markdown = String(await paper('client.md'));
    expect(markdown).toMatch(/^# Signal House: news of Tue 9 Mar\n/);
    expect(markdown).toContain('Mind the \\*red\\* tape.');
    expect(markdown).toContain('## The next two weeks\n\n- ');
    expect((await textOf((await paper('crew.pdf')) as Buffer)).text).toContain('Halyard Wiring · ');
    const neighbours = (await textOf((await paper('neighbour.pdf')) as Buffer)).text;
    expect(neighbours).toContain('Building work at 3 Watch Steps');
    expect(neighbours).not.toContain('Signal House');
    expect((await textOf((await paper('look-ahead.pdf')) as Buffer)).text).toMatch(/three weeks ahead .*Wed 10 Mar/);
    const order = await textOf((await paper('work-order.pdf', demoId('sub', 'carpentry'))) as Buffer);
    expect(order.text).toMatch(
      /Work order: Cinder Lane Carpenters .*What is agreed: .*Local code and your own licence/,
    );
    expect(order.text).toContain('Signal House, 3 Watch Steps');
    // It is of this job; their other jobs have their own.
    expect(order.text).not.toContain('Old Dairy');
    await expect(paper('work-order.pdf', newId())).rejects.toThrow('no such sub');
    installation.db.close();
  });
});
