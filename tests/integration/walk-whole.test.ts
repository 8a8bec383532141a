import { readFirm, readHouse, readJob } from '@/server/reading/reading';
import sharp from 'sharp';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { todayView } from '@/server/views/today';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { dispatch } from '@/server/dispatch/dispatch';
import { Refusal } from '@/server/refusal';
import { areaPaper } from '@/server/papers/documents';
import { keepPicture, servePicture } from '@/server/files/pictures';
import { keepRecording, recordingResponse } from '@/server/files/recordings';
import { findable } from '@/server/views/find';
import type { WalkKind } from '@/core/walks/observation';
import type { Installation } from '@/server/installation';
import { readPlan } from '@/server/reading/plan';
import { renewOnce } from '@/server/plan/renew';
import { roomView } from '@/server/views/room';
import { closeInsOf } from '@/server/reading/close-ins';
import { completionView } from '@/server/views/completion';
import { packNews, walkPack } from '@/server/views/pack';
import { reviewView } from '@/server/views/review';
import { runView } from '@/server/views/run-list';
import { sharedView } from '@/server/public/shared';
import { readNarrations } from '@/server/walks/read-narrations';
import { demoId } from '../../demo/seed';
import { areaOf, command, demoHouse, give, giveRaw, MAREN, must, newId, signalHouse } from '../support/installations';

const renew = (installation: Installation): void => void renewOnce(installation);
const start = (installation: Installation, kind: WalkKind, job = signalHouse): string => {
  const walk = newId();
  must(installation, 'walk.start', { id: walk, job, kind });
  return walk;
};
const record = (installation: Installation, walk: string, seen: object): string => {
  const id = newId();
  must(installation, 'observation.record', { observation: { id, walk, area: areaOf('study'), ...seen } });
  return id;
};
const refused = (
  installation: Installation,
  type: string,
  payload: object,
): { code?: string; field?: string; title?: string } => {
  const answer = giveRaw(installation, type, payload);
  return answer.status === 'refused' ? answer.problem : {};
};
const task = (installation: Installation, area: string, phase: string) =>
  readPlan(installation.db)?.tasks.find((planned) => planned.id === `${areaOf(area)}:${phase}`);

