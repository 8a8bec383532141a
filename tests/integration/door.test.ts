import { describe, expect, it } from 'vitest';
import { ROLES, type Permission } from '@/contract/command';
import { COMMANDS } from '@/contract/commands';
import { queryAll, queryOne } from '@/server/database/query';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import {
  areaOf,
  command,
  demoHouse,
  emptyHouse,
  give,
  MAREN,
  must,
  newId,
  raw,
  signalHouse,
} from '../support/installations';

/** Everything a command could leave behind. */
const traces = (installation: Installation) =>
  [
    'command_log',
    'job',
    'area',
    'step',
    'hold',
    'scope_item',
    'selection',
    'walk',
    'observation',
    'job_update',
    'share_link',
    'message',
    'plan_mark',
    'sub',
    'person',
    'own_link',
    'day_away',
  ]
    .map((table) => queryOne<{ count: number }>(installation.db, `SELECT count(*) AS count FROM ${table}`)?.count)
    .join();

const walk = demoId('signal', 'walk', '2');
const observation = (over: object) => ({
  observation: { id: newId(), walk, area: areaOf('kitchen'), kind: 'note', text: 'seen', ...over },
});
const job = (over: object) => ({ id: newId(), name: 'A job', units: 'metric', startDay: '2027-03-10', ...over });

/** What arrives, and what its refusal says beside which field. */
const BAD: [string, unknown, number, RegExp, string?][] = [
  ['nothing', null, 400, /./],
  ['a list', [], 400, /./],
  ['no id', { type: 'walk.start', at: '2027-03-09T09:00:00.000Z', payload: {} }, 400, /id is missing/, 'id'],
  ['an id that is none', raw('walk.start', {}, { id: '1; DROP TABLE job' }), 400, /not an id of ours/, 'id'],
  ['an unknown command', raw('house.burn', {}), 400, /no command “house.burn”/, 'type'],
  ['a time that is none', raw('walk.start', {}, { at: 'yesterday' }), 400, /instant in UTC/, 'at'],
  [
    'a field nobody knows',
    raw('walk.start', { id: newId(), job: signalHouse, kind: 'progress', speed: 3 }),
    400,
    /speed/,
  ],
  [
    'a kind of walk that is none',
    raw('walk.start', { id: newId(), job: signalHouse, kind: 'stroll' }),
    400,
    /must be one of/,
    'kind',
  ],
  [
    'a day that does not exist',
    raw('job.open', job({ startDay: '2027-02-30' })),
    400,
    /day that exists, like 2027-03-09/,
    'startDay',
  ],
  [
    'a promise before the start',
    raw('job.open', job({ promiseDay: '2027-03-01' })),
    400,
    /must not be before the first day/,
    'promiseDay',
  ],
  [
    'an address without @',
    raw('job.open', job({ clientEmail: 'averill' })),
    400,
    /like name@example.net/,
    'clientEmail',
  ],
  ['a foreign job', command('walk.start', { id: newId(), job: newId(), kind: 'progress' }), 404, /no such job/, 'job'],
  [
    'a foreign area',
    command('observation.record', observation({ area: demoId('tannery', 'area', 'kitchen') })),
    404,
    /no such area in this job/,
    'observation.area',
  ],
  [
    'a selection of another job',
    command(
      'observation.record',
      observation({
        kind: 'selection-check',
        text: undefined,
        selection: demoId('tannery', 'selection', 'kitchen', 'Kitchen cabinets'),
        verdict: 'right',
      }),
    ),
    404,
    /no such selection/,
  ],
  [
    'a kind of observation that is none',
    command('observation.record', observation({ kind: 'feeling' })),
    400,
    /an observation is one of/,
  ],
  [
    'more than all of it',
    command('observation.record', observation({ kind: 'progress', text: undefined, phase: 'framing', fraction: 1.2 })),
    400,
    /at most 1/,
    'observation.fraction',
  ],
  [
    'a phase that is not done there',
    command('observation.record', observation({ kind: 'progress', text: undefined, phase: 'cladding', fraction: 0.5 })),
    422,
    /choose a step of its work/,
    'observation.phase',
  ],
  [
    'a length over a kilometre',
    command('observation.record', observation({ kind: 'measurement', typed: '2 km', mm: 2e6 })),
    400,
    /kilometre cannot be meant/,
    'observation.mm',
  ],
  [
    'a length of nothing',
    command('observation.record', observation({ kind: 'measurement', typed: '0', mm: 0 })),
    400,
    /over 0/,
    'observation.mm',
  ],
  [
    'an empty line',
    command('observation.record', observation({ text: '   ' })),
    400,
    /text is missing/,
    'observation.text',
  ],
  [
    'a picture that was never sent',
    command('observation.record', observation({ kind: 'picture', text: undefined, picture: 'a'.repeat(64) })),
    404,
    /no such picture/,
  ],
  [
    'work nobody does there',
    command('areas.add', {
      job: signalHouse,
      levels: [],
      areas: [
        { id: newId(), name: 'Cellar', kind: 'room', works: ['reroof'], level: demoId('signal', 'level', 'ground') },
      ],
    }),
    422,
    /not done in an area of this kind/,
    'areas[0].works',
  ],
  [
    'away backwards',
    command('sub.away', { sub: demoId('sub', 'wiring'), firstDay: '2027-03-12', lastDay: '2027-03-11' }),
    400,
    /must not be before the first/,
    'lastDay',
  ],
  [
    'a loop in the sequence',
    command('link.add', {
      id: newId(),
      job: signalHouse,
      before: { area: areaOf('study'), phase: 'board' },
      after: { area: areaOf('study'), phase: 'framing' },
      reason: 'so he said',
    }),
    422,
    /ring|wait for each other/,
  ],
  [
    'a link that expired before it began',
    command('share.make', {
      id: newId(),
      audience: 'client',
      job: signalHouse,
      recipient: 'A',
      expiresOn: '2027-03-08',
    }),
    422,
    /in the past/,
    'expiresOn',
  ],
];

