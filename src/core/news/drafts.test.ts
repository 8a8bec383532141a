import { describe, expect, it } from 'vitest';
import { PHASE_KEYS, phaseFacts } from '../sequence/phases';
import { clientDraft } from './client-draft';
import { crewDraft } from './crew-draft';
import { news, nothing, told } from '../../../tests/support/news-facts';
import { neighbourDraft } from './neighbour-draft';
import type { NextWork } from './news';

const item = {
  id: 'i',
  job: 'j',
  walk: 'w',
  area: 'k',
  at: '2027-03-09T10:00:00.000Z',
  person: 'p',
  kind: 'remaining',
  text: 'backing blocks',
  trade: 'carpentry',
  quantity: 3,
  unit: 'pieces',
} as const;
const check = {
  id: 's',
  job: 'j',
  walk: 'w',
  area: 'k',
  at: item.at,
  person: 'p',
  kind: 'selection-check',
  selection: 't',
  verdict: 'wrong',
  text: 'white',
} as const;

describe('the client’s update', () => {
  it('says of work that has not begun when it begins', () => {
    const first = (next: NextWork[]): string => told(clientDraft(news({ done: 0, next }))).split('\n')[0] ?? '';
    const work: NextWork = {
      ...{ day: '2027-03-15', until: '2027-03-15', afternoon: false, area: 'k', phase: null, halfDays: 2 },
      ...{
        task: 'k:board',
        work: { kind: 'step', area: 'Kitchen', phase: 'board' },
        trade: 'board',
        crew: 'Boards',
        crewKey: 'b',
      },
      after: [],
    };
    expect(first([])).toMatch(/^The work has not begun yet\./);
    expect(first([work])).toMatch(/^The work begins on Mon 15 Mar\./);
    expect(first([{ ...work, day: '2027-03-09' }])).toMatch(/^The work begins today\./);
  });

  it('says what the last day hangs on, and what a finding costs once a change says so', () => {
    const surprise = {
      ...{ id: 'q', job: 'j', walk: 'w', area: 'k', at: '2027-03-09T10:00:00.000Z', person: 'p' },
      ...{ kind: 'surprise' as const, text: 'rot in the sole plate' },
    };
    const letter = (over: object): string =>
      told(
        clientDraft(news({ finish: { after: '2027-05-14' }, diff: { ...nothing, surprises: [surprise] }, ...over })),
      );
    expect(letter({})).toContain('rot in the sole plate. We will tell you what it means for time and cost.');
    expect(letter({})).not.toContain('hangs on');
    expect(letter({ hangsOn: ['wall tiles, not ordered yet', 'the visit of the office, not booked yet'] })).toContain(
      'That day hangs on wall tiles, not ordered yet and the visit of the office, not booked yet.',
    );
    const change = { number: 3, total: '€1 240', before: '2027-05-12', after: '2027-05-14', state: 'sent' } as const;
    expect(letter({ changes: new Map([['q', change]]) })).toContain(
      'rot in the sole plate. Change 3 says what it means: €1 240, and the work ends on Fri 14 May; it waits for your answer.',
    );
  });

  it('explains hidden work where a week looked quiet, and only there', () => {
    const hidden = {
      ...nothing,
      progress: [{ area: 'k', phase: 'wiring-rough' as const, from: 0.3, to: 1 }],
      gain: 0.04,
      visibleGain: 0,
    };
    expect(told(clientDraft(news({ diff: hidden })))).toContain('100 % of what was done since then is inside walls');
    const seen = {
      ...nothing,
      progress: [{ area: 'k', phase: 'board' as const, from: 0, to: 1 }],
      gain: 0.04,
      visibleGain: 0.04,
    };
    expect(told(clientDraft(news({ diff: seen })))).not.toContain('If it looks quiet');
  });

  it('says what is wrong, what was chosen, and that it is being put right', () => {
    const body = told(clientDraft(news({ diff: { ...nothing, remaining: [item], selections: [check] } })));
    expect(body).toContain(
      'Kitchen, wall tiles: not what you chose (white). We are putting it right. You chose: Sage.',
    );
    expect(body).toContain('Kitchen: 3 pieces backing blocks, still to do before the next step there.');
  });

  it('tells what opening up has shown, and what it brings', () => {
    const settled = {
      id: 'a',
      area: 'k',
      text: 'the floor is dry',
      fallback: 'lay a membrane',
      found: 'wet under the screed',
    };
    expect(told(clientDraft(news({ settled: [{ ...settled, verdict: 'wrong' }] })))).toContain(
      'Kitchen: we assumed that the floor is dry. It is not so: wet under the screed. So we lay a membrane.',
    );
    expect(told(clientDraft(news({ settled: [{ ...settled, verdict: 'held' }] })))).toContain(
      'we assumed that the floor is dry, and it is so.',
    );
    expect(told(clientDraft(news()))).not.toContain('What opening up has shown');
  });

  it('owns up to a later day, with the reason, against the promise', () => {
    const body = told(
      clientDraft(
        news({
          finish: { before: '2027-05-12', after: '2027-05-14', promised: '2027-05-12' },
          causes: [{ kind: 'slip', selection: 'c', thing: 'Cabinets', days: 9, why: 'the press broke down' }],
          moved: [
            {
              area: 'k',
              work: { kind: 'step', area: 'Kitchen', phase: 'cabinets' },
              phase: 'cabinets',
              from: '2027-04-01',
              to: '2027-04-05',
              reason: { kind: 'not-before', wait: { kind: 'told', text: 'the cabinets arrive Mon 5 Apr' } },
            },
          ],
        }),
      ),
    );
    expect(body).toContain(
      'we finish on Fri 14 May, 2 days after the Wed 12 May we promised. That is 2 days later than we told you. ' +
        'Cabinets come 9 days later than said before: the press broke down.',
    );
  });

  it('says so when little has moved, and asks for decisions by their day', () => {
    const body = told(clientDraft(news({ decisions: [{ id: 'o', text: 'oak or cork', by: '2027-04-02' }] })));
    expect(body).toMatch(/^About two fifths of the work is done; little has moved since Tue 2 Mar\./);
    expect(body).toContain('Oak or cork, by Fri 2 Apr');
  });

  it('has plain words for every phase', () => {
    for (const phase of PHASE_KEYS)
      expect(phaseFacts(phase).plain).not.toMatch(/rough|close-in|substrate|snags|flashing|sheathing|pre-hang/);
  });
});