describe('before a wall is closed', () => {
  it('what covers does not start in the plan until the last line is settled', () => {
    const installation = demoHouse();
    const walk = start(installation, 'close-in');
    const check = () => closeInsOf(readJob(installation, signalHouse)).get(areaOf('study'));
    expect(check()).toMatchObject({ closed: false, covers: 'insulation' });
    expect(check()?.open.map((line) => line.text)).toEqual([
      '6 pieces backing for the shelves, north wall',
      'picture of wall 1, corner to corner, tape in sight',
    ]);
    expect(
      refused(installation, 'observation.record', {
        observation: { id: newId(), walk, area: areaOf('study'), kind: 'progress', phase: 'close-in', fraction: 1 },
      }),
    ).toMatchObject({ code: 'close-in-open', field: 'observation.fraction' });
    record(installation, walk, { kind: 'progress', phase: 'wiring-rough', fraction: 1 });
    record(installation, walk, { kind: 'check', line: 'picture:wall-0', verdict: 'right' });
    renew(installation);
    expect(task(installation, 'study', 'close-in')?.state).not.toBe('done');
    expect(task(installation, 'study', 'insulation')?.start ?? 0).toBeGreaterThanOrEqual(
      task(installation, 'study', 'close-in')?.finish ?? 1e9,
    );
    record(installation, walk, { kind: 'recheck', about: demoId('signal', 'item', 'backing'), verdict: 'done' });
    expect(check()).toMatchObject({ closed: true, open: [] });
    renew(installation);
    expect(task(installation, 'study', 'close-in')?.state).toBe('done');
  });

  it('somebody may answer for what is open, by name and for a reason, and take it back', () => {
    const installation = demoHouse();
    const id = newId();
    expect(
      refused(installation, 'close-in.sign', { id, area: areaOf('study'), name: 'Ines', reason: ' ' }),
    ).toMatchObject({
      field: 'reason',
    });
    must(installation, 'close-in.sign', {
      id,
      area: areaOf('study'),
      name: 'Ines',
      reason: 'shelves stand on the floor',
    });
    expect(closeInsOf(readJob(installation, signalHouse)).get(areaOf('study'))).toMatchObject({
      closed: true,
      signed: { name: 'Ines', reason: 'shelves stand on the floor' },
    });
    // What comes up afterwards is not covered by that name.
    must(installation, 'selection.add', {
      id: newId(),
      job: signalHouse,
      area: areaOf('study'),
      phase: 'trim',
      category: 'Coat hooks',
      choice: 'brass',
      leadLow: 1,
      leadHigh: 2,
      state: 'chosen',
    });
    expect(closeInsOf(readJob(installation, signalHouse)).get(areaOf('study'))?.closed).toBe(false);
    must(installation, 'line.remove', { of: 'close-in-sign', id });
    expect(closeInsOf(readJob(installation, signalHouse)).get(areaOf('study'))).toMatchObject({
      closed: false,
      signed: null,
    });
    expect(
      refused(installation, 'close-in.sign', { id: newId(), area: areaOf('landing'), name: 'I', reason: 'r' }),
    ).toMatchObject({ code: 'no-close-in' });
  });

  it('covering all the same is kept as seen, and told', () => {
    const installation = demoHouse();
    record(installation, start(installation, 'progress'), { kind: 'progress', phase: 'insulation', fraction: 0.4 });
    expect(
      todayView(readFirm(installation)).holds.find((hold) => hold.kind === 'close-in' && hold.area === 'Study'),
    ).toMatchObject({
      overdue: true,
      text: expect.stringContaining('covering was begun all the same') as string,
    });
  });

  it('what is in a wall is found again, drawn and printed', async () => {
    const installation = demoHouse();
    expect(
      findable(readHouse(installation)).find(
        (found) => found.label === 'backing for the desk top, Study wall 1, Signal House',
      )?.path,
    ).toBe(`/jobs/${signalHouse}/areas/${areaOf('study')}/walls#wall-1`);
    const svg = String((await areaPaper(installation, areaOf('study'), 'inside-1.svg', '')).body);
    expect(svg).toMatch(/<title>Study, wall 1: what is inside<\/title>[\s\S]*>11&#39; 2&#34;<[\s\S]*>3<\/text>/);
    expect(String((await areaPaper(installation, areaOf('study'), 'inside-2.dxf', '')).body)).toMatch(
      /FIXTURES[\s\S]*EOF/,
    );
    expect(
      Buffer.from((await areaPaper(installation, areaOf('study'), 'walls.pdf', '')).body).toString('latin1', 0, 5),
    ).toBe('%PDF-');
    await expect(areaPaper(installation, areaOf('study'), 'inside-4.svg', '')).rejects.toThrow(
      'There is no such record of this wall here.',
    );
  });
});

describe('records that come from anywhere, late and twice', () => {
  it('from a device whose clock is a year off are kept at the right time and flagged', () => {
    const installation = demoHouse();
    const walk = start(installation, 'progress');
    const id = newId();
    const now = installation.clock.now();
    const wrong = (minutes: number): string =>
      new Date(now.getTime() - 365 * 86_400_000 + minutes * 60_000).toISOString();
    expect(
      dispatch(installation, MAREN, {
        ...command('observation.record', {
          observation: { id, walk, area: areaOf('guest'), kind: 'progress', phase: 'wiring-rough', fraction: 0.7 },
        }),
        at: wrong(-30),
        sent: wrong(0),
      }),
    ).toMatchObject({ status: 'applied' });
    const kept = queryOne<{ at: string; facts: string }>(
      installation.db,
      'SELECT at, facts FROM observation WHERE id = @id',
      {
        id,
      },
    );
    expect(Math.abs(Date.parse(kept?.at ?? '') - now.getTime() + 30 * 60_000)).toBeLessThan(10_000);
    expect(JSON.parse(kept?.facts ?? '{}')).toEqual({ clock: wrong(-30) });
    expect(
      walkPack(installation, walk)
        .areas.find((area) => area.name === 'Guest suite')
        ?.steps.find((step) => step.phase === 'wiring-rough')?.fraction,
    ).toBe(0.7);
  });

  it('of two people on one walk stand side by side, whoever sends first', () => {
    const ines = { kind: 'person', id: demoId('person', 'ines'), name: 'Ines', role: 'lead' } as const;
    const people = queryAll<{ id: string; name: string; role: string }>(
      demoHouse().db,
      'SELECT id, name, role FROM person',
    );
    const second = people.find((person) => person.role === 'lead');
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 6 }), (order) => {
        const installation = demoHouse();
        const walk = start(installation, 'progress');
        const commands = order.map((at) => ({
          who: at % 2 ? { ...ines, id: second?.id ?? '', name: second?.name ?? '' } : MAREN,
          given: {
            ...command('observation.record', {
              observation: {
                id: demoId('two', String(at)),
                walk,
                area: areaOf('guest'),
                ...(at < 4
                  ? { kind: 'note', text: `seen ${at}` }
                  : { kind: 'progress', phase: 'wiring-rough', fraction: at / 10 }),
              },
            }),
            at: `2027-03-09T0${at}:00:00.000Z`,
          },
        }));
        for (const { who, given } of [...commands, ...commands])
          expect(dispatch(installation, who, given).status).toMatch(/applied|repeated/);
        const area = walkPack(installation, walk).areas.find((room) => room.name === 'Guest suite');
        expect(area?.recorded.map((line) => [line.text, line.by ?? 'me'])).toEqual([
          ['seen 0', 'me'],
          ['seen 1', second?.name],
          ['seen 2', 'me'],
          ['seen 3', second?.name],
        ]);
        expect(area?.steps.find((step) => step.phase === 'wiring-rough')?.fraction).toBe(0.5);
      }),
      { numRuns: 3 },
    );
  });

  it('of an area that is not there are refused with the field that is wrong, and change nothing', () => {
    const installation = demoHouse();
    const walk = start(installation, 'progress');
    expect(
      refused(installation, 'observation.record', {
        observation: { id: newId(), walk, area: areaOf('shop', 'tannery'), kind: 'note', text: 'x' },
      }),
    ).toMatchObject({ code: 'unknown-id', field: 'observation.area' });
    expect(
      refused(installation, 'observation.record', {
        observation: {
          id: newId(),
          walk,
          area: areaOf('study'),
          kind: 'marks',
          about: demoId('signal', 'item', 'boxes'),
          marks: [],
        },
      }),
    ).toMatchObject({ code: 'no-picture' });
    expect(
      refused(installation, 'observation.record', {
        observation: { id: newId(), walk, area: areaOf('study'), kind: 'picture', picture: 'f'.repeat(64) },
      }),
    ).toMatchObject({ field: 'observation.picture' });
  });
});