describe('the door', () => {
  it.each(BAD)('refuses %s, says what would be right, and changes nothing', (_, input, status, words, field) => {
    const installation = demoHouse();
    const before = traces(installation);
    // As it comes over the wire: what is undefined is not there.
    const answer = dispatch(installation, MAREN, JSON.parse(JSON.stringify(input)) as unknown);
    expect(answer).toMatchObject({ status: 'refused', httpStatus: status });
    if (answer.status !== 'refused') return;
    expect(answer.problem.title).toMatch(words);
    if (field) expect(answer.problem.field).toBe(field);
    expect(traces(installation)).toBe(before);
  });

  it('applies a command once, however often it comes, and answers the same', () => {
    const installation = demoHouse();
    const once = command('observation.record', observation({ kind: 'remaining', text: 'sweep', trade: 'cleaning' }));
    const first = dispatch(installation, MAREN, once);
    const again = dispatch(installation, MAREN, once);
    expect([first.status, again.status]).toEqual(['applied', 'repeated']);
    expect({ ...again, status: 'applied' }).toEqual(first);
    expect(queryAll(installation.db, 'SELECT 1 FROM observation WHERE text = @text', { text: 'sweep' })).toHaveLength(
      1,
    );
  });

  it('does not hand an answer to somebody else who knows its id', () => {
    const installation = demoHouse();
    const once = command('walk.start', { id: newId(), job: signalHouse, kind: 'progress' });
    dispatch(installation, MAREN, once);
    expect(dispatch(installation, { ...MAREN, id: demoId('person', 'tove') } as Actor, once)).toMatchObject({
      status: 'refused',
      problem: { code: 'id-taken' },
    });
  });

  it('refuses a change of what was changed meanwhile and shows both', () => {
    const installation = demoHouse();
    const hold = { id: demoId('signal', 'hold', '0'), version: 1, expectedOn: '2027-03-20' };
    must(installation, 'hold.expect', hold);
    expect(give(installation, 'hold.expect', { ...hold, expectedOn: '2027-03-25' })).toMatchObject({
      status: 'refused',
      httpStatus: 409,
      problem: { code: 'changed-meanwhile', current: { expectedOn: '2027-03-20', version: 2 } },
    });
  });

  it('lets everybody do only what is theirs', () => {
    const installation = demoHouse();
    const lead: Actor = { kind: 'person', id: demoId('person', 'tobin'), name: 'Lead', role: 'lead' };
    const link: Actor = { kind: 'link', id: newId(), audience: 'client', job: signalHouse, sub: null };
    expect(
      give(
        installation,
        'sub.away',
        { sub: demoId('sub', 'wiring'), firstDay: '2027-04-01', lastDay: '2027-04-02' },
        lead,
      ),
    ).toMatchObject({ status: 'refused', httpStatus: 403 });
    expect(give(installation, 'walk.start', { id: newId(), job: signalHouse, kind: 'progress' }, lead)).toMatchObject({
      status: 'applied',
    });
    expect(give(installation, 'walk.start', { id: newId(), job: signalHouse, kind: 'progress' }, link)).toMatchObject({
      status: 'refused',
      httpStatus: 403,
    });
    expect(
      give(installation, 'walk.start', { id: newId(), job: signalHouse, kind: 'progress' }, { kind: 'founder' }),
    ).toMatchObject({ status: 'refused', httpStatus: 401 });
  });

  it('opens no command to anybody it is not for, whatever he sends, and leaves no trace of it', () => {
    const installation = demoHouse();
    const untouched = traces(installation);
    const actors: [Permission, Actor][] = [
      ...ROLES.map((role): [Permission, Actor] => [
        role,
        { kind: 'person', id: demoId('person', 'maren'), name: 'Somebody', role },
      ]),
      ['link', { kind: 'link', id: newId(), audience: 'client', job: signalHouse, sub: null }],
      ['founder', { kind: 'founder' }],
    ];
    const closed = Object.values(COMMANDS).flatMap((kind) =>
      actors.filter(([may]) => !kind.may.includes(may)).map(([, who]) => ({ kind, who })),
    );
    expect(closed.length).toBeGreaterThan(Object.keys(COMMANDS).length);
    for (const { kind, who } of closed)
      expect([kind.type, dispatch(installation, who, raw(kind.type, {}))], `${kind.type} by ${who.kind}`).toMatchObject(
        [kind.type, { status: 'refused', httpStatus: who.kind === 'founder' ? 401 : 403 }],
      );
    expect(traces(installation)).toBe(untouched);
  });

  it('founds a firm once and keeps its password out of the log', () => {
    const installation = emptyHouse();
    const firm = {
      name: 'Firm',
      personId: newId(),
      ownerName: 'Owner',
      email: 'owner@firm.example',
      password: 'long enough for it',
    };
    must(installation, 'firm.found', firm, { kind: 'founder' });
    expect(give(installation, 'firm.found', { ...firm, personId: newId() }, { kind: 'founder' })).toMatchObject({
      status: 'refused',
      httpStatus: 409,
    });
    expect(JSON.stringify(queryAll(installation.db, 'SELECT * FROM command_log'))).not.toContain('long enough');
    expect(JSON.stringify(queryAll(installation.db, 'SELECT password_hash FROM person'))).toContain('$argon2id$');
  });
});