describe('the crew’s update', () => {
  it('begins with cautions and names trade and quantity', () => {
    const body = told(
      crewDraft(
        news({ diff: { ...nothing, remaining: [item] }, settled: [], cautions: [{ area: 'k', text: 'open edge' }] }),
      ),
    );
    expect(body.indexOf('open edge')).toBeGreaterThan(-1);
    expect(body.indexOf('open edge')).toBeLessThan(body.indexOf('backing blocks'));
    expect(body.toLowerCase()).toContain('carpentry');
  });
});

describe('what a neighbour reads', () => {
  const work = (day: string, until: string, phase: NextWork['phase']): NextWork => ({
    ...{
      day,
      until,
      phase,
      afternoon: false,
      area: 'k',
      task: `k:${phase ?? ''}`,
      trade: 'tear-out',
      crew: 'Wreckers',
      crewKey: 'w',
    },
    ...{ work: { kind: 'step', area: 'Kitchen', phase: phase ?? 'board' }, halfDays: 2, after: [] },
  });

  it('is where, until when, on which days it is loud, what stands outside and whom to call', () => {
    const letter = news({
      finish: { after: '2027-05-14' },
      loudHalf: 'morning',
      next: [
        work('2027-03-10', '2027-03-11', 'tear-out'),
        work('2027-03-12', '2027-03-12', 'break-out'),
        work('2027-03-16', '2027-03-16', 'tear-out'),
        work('2027-03-10', '2027-03-10', 'first-coats'),
      ],
      there: [{ what: 'Bin', text: 'in the lane, comes Wed 10 Mar' }],
    });
    const text = told(neighbourDraft(letter));
    expect(text).toContain('Harrow is working at 1 Quay. By the plan of today the work ends on Fri 14 May. Loud work');
    expect(text).toMatch(/When it is loud\n- Wed 10 Mar to Fri 12 Mar: .+ and .+\.\n- Tue 16 Mar: .+\./);
    expect(text).toContain('- Bin: in the lane, comes Wed 10 Mar.');
    expect(text).toContain('call Maren, 0555 0100, or write on your page.');
    expect(text).not.toMatch(/Kitchen|paint|Signal House/);
  });

  it('says nothing that nobody knows', () => {
    const text = told(neighbourDraft(news({ from: { firm: '', name: '', phone: '' } })));
    expect(text).toBe(
      'We are working at 1 Quay.\n\nIf something troubles you, or you need the way on one of these days, tell us, or write ' +
        'on your page.',
    );
  });
});