describe('a narration', () => {
  it('is kept once, its drafts wait, are accepted with their words, or dropped', () => {
    const installation = demoHouse();
    const walk = start(installation, 'progress');
    const id = newId();
    const text =
      'WEBVTT\n\n00:01.000 --> 00:04.000\nKitchen. Framing is half done.\n\n00:05.000 --> 00:09.000\nStudy. Mind ' +
      'the open edge at the hatch.\n';
    must(installation, 'narration.keep', { id, walk, name: 'round.vtt', text });
    expect(refused(installation, 'narration.keep', { id: newId(), walk, name: 'again.vtt', text })).toMatchObject({
      code: 'narration-kept',
      title: 'This narration is kept with this walk already, as “round.vtt”.',
    });
    expect(
      refused(installation, 'narration.keep', {
        id: newId(),
        walk,
        name: 'x.vtt',
        text: 'WEBVTT\n\nnow --> then\nhello',
      }),
    ).toMatchObject({ code: 'narration-empty', field: 'text' });
    const open = (): number | undefined =>
      reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation)).narrations[0]?.open;
    expect(open()).toBe(2);
    const accepted = record(installation, walk, {
      kind: 'caution',
      text: 'open edge at the hatch',
      said: { narration: id, draft: 'caution@5.0', words: 'Mind the open edge at the hatch.', start: 5, end: 9 },
    });
    expect(open()).toBe(1);
    expect(
      JSON.parse(
        queryOne<{ facts: string }>(installation.db, 'SELECT facts FROM observation WHERE id = @accepted', { accepted })
          ?.facts ?? '{}',
      ),
    ).toMatchObject({ said: { words: 'Mind the open edge at the hatch.', start: 5 } });
    must(installation, 'draft.drop', { narration: id, draft: 'progress@1.0' });
    expect(open()).toBe(0);
    record(installation, walk, { kind: 'withdrawal', about: accepted });
    expect(open()).toBe(1);
  });

  it('is read once, when it was kept, and again only where an area is called something else since', () => {
    const installation = demoHouse();
    const { db } = installation;
    const walk = start(installation, 'progress');
    const kept = {
      id: newId(),
      walk,
      name: 'round.vtt',
      text: 'Kitchen. Framing is half done. Larder. Mind the open edge.',
    };
    const open = (): number | undefined =>
      reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation)).narrations[0]?.open;
    // The demo's own were kept before.
    readNarrations(installation);
    const { id: command } = give(installation, 'narration.keep', kept);
    const found = open();
    expect([readNarrations(installation), readNarrations(installation), open()]).toEqual([1, 0, found]);
    // What is shown is what was kept, until it was read with other names.
    execute(db, `UPDATE narration_reading SET drafts = '["a","b","c","d"]'`);
    expect(open()).toBe(4);
    execute(db, `UPDATE area SET called = 'Larder' WHERE id = @id`, { id: areaOf('study') });
    expect(open()).toBe(found);
    must(installation, 'undo', { command });
    expect(queryOne(db, 'SELECT 1 FROM narration_reading WHERE narration = @id', { id: kept.id })).toBeUndefined();
  });

  it('brings its recording, which is what its first bytes say and is played from any second', async () => {
    const installation = demoHouse();
    const wav = Buffer.concat([Buffer.from('RIFF\0\0\0\0WAVEfmt '), Buffer.alloc(2000, 1)]);
    const { hash, type } = await keepRecording(installation, [wav]);
    expect(type).toBe('audio/wav');
    const part = recordingResponse(installation, hash, new Request('http://x/', { headers: { range: 'bytes=4-7' } }));
    expect([part.status, part.headers.get('content-range'), (await part.arrayBuffer()).byteLength]).toEqual([
      206,
      `bytes 4-7/${wav.length}`,
      4,
    ]);
    expect(
      recordingResponse(installation, hash, new Request('http://x/', { headers: { range: 'bytes=9000-' } })).status,
    ).toBe(416);
    await expect(keepRecording(installation, [Buffer.from('not a recording at all')])).rejects.toThrow(
      'This is no recording we can play',
    );
  });
});

