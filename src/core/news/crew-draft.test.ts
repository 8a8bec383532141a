import { pattern } from '../pattern';
import { describe, expect, it } from 'vitest';
import { clientDraft } from './client-draft';
import { crewDraft } from './crew-draft';
import { news, nothing, told } from '../../../tests/support/news-facts';
import type { NextWork } from './news';

const seen = { id: 'i', job: 'j', walk: 'w', area: 'k', at: '2027-03-09T10:00:00.000Z', person: 'p' };
const work = (over: Partial<NextWork> = {}): NextWork => ({
  day: '2027-03-10',
  afternoon: false,
  area: 'k',
  task: 'k:wiring-rough',
  work: { kind: 'step', area: 'Kitchen', phase: 'wiring-rough' },
  phase: 'wiring-rough',
  trade: 'wiring',
  crew: 'Gull Wiring',
  crewKey: 'gull',
  halfDays: 2,
  until: '2027-03-10',
  after: [],
  ...over,
});

const NOTHING = 'Nothing is planned here for the next two weeks.';

describe('what the crews read', () => {
  it('says so where nothing is planned', () => {
    expect(crewDraft(news()).title).toBe('Signal House, Tue 9 Mar: what comes next');
    expect(told(crewDraft(news()))).toBe(NOTHING);
  });

  it('says what is left alone tonight, names each licence once, and where one is missing beside its work', () => {
    const held = { kind: 'held', holder: 'Petra', number: '', expiresOn: '2027-03-12' } as const;
    const text = told(
      crewDraft(
        news({
          leftAlone: [{ key: 'fresh', text: 'Bath · tape: still wet' }],
          next: [
            work({ licence: held }),
            work({ licence: held, task: 'b' }),
            work({ day: '2027-03-11', task: 'c', licence: { kind: 'none' } }),
          ],
        }),
      ),
    );
    expect(text).toContain('Not to be touched tonight\n- Bath · tape: still wet');
    expect(text.match(/licence of Petra/g)).toHaveLength(1);
    expect(text).toMatch(
      /Thu 11 Mar\n- Gull Wiring · Kitchen · wires; needs a licence, and none of theirs is on record/,
    );
  });

  it('names moved work with both days and the reason', () => {
    const moved = [
      {
        area: 'k',
        work: { kind: 'step' as const, area: 'Kitchen', phase: 'board' as const },
        phase: 'board' as const,
        from: '2027-03-10',
        to: '2027-03-12',
        reason: { kind: 'told' as const, text: 'Wires first.' },
      },
    ];
    expect(told(crewDraft(news({ moved })))).toBe(
      `Moved\n- Kitchen · board: now Fri 12 Mar, was Wed 10 Mar. Wires first.\n\n${NOTHING}`,
    );
  });

  it('tells nobody to fit what is wrong, and says nothing of what is right', () => {
    const wrong = { ...seen, kind: 'selection-check', selection: 't', verdict: 'wrong', text: 'white' } as const;
    expect(told(crewDraft(news({ diff: { ...nothing, selections: [wrong] } })))).toContain(
      '- Kitchen: Wall tiles wrong (white). Do not fit it.',
    );
    expect(told(crewDraft(news({ diff: { ...nothing, selections: [{ ...wrong, verdict: 'right' }] } })))).toBe(NOTHING);
  });

  it('tells what the household wants and what was changed on the spot', () => {
    const diff = {
      ...nothing,
      household: [{ ...seen, kind: 'household', text: 'exams: nothing loud before eleven' } as const],
      decisions: [{ ...seen, kind: 'decision', text: 'double doors', by: 'client' } as const],
    };
    expect(told(crewDraft(news({ diff })))).toBe(
      'Mind the household\n- Kitchen: exams: nothing loud before eleven\n\nChanged on the spot\n- Kitchen: ' +
        `double doors\n\n${NOTHING}`,
    );
    expect(
      told(
        clientDraft(
          news({
            diff: {
              ...diff,
              surprises: [{ ...seen, kind: 'surprise', text: 'a second flue' } as const],
              decisions: [
                {
                  ...seen,
                  kind: 'decision',
                  text: 'a shelf more',
                  by: 'client',
                  name: 'Mrs Averill',
                  free: true,
                } as const,
              ],
            },
          }),
        ),
      ),
    ).toMatch(
      pattern(
        '',
        String.raw`What opening up has shown\n- Kitchen: a second flue\. We will tell you[\s\S]*`,
        String.raw`Settled on the spot\n- Kitchen: a shelf more, as Mrs Averill wished, at no charge\.`,
      ),
    );
  });

  it('goes day by day through who comes where, from when, and what must be ready', () => {
    const next = [
      work(),
      work({
        crew: 'Boards',
        work: { kind: 'step', area: 'Study', phase: 'board' },
        afternoon: true,
        after: [
          { kind: 'step', area: 'Study', phase: 'wiring-rough' },
          { kind: 'step', area: 'Study', phase: 'close-in' },
        ],
      }),
      work({ day: '2027-03-11', work: { kind: 'step', area: 'Kitchen', phase: 'duct-rough' } }),
    ];
    expect(told(crewDraft(news({ next })))).toBe(
      [
        'Wed 10 Mar\n- Gull Wiring · Kitchen · wires\n- Boards · Study · board, from noon (needs first: Study · ' +
          'wires, Study · check before cover)',
        'Thu 11 Mar\n- Gull Wiring · Kitchen · ducts',
      ].join('\n\n'),
    );
  });

  it('writes quantities as the walk did, with and without a unit', () => {
    const remaining = [
      { ...seen, kind: 'remaining', text: 'backing', trade: 'carpentry', quantity: 3, unit: 'pieces' } as const,
      { ...seen, id: 'x', kind: 'remaining', text: 'boxes', trade: 'wiring', quantity: 2 } as const,
    ];
    const body = told(crewDraft(news({ diff: { ...nothing, remaining } })));
    expect(body).toContain('- Carpentry · Kitchen: 3 pieces backing');
    expect(body).toContain('- Wiring · Kitchen: 2 boxes');
  });
});
