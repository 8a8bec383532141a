import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { textWords } from '@/core/news/address';
import { addDays } from '@/core/units/day';
import { instantIn } from '@/core/units/zone';
import { standingClock } from '@/server/clock';
import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { emptyOutbox } from '@/server/news/outbox';
import { renewOnce } from '@/server/plan/renew';
import { newsByRule } from '@/server/polls/news';
import { openLink, sharesPicture } from '@/server/public/links';
import { mayHandIn } from '@/server/public/hand-in';
import { areasOfParty } from '@/server/public/party';
import { sharedView } from '@/server/public/shared';
import { readPlan } from '@/server/reading/plan';
import { readFirm, readJob } from '@/server/reading/reading';
import { pathOf } from '@/server/tokens';
import { movedView } from '@/server/views/moved';
import { newsView } from '@/server/views/news';
import { zoneOf } from '@/server/zone';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, give, giveRaw, must, newId, signalHouse, TODAY } from '../support/installations';
import { asked, askFirst, carpentersLink, carpentersSay, workOf } from '../support/told-commands';
import { visitOf } from '../support/visit-commands';

const codeOf = (answer: ReturnType<typeof giveRaw>): string | undefined =>
  answer.status === 'refused' ? answer.problem.code : undefined;
const tokenOfLink = (installation: Installation, id: string): string => pathOf(installation, id).replace('/s/', '');
const sending = (name: string, address: string, ids = { updateId: newId(), messageId: newId(), linkId: newId() }) => ({
  ...ids,
  ...{ name, address, expiresOn: '2027-12-31' },
});
/** It is so late on a day of the firm's. */
function at(installation: Installation, hour: number, day = TODAY): void {
  installation.clock = standingClock(instantIn(zoneOf(installation.db), day, hour));
}
const rainOn = (installation: Installation, day: string, rain = 9): void => {
  must(installation, 'outlook.say', { halves: [0, 1].map((half) => ({ day, half, rain, wind: 3, low: 6 })) });
  renewOnce(installation);
};
const messages = (installation: Installation) =>
  queryAll<{ recipient: string; title: string; body: string; sub: string | null }>(
    installation.db,
    `SELECT message.recipient, title, body, sub
      FROM message JOIN job_update ON job_update.id = job_update JOIN share_link ON share_link.id = share_link
      ORDER BY message.rowid`,
  );