describe('pictures', () => {
  const jpeg = (over = {}) =>
    sharp({ create: { width: 40, height: 30, channels: 3, background: '#446', ...over } }).jpeg();

  it('keep their time and lose their place when they leave', async () => {
    const installation = demoHouse();
    const content = await jpeg()
      .withExif({
        IFD0: { Make: 'x' },
        IFD2: { DateTimeOriginal: '2027:03:09 08:30:00' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
      })
      .toBuffer();
    const { hash } = await keepPicture(installation, content);
    expect(
      queryOne<{ taken_at: string }>(installation.db, 'SELECT taken_at FROM picture WHERE hash = @hash', { hash })
        ?.taken_at,
    ).toContain('2027-03-09');
    for (const width of [undefined, 240]) {
      const left = await servePicture(installation, hash, width);
      expect((await sharp(left).metadata()).exif).toBeUndefined();
    }
    record(installation, start(installation, 'progress'), { area: areaOf('day'), kind: 'picture', picture: hash });
    expect(roomView(readJob(installation, signalHouse), areaOf('day')).pictures[0]?.when).toMatch(
      /^today 0?8:30$|^today \d\d:30$/,
    );
    // The smaller copy is made once and is the same afterwards.
    expect(
      (await servePicture(installation, hash, 240))?.equals(
        (await servePicture(installation, hash, 240)) ?? Buffer.alloc(0),
      ),
    ).toBe(true);
    expect((await keepPicture(installation, content)).hash).toBe(hash);
  });

  it('that are none, are too large, or carry torn facts are refused or kept, never a fault', async () => {
    const installation = demoHouse();
    await expect(keepPicture(installation, Buffer.alloc(60 * 1024 * 1024))).rejects.toMatchObject({
      status: 413,
      problem: { code: 'picture-too-large' },
    });
    const whole = await jpeg()
      .withExif({ IFD0: { Make: 'x' }, IFD2: { DateTimeOriginal: '2027:03:09 08:30:00' } })
      .toBuffer();
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 2, max: whole.length - 1 }),
        fc.uint8Array({ maxLength: 24 }),
        fc.boolean(),
        async (at, dirt, cut) => {
          const torn = Buffer.concat([
            whole.subarray(0, at),
            Buffer.from(dirt),
            cut ? Buffer.alloc(0) : whole.subarray(at + dirt.length),
          ]);
          const kept = await keepPicture(installation, torn).catch((error: unknown) => error);
          if (kept instanceof Error) expect(kept).toBeInstanceOf(Refusal);
          else expect(kept).toMatchObject({ hash: expect.stringMatching(/^[0-9a-f]{64}$/) as string });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('from one spot stand beside each other with what was drawn on them', () => {
    const installation = demoHouse();
    const view = roomView(readJob(installation, signalHouse), areaOf('kitchen'));
    expect(view.standpoints).toMatchObject([
      { name: 'from the door', pictures: [{ marks: [] }, { marks: [] }, { marks: [] }] },
    ]);
    const picture =
      queryOne<{ id: string }>(
        installation.db,
        `SELECT id FROM observation WHERE kind = 'picture' AND area = @area ORDER BY at DESC`,
        { area: areaOf('kitchen') },
      )?.id ?? '';
    record(installation, start(installation, 'progress'), {
      area: areaOf('kitchen'),
      kind: 'marks',
      about: picture,
      marks: [
        { form: 'arrow', from: [0.1, 0.1], to: [0.4, 0.5] },
        { form: 'measure', from: [0, 0], to: [1, 0], text: `8' 0"` },
      ],
    });
    expect(
      roomView(readJob(installation, signalHouse), areaOf('kitchen')).standpoints[0]?.pictures.at(-1)?.marks,
    ).toHaveLength(2);
    expect(
      refused(installation, 'observation.record', {
        observation: {
          id: newId(),
          walk: demoId('signal', 'walk', '2'),
          area: areaOf('kitchen'),
          kind: 'marks',
          about: picture,
          marks: [{ form: 'ring', from: [0, 0], to: [1.2, 0] }],
        },
      }),
    ).toMatchObject({ code: 'bad-input' });
  });
});

describe('what a walk found', () => {
  it('becomes scope, an assumption, a change or a wait in one step, each once, and can be taken back', () => {
    const installation = demoHouse();
    const walk = start(installation, 'progress');
    const seen = {
      surprise: record(installation, walk, { area: areaOf('day'), kind: 'surprise', text: 'a second flue' }),
      scope: record(installation, walk, { area: areaOf('day'), kind: 'scope', text: 'the old stove', stance: 'refit' }),
      gate: record(installation, walk, { area: areaOf('day'), kind: 'gate', text: 'engineer to look at the flue' }),
    };
    must(installation, 'observation.file', { about: seen.scope, filedAs: 'scope', target: newId() });
    expect(
      refused(installation, 'observation.file', { about: seen.gate, filedAs: 'wait', target: newId() }),
    ).toMatchObject({
      code: 'no-party',
      field: 'party',
    });
    must(installation, 'observation.file', { about: seen.gate, filedAs: 'wait', target: newId(), party: 'engineer' });
    const change = newId();
    must(installation, 'observation.file', { about: seen.surprise, filedAs: 'change', target: change });
    expect(queryOne(installation.db, `SELECT stance, verb, subject FROM scope_item ORDER BY rowid DESC`)).toEqual({
      stance: 'refit',
      verb: 'take down and refit',
      subject: 'the old stove',
    });
    expect(queryOne(installation.db, `SELECT kind, text FROM hold ORDER BY rowid DESC`)).toEqual({
      kind: 'engineer',
      text: 'engineer to look at the flue',
    });
    expect(
      reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation)).unfiled.map(
        (line) => line.filedAs,
      ),
    ).toEqual(['change', 'scope', 'wait']);
    expect(
      refused(installation, 'observation.file', { about: seen.surprise, filedAs: 'scope', target: newId() }),
    ).toMatchObject({ code: 'placed-already' });
    must(installation, 'observation.unfile', { about: seen.surprise });
    expect(queryOne(installation.db, 'SELECT state FROM change_order WHERE id = @change', { change })).toEqual({
      state: 'declined',
    });
    expect(
      refused(installation, 'observation.file', {
        about: record(installation, walk, { kind: 'note', text: 'x' }),
        filedAs: 'scope',
        target: newId(),
      }),
    ).toMatchObject({ code: 'placed-by-itself' });
  });

  it('is told with what nobody looked at, and with how fast it goes', () => {
    const installation = demoHouse();
    const walk = start(installation, 'progress');
    record(installation, walk, { area: areaOf('guest'), kind: 'progress', phase: 'wiring-rough', fraction: 0.6 });
    record(installation, walk, {
      area: areaOf('guest'),
      kind: 'recheck',
      about: demoId('signal', 'item', 'boxes'),
      verdict: 'not seen',
    });
    const view = reviewView(readJob(installation, signalHouse), walk, () => readFirm(installation));
    expect(view.passedBy.map((item) => item.text)).toEqual(
      expect.arrayContaining(['boxes too low on the east wall', 'duct collar unsealed at the ceiling']),
    );
    expect(view.passedBy[0]?.days).toBe(14);
    expect(view.rates.find((rate) => rate.label === 'Guest suite · wires')).toMatchObject({ planned: 3 });
  });

  it('settled on the spot stands among the decisions, and goes when it is taken back', () => {
    const installation = demoHouse();
    const walk = start(installation, 'progress');
    const id = record(installation, walk, {
      kind: 'decision',
      text: 'a shelf more',
      by: 'client',
      name: 'Mrs Averill',
      free: true,
    });
    expect(queryOne(installation.db, 'SELECT subject, reason FROM decision WHERE id = @id', { id })).toEqual({
      subject: 'a shelf more',
      reason: 'agreed on the spot by Mrs Averill, at no charge',
    });
    record(installation, walk, { kind: 'withdrawal', about: id });
    expect(queryOne(installation.db, 'SELECT removed FROM decision WHERE id = @id', { id })).toEqual({ removed: 1 });
  });

  it('measured otherwise than drawn is shown until one of them gives way', () => {
    const installation = demoHouse();
    const id = record(installation, start(installation, 'layout'), {
      area: areaOf('guest'),
      kind: 'measurement',
      text: 'height',
      typed: `7' 11"`,
      mm: 2413,
      of: { what: 'height' },
    });
    const shown = () => roomView(readJob(installation, signalHouse), areaOf('guest')).conflicts;
    expect(shown()).toMatchObject([{ id, text: `1" less than drawn (8' 0")` }]);
    must(installation, 'measurement.adopt', { about: id });
    expect(shown()).toEqual([]);
  });
});

describe('the end of a job', () => {
  const linden = demoId('linden');

  it('closes a leftover only with a picture or a word', () => {
    const installation = demoHouse();
    const walk = start(installation, 'completion', linden);
    const done = (over: object) => ({
      observation: {
        id: newId(),
        walk,
        area: areaOf('bed', 'linden'),
        kind: 'recheck',
        about: demoId('linden', 'item', 'door'),
        verdict: 'done',
        ...over,
      },
    });
    expect(refused(installation, 'observation.record', done({}))).toMatchObject({
      code: 'no-proof',
      field: 'observation.text',
    });
    must(installation, 'observation.record', done({ text: 'planed the head, hangs free' }));
    expect(
      completionView(readJob(installation, linden)).trades.flatMap((trade) => trade.lines.map((line) => line.text)),
    ).toEqual(['touch up the scuffed corner']);
  });

  it('takes the client’s own list and acceptance from their page, each once', () => {
    const installation = demoHouse();
    const link = {
      id: newId(),
      job: linden,
      sub: null,
      audience: 'client' as const,
      recipient: 'A. Marrow',
      expires_on: '2027-04-01',
      revoked_at: null,
      request: null,
      inspection: null,
    };
    const who = { kind: 'link', id: link.id, audience: 'client', job: linden, sub: null } as const;
    must(installation, 'share.make', {
      ...{ id: link.id, audience: 'client', job: linden, recipient: link.recipient, expiresOn: link.expires_on },
    });
    must(installation, 'client.ask', { id: newId(), text: 'the latch sticks', name: 'A. Marrow' }, who);
    must(installation, 'area.accept', { id: newId(), area: areaOf('galley', 'linden'), name: 'A. Marrow' }, who);
    expect(
      give(installation, 'area.accept', { id: newId(), area: areaOf('galley', 'linden'), name: 'A. Marrow' }, who),
    ).toMatchObject({ status: 'refused', problem: { code: 'accepted-already' } });
    expect(
      give(installation, 'area.accept', { id: newId(), area: areaOf('study'), name: 'A. Marrow' }, who),
    ).toMatchObject({
      status: 'refused',
      httpStatus: 403,
    });
    const shared = sharedView(installation, link);
    expect(
      shared.audience === 'client' && shared.completion?.areas.find((area) => area.name === 'Galley')?.accepted,
    ).toContain('A. Marrow');
    expect(shared.audience === 'client' && shared.completion?.items).toHaveLength(3);
  });
});