const part = (terms: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat('en-GB', { ...terms, timeZone: 'UTC' });
const PARTS = [part({ weekday: 'short' }), part({ day: 'numeric' }), part({ month: 'short' })];

/** `Fri 12 Mar, morning`, by the calendar of the language itself. */
function halfDayWords(day: string, half: number): string {
  const date = new Date(`${day}T12:00:00Z`);
  return `${PARTS.map((one) => one.format(date)).join(' ')}, ${half === 0 ? 'morning' : 'afternoon'}`;
}

type Rumour = 'rain' | 'dry' | 'no' | 'pin' | 'unpin' | 'tell';

/** What people believe, from the words of their messages alone; and what the plan has, from its rows alone. */
class Believers {
  /** By sub and line of work, the half-day they go by. */
  private readonly believed = new Map<string, string>();
  private read = 0;
  constructor(private readonly installation: Installation) {
    for (const row of this.planned()) if (row.told) this.believed.set(row.key, row.told);
    this.read = messages(installation).length;
  }

  /** Every visit of a sub with an address, as it is planned and as it was told. */
  planned(): { key: string; is: string; told: string | null; said: string }[] {
    const plan = readPlan(this.installation.db);
    if (!plan) return [];
    const rows = queryAll<{
      task: string;
      crew: string;
      job: string;
      told_day: string | null;
      told_half: number;
      said: string;
    }>(
      this.installation.db,
      `SELECT task, crew, job.name AS job, told_day, told_half, said
        FROM visit_day JOIN job ON job.id = visit_day.job JOIN sub ON sub.id = crew WHERE sub.email <> ''`,
    );
    const tasks = new Map(plan.tasks.map((task) => [task.id as string, task]));
    return rows.flatMap((row) => {
      const task = tasks.get(row.task);
      if (task?.state !== 'waiting' || task.duration === 0) return [];
      const area = queryOne<{ name: string }>(this.installation.db, 'SELECT name FROM area WHERE id = @id', {
        id: task.area ?? '',
      })?.name;
      const key = `${row.crew} ${row.job}: ${area ?? ''}|${row.task}`;
      const day = addDays(plan.origin, Math.floor(task.start / 2));
      return [
        {
          key,
          is: halfDayWords(day, task.start % 2),
          told: row.told_day ? halfDayWords(row.told_day, row.told_half) : null,
          said: row.said,
        },
      ];
    });
  }

  /** Reads what went out since it looked last. @returns each line that was told: to whom, of what, from when to when */
  hear(): { sub: string; from: string | null; to: string }[] {
    const all = messages(this.installation);
    const fresh = all.slice(this.read);
    this.read = all.length;
    return fresh.flatMap(({ sub, body }) =>
      body.split('\n').flatMap((line): { sub: string; from: string | null; to: string }[] => {
        const moves = /^- .+? moves from (\w{3} \d+ \w{3}, \w+) to (\w{3} \d+ \w{3}, \w+)\./.exec(line);
        const first = /^- .+, (\w{3} \d+ \w{3}, \w+)\.$/.exec(line);
        if (moves) return [{ sub: sub ?? '', from: moves[1] ?? '', to: moves[2] ?? '' }];
        return first ? [{ sub: sub ?? '', from: null, to: first[1] ?? '' }] : [];
      }),
    );
  }

  /** What each sub has to hear now, by what they believe and what is planned; of what they know, nothing. */
  owed(): { sub: string; from: string; to: string }[] {
    return this.planned().flatMap(({ key, is }) => {
      const was = this.believed.get(key);
      return was !== undefined && was !== is ? [{ sub: key.slice(0, 36), from: was, to: is }] : [];
    });
  }

  learn(): void {
    for (const { key, told } of this.planned()) if (told) this.believed.set(key, told);
  }
}

function tellAll(installation: Installation): void {
  const { concerned } = movedView(readFirm(installation));
  const visits = concerned.flatMap((one) => one.visits.map(({ task, day, half }) => ({ task, day, half })));
  if (visits.length === 0) return;
  must(installation, 'visit.tell', {
    visits,
    subs: concerned.flatMap(({ crew, sub, name, email }) =>
      sub && email ? [{ sub: crew, ...sending(name, email) }] : [],
    ),
  });
}

const sorted = (lines: readonly object[]): string[] => lines.map((line) => JSON.stringify(line)).sort();

describe('what moved', () => {
  it('is told to exactly those concerned, once, unless it moved back: they always know the plan after they were told', () => {
    const rumours = fc.array(
      fc.record({
        what: fc.constantFrom<Rumour>('rain', 'dry', 'no', 'pin', 'unpin', 'tell', 'tell'),
        which: fc.nat({ max: 40 }),
        later: fc.integer({ min: 1, max: 8 }),
      }),
      { minLength: 4, maxLength: 9 },
    );
    let lines = 0;
    fc.assert(
      fc.property(rumours, (happened) => {
        const installation = demoHouse();
        tellAll(installation);
        const people = new Believers(installation);
        for (const { what, which, later } of [...happened, { what: 'tell' as const, which: 0, later: 1 }]) {
          const day = addDays(TODAY, later);
          const told = queryAll<{ task: string; day: string; half: number; crew: string }>(
            installation.db,
            `SELECT task, told_day AS day, told_half AS half, crew FROM visit_day
              WHERE told_day >= '${TODAY}' AND told_day = day AND told_half = half AND said <> 'declined' ORDER BY task`,
          );
          const one = told[which % Math.max(1, told.length)];
          if (what === 'rain' || what === 'dry') rainOn(installation, day, what === 'rain' ? 9 : 0);
          if (what === 'pin' && one)
            giveRaw(installation, 'pin.set', { task: one.task, day, half: 0, reason: 'asked for' });
          if (what === 'unpin' && one) giveRaw(installation, 'pin.drop', { task: one.task });
          if (what === 'no' && one)
            giveRaw(installation, 'visit.answer', {
              visits: [{ task: one.task, day: one.day, half: one.half }],
              answer: 'no',
              by: 'Lead',
            });
          renewOnce(installation);
          if (what !== 'tell') continue;
          // Who said no hears of another day even where they are asked for the same again.
          const owed = people.owed();
          tellAll(installation);
          const heard = people.hear().flatMap(({ sub, from, to }) => (from && from !== to ? [{ sub, from, to }] : []));
          expect(sorted(heard)).toEqual(sorted(owed));
          lines += heard.length;
          people.learn();
          expect(people.owed()).toEqual([]);
          expect(movedView(readFirm(installation)).concerned).toEqual([]);
        }
        installation.db.close();
      }),
      { numRuns: 4 },
    );
    expect(lines).toBeGreaterThan(10);
  });
});

describe('telling by rule', () => {
  it('does nothing unless it was wished for', () => {
    const installation = demoHouse();
    at(installation, 18);
    expect(newsByRule(installation)).toBe(0);
  });

  it('tells at the hour everything to everybody with an address, once a day, and not at night', () => {
    const installation = demoHouse();
    must(installation, 'firm.set-news-rules', { tellHour: 17 });
    const owed = movedView(readFirm(installation)).concerned.filter(({ sub, email, phone }) => sub && (email || phone));
    expect(owed.length).toBeGreaterThan(2);
    const before = messages(installation).length;
    at(installation, 16);
    expect(newsByRule(installation)).toBe(0);
    at(installation, 22);
    expect(newsByRule(installation)).toBe(0);
    at(installation, 17);
    expect(newsByRule(installation)).toBe(1);
    const told = messages(installation).slice(before);
    expect(new Set(told.flatMap(({ sub }) => sub ?? []))).toEqual(new Set(owed.map(({ crew }) => crew)));
    for (const { sub, title } of told) if (sub === null) expect(title).toMatch(/: the work ends /);
    // One message a person; what moves after it waits for tomorrow.
    expect(new Set(told.map(({ recipient }) => recipient)).size).toBe(told.length);
    rainOn(installation, addDays(TODAY, 3));
    at(installation, 19);
    expect(newsByRule(installation)).toBe(0);
    at(installation, 17, addDays(TODAY, 1));
    renewOnce(installation);
    expect(newsByRule(installation)).toBeLessThanOrEqual(1);
  });

  it('tells at once what is of tomorrow, but not before the plan has stood', () => {
    const installation = demoHouse();
    at(installation, 9);
    tellAll(installation);
    must(installation, 'firm.set-news-rules', { tellSoon: true });
    const { task, crew, day } = visitOf(installation);
    expect(day <= addDays(TODAY, 1)).toBe(true);
    const set = [3, 6, 7, 8, 9].some(
      (later) =>
        give(installation, 'pin.set', { task, day: addDays(TODAY, later), half: 0, reason: 'the lane is closed' })
          .status === 'applied',
    );
    expect(set).toBe(true);
    renewOnce(installation);
    expect(newsByRule(installation)).toBe(0);
    at(installation, 10);
    const before = messages(installation).length;
    expect(newsByRule(installation)).toBe(1);
    expect(
      messages(installation)
        .slice(before)
        .map(({ sub }) => sub),
    ).toContain(crew);
    expect(newsByRule(installation)).toBe(0);
  });

  it('asks once more who has not answered, and reminds a client of what is due, each once', () => {
    const installation = demoHouse();
    at(installation, 9);
    tellAll(installation);
    askFirst(installation);
    must(installation, 'firm.set-news-rules', { remindSubDays: 2, remindClientDays: 14 });
    const reminded = (): number =>
      messages(installation).filter(({ title }) => title.startsWith('Can you come? ')).length;
    const first = newsByRule(installation);
    expect(
      queryOne<{ count: number }>(installation.db, `SELECT count(*) AS count FROM reminder WHERE about LIKE 'decide:%'`)
        ?.count,
    ).toBeGreaterThan(0);
    expect(first).toBeGreaterThan(0);
    expect(newsByRule(installation)).toBe(0);
    const before = reminded();
    at(installation, 10, addDays(TODAY, 2));
    renewOnce(installation);
    newsByRule(installation);
    expect(reminded()).toBeGreaterThan(before);
    const after = reminded();
    at(installation, 11, addDays(TODAY, 2));
    newsByRule(installation);
    expect(reminded()).toBe(after);
  });
});

describe('a page of one question', () => {
  it('shows what is asked, its room and nothing else of the house, and is answered by whoever has it', () => {
    const installation = demoHouse();
    const link = newId();
    must(installation, 'request.add', asked);
    must(installation, 'request.ask-party', {
      id: asked.id,
      version: 1,
      ...sending('Ostler', 'ostler@engineer.example', { updateId: newId(), messageId: newId(), linkId: link }),
    });
    const token = tokenOfLink(installation, link);
    const opened = openLink(installation, token);
    if (!opened) throw new Error('It does not open.');
    const view = sharedView(installation, opened);
    expect(view).toMatchObject({
      audience: 'party',
      heading: 'What carries the beam at its east end',
      recipient: 'Ostler',
    });
    expect(Object.keys(view).sort()).toEqual(
      [
        'acknowledged',
        'areas',
        'askAbout',
        'asked',
        'audience',
        'call',
        'canAcknowledge',
        'expiresOn',
        'firm',
        'heading',
        'job',
        'papers',
        'questions',
        'recipient',
        'today',
        'waits',
        'when',
      ].sort(),
    );
    expect(areasOfParty(readJob(installation, signalHouse), opened)).toEqual([areaOf('kitchen')]);
    const picture = (area: string): string =>
      queryOne<{ picture: string }>(
        installation.db,
        `SELECT picture FROM standing_observation WHERE kind = 'picture' AND area = @area AND picture NOT IN (
          SELECT picture FROM standing_observation WHERE kind = 'picture' AND area <> @area AND picture IS NOT NULL)`,
        { area },
      )?.picture ?? '';
    expect(sharesPicture(installation, opened, picture(areaOf('kitchen')))).toBe(true);
    expect(sharesPicture(installation, opened, picture(areaOf('study')))).toBe(false);
    const engineer: Actor = {
      kind: 'link',
      id: link,
      audience: 'party',
      job: signalHouse,
      sub: null,
      request: asked.id,
    };
    const other: Actor = { ...engineer, request: newId() };
    const yes = {
      id: asked.id,
      name: 'Ostler',
      outcome: 'granted',
      conditions: 'the old pier, if it is pinned',
    } as const;
    expect(codeOf(give(installation, 'request.reply', yes, other))).toBe('not-allowed');
    must(installation, 'request.reply', yes, engineer);
    expect(codeOf(give(installation, 'request.reply', yes, engineer))).toBe('not-asked');
    expect(sharedView(installation, opened)).toMatchObject({
      asked: { settled: 'yes: the old pier, if it is pinned (Ostler)' },
    });
    must(installation, 'share.revoke', { id: link });
    expect(openLink(installation, token)).toBeUndefined();
  });

  it('is given to somebody who was asked by another way, and their days stay', () => {
    const installation = demoHouse();
    must(installation, 'request.add', asked);
    must(installation, 'request.send', {
      id: asked.id,
      version: 1,
      sentOn: '2027-03-05',
      sent: 'by post',
      expectedOn: '2027-03-12',
    });
    must(installation, 'request.ask-party', { id: asked.id, version: 2, ...sending('Ostler', 'o@e.example') });
    expect(
      queryOne(installation.db, 'SELECT sent, sent_on, expected_on FROM request WHERE id = @id', { id: asked.id }),
    ).toEqual({ sent: 'by post', sent_on: '2027-03-05', expected_on: '2027-03-12' });
  });

  it('is not made of the client’s or our own, and a visit’s page says when it is and how it went', () => {
    const installation = demoHouse();
    must(installation, 'request.add', { ...asked, party: 'us' });
    const to = sending('Nobody', 'n@n.example');
    expect(codeOf(give(installation, 'request.ask-party', { id: asked.id, version: 1, ...to }))).toBe('not-outside');
    const visit = demoId('signal', 'inspection', 'study', 'rough-inspection');
    const link = newId();
    must(installation, 'inspection.show', {
      id: visit,
      ...sending('Quill', '0555 0177', { updateId: newId(), messageId: newId(), linkId: link }),
    });
    const opened = openLink(installation, tokenOfLink(installation, link));
    if (!opened) throw new Error('It does not open.');
    expect(sharedView(installation, opened)).toMatchObject({ when: 'Booked for Thu 11 Mar, morning.', asked: null });
    must(installation, 'inspection.cancel', { id: visit, version: 1 });
    expect(sharedView(installation, opened)).toMatchObject({ heading: 'Rough inspections', when: 'It was cancelled.' });
    expect(codeOf(give(installation, 'inspection.show', { id: visit, ...sending('Quill', 'q@q.example') }))).toBe(
      'not-booked',
    );
  });
});

describe('what a sub says is done', () => {
  it('is of their own work, once, counts when it is taken, and is answered where it is not', () => {
    const installation = demoHouse();
    carpentersSay(installation);
    const task = workOf(installation);
    const again = { id: newId(), task, name: 'Wenna' };
    expect(codeOf(give(installation, 'done.say', again, carpentersLink))).toBe('said-already');
    const others = visitOf(installation, 'wiring').task;
    expect(codeOf(give(installation, 'done.say', { ...again, task: others }, carpentersLink))).toBe('unknown-id');
    const client: Actor = { kind: 'link', id: newId(), audience: 'client', job: signalHouse, sub: null };
    expect(codeOf(give(installation, 'done.say', again, client))).toBe('not-allowed');
    const job = queryOne<{ job: string }>(installation.db, 'SELECT job FROM done_word')?.job ?? '';
    const [word] = newsView(readJob(installation, job)).doneWords;
    expect(word).toMatchObject({ name: 'Wenna', version: 1 });
    must(installation, 'done.refuse', { id: word?.id ?? '', version: 1, answer: 'the back is open' });
    const link = queryOne<{ id: string }>(
      installation.db,
      `SELECT id FROM share_link WHERE recipient = 'Wenna' ORDER BY made_at DESC`,
    );
    const page = () => {
      const opened = openLink(installation, tokenOfLink(installation, link?.id ?? ''));
      return opened && sharedView(installation, opened);
    };
    const begun = readPlan(installation.db)?.tasks.find(({ id }) => id === task);
    expect(begun).toBeDefined();
    expect(JSON.stringify(page())).toContain('the back is open');
    must(installation, 'done.say', again, carpentersLink);
    must(installation, 'done.take', { id: again.id, version: 1, walk: newId(), progress: newId(), shown: newId() });
    renewOnce(installation);
    expect(readPlan(installation.db)?.tasks.find(({ id }) => id === task)?.state).toBe('done');
    expect(
      codeOf(
        give(installation, 'done.take', { id: again.id, version: 2, walk: newId(), progress: newId(), shown: newId() }),
      ),
    ).toBe('settled-already');
    expect(codeOf(give(installation, 'done.say', { ...again, id: newId() }, carpentersLink))).toBe('done-already');
  });

  it('brings so many pictures in an hour and no more', () => {
    const link = newId();
    const now = new Date('2027-03-09T10:00:00Z');
    expect(Array.from({ length: 61 }, () => mayHandIn(link, now)).filter(Boolean)).toHaveLength(60);
    expect(mayHandIn(newId(), now)).toBe(true);
    expect(mayHandIn(link, new Date('2027-03-09T11:01:00Z'))).toBe(true);
  });
});

describe('a text', () => {
  it('goes to a number, short and with its link, while a letter without a mail server waits', async () => {
    const texts: { address: string; text: string }[] = [];
    const installation = demoHouse({
      messages: 'by hand',
      texts: {
        by: 'play',
        deliver: ({ address, text }) => {
          texts.push({ address, text });
          return { state: 'sent' };
        },
      },
    });
    await emptyOutbox(installation);
    const [number, letter] = [sending('Quill', '0555 0177'), sending('Quill', 'quill@office.example')];
    const visit = demoId('signal', 'inspection', 'study', 'rough-inspection');
    for (const to of [number, letter]) must(installation, 'inspection.show', { id: visit, ...to });
    expect(await emptyOutbox(installation)).toBe(1);
    expect(texts).toEqual([
      { address: '0555 0177', text: expect.stringMatching(/^Signal House: .+ \/s\/\S+$/) as string },
    ]);
    const stateOf = (id: string) =>
      queryOne<{ state: string }>(installation.db, 'SELECT state FROM message WHERE id = @id', { id });
    expect(stateOf(number.messageId)).toEqual({ state: 'sent' });
    expect(stateOf(letter.messageId)).toEqual({ state: 'queued' });
    expect(await emptyOutbox(installation)).toBe(0);
    expect(codeOf(give(installation, 'inspection.show', { id: visit, ...sending('Q', 'quill at office') }))).toBe(
      'bad-input',
    );
  });

  it('that had no number goes where it should, and each address is kept in its place', () => {
    const installation = demoHouse();
    const sub = demoId('sub', 'carpentry');
    const known = () => queryOne(installation.db, 'SELECT email, phone FROM sub WHERE id = @sub', { sub });
    const { task, day, half } = visitOf(installation, 'carpentry');
    const failed = (address: string): string => {
      const to = sending('Wenna', address);
      must(installation, 'visit.tell', { visits: [{ task, day, half }], subs: [{ sub, ...to }] });
      installation.db.prepare(`UPDATE message SET state = 'failed' WHERE id = ?`).run(to.messageId);
      return to.messageId;
    };
    const before = known() as { email: string; phone: string };
    must(installation, 'message.readdress', { id: failed(before.email), address: '0555 0199' });
    expect(known()).toEqual({ email: '', phone: '0555 0199' });
    must(installation, 'message.readdress', { id: failed('0555 0199'), address: 'wenna@new.example' });
    expect(known()).toEqual({ email: 'wenna@new.example', phone: '' });
    must(installation, 'message.readdress', { id: failed('somebody@else.example'), address: 'third@else.example' });
    expect(known()).toEqual({ email: 'wenna@new.example', phone: '' });
  });

  it('has room for its page, however long its title', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 600 }), (title) => {
        const page = `https://news.example/s/${'x'.repeat(43)}`;
        const text = textWords(title, page);
        expect(text.length).toBeLessThanOrEqual(300);
        expect(text.endsWith(` ${page}`)).toBe(true);
      }),
    ));
});