describe('the house keeps', () => {
  it('one run list over all sites, by supplier, ticked once', () => {
    const installation = demoHouse();
    const view = runView(readFirm(installation));
    expect(view.stops.map((stop) => [stop.supplier, stop.lines.map((line) => line.jobName)])).toEqual(
      expect.arrayContaining([['Brackwater Plumbing', expect.arrayContaining(['Signal House', 'Linden Gatehouse'])]]),
    );
    const [line] = view.stops[0]?.lines ?? [];
    must(installation, 'shortage.purchase', { about: line!.id });
    must(installation, 'shortage.purchase', { about: line!.id });
    expect(
      runView(readFirm(installation))
        .stops.flatMap((stop) => stop.lines)
        .filter((entry) => entry.bought)
        .map((entry) => entry.id),
    ).toEqual([line?.id]);
    expect(todayView(readFirm(installation)).run.open).toBe(view.stops.flatMap((stop) => stop.lines).length - 1);
  });

  it('how sites are left, and has the bin swapped before it is full', () => {
    const installation = demoHouse();
    expect(
      refused(installation, 'site.close-down', {
        id: newId(),
        job: signalHouse,
        items: [{ item: 'edges', state: 'not well' }],
      }),
    ).toMatchObject({ code: 'not-said', field: 'items[0].text' });
    expect(
      todayView(readFirm(installation)).calls.find(
        (call) => call.jobName === 'Signal House' && call.text.startsWith('Bin'),
      )?.text,
    ).toMatch(/^Bin: swap by /);
  });

  it('all that a walk needs for each job, so that it opens without a signal', () => {
    const packs = packNews(demoHouse(), {}).jobs;
    expect(packs.map((pack) => pack.rest?.job.name)).toEqual([
      'Signal House',
      'Tannery Row 9',
      'Linden Gatehouse',
      'Old Dairy',
    ]);
    expect(packs[0]?.areas[0]).toMatchObject({ place: 'outside', recorded: [] });
    expect(JSON.stringify(packs).length).toBeLessThan(600_000);
  });
});
