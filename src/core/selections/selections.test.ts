import { alternativeOf } from './states';
import { describe, expect, it } from 'vitest';
import { afterCheck, checkWords } from './check';
import { codeShape, unlikeCode } from './code-shape';
import { sayArrival } from '../words/wait';
import { arrivalOf, type Coming, type Ordered } from './arrival';
import { dueOf, isDue } from './due';
import { leadWords } from './lead-words';
import { NEXT_STEPS, SELECTION_STATES, isBefore, isComing, isHere, isOrdered } from './states';
import { storageCheck } from './storage';

const TODAY = '2027-03-09';
const item = (over: Partial<Ordered> = {}): Ordered => ({
  category: 'Oak boards',
  state: 'chosen',
  leadHigh: 20,
  checkDays: 1,
  acclimatiseDays: 0,
  orderedOn: null,
  expectedOn: null,
  promisedOn: null,
  slip: '',
  cameOn: null,
  ...over,
});

const said = (coming: Coming | null): string => (coming ? sayArrival('Oak boards', coming.why, TODAY) : '');

describe('when a selection can be used', () => {
  it('is counted from today where it is not ordered, from the answer where the order waits for one', () => {
    const coming = arrivalOf(item(), [], [], TODAY);
    expect(coming).toEqual({
      there: '2027-03-29',
      usable: '2027-03-30',
      open: true,
      why: { kind: 'not-ordered', days: 20, there: '2027-03-29' },
    });
    expect(said(coming)).toBe(
      'the order for oak boards is not placed yet; delivery takes up to 20 days, so Mon 29 Mar at the earliest',
    );
    const waits = arrivalOf(
      item(),
      [],
      [
        { label: 'the association (glass)', expected: '2027-03-12' },
        { label: 'the designer (frame)', expected: '2027-03-27' },
      ],
      TODAY,
    );
    // Saturday's answer is read on Monday.
    expect(waits).toMatchObject({
      there: '2027-04-18',
    });
    expect(said(waits)).toContain('waits for the designer (frame), expected Sat 27 Mar');
  });

  it('knows the closed days of the supplier, and the days to lie in the room', () => {
    const coming = arrivalOf(
      item({ acclimatiseDays: 3 }),
      [{ firstDay: '2027-03-15', lastDay: '2027-03-21' }],
      [],
      TODAY,
    );
    expect(coming).toMatchObject({ there: '2027-04-05', usable: '2027-04-09' });
    expect(said(coming)).toContain('then 3 days in the room before use');
    expect(
      arrivalOf(item({ state: 'on site', cameOn: '2027-03-08', acclimatiseDays: 3 }), [], [], TODAY),
    ).toMatchObject({ usable: '2027-03-12', open: false });
    expect(arrivalOf(item({ state: 'on site', cameOn: '2027-03-01', acclimatiseDays: 3 }), [], [], TODAY)).toBeNull();
  });

  it('follows the promise once there is one, says by how much it slipped, and is tomorrow where the day has passed', () => {
    const promised = item({
      state: 'confirmed',
      orderedOn: '2027-02-01',
      expectedOn: '2027-03-20',
      promisedOn: '2027-03-11',
      slip: 'the press broke down',
    });
    const later = arrivalOf(promised, [], [], TODAY);
    expect(later).toMatchObject({ there: '2027-03-20', open: false });
    expect(said(later)).toBe(
      'the delivery of oak boards is expected Sat 20 Mar, 9 days later than promised: the press broke down',
    );
    expect(arrivalOf({ ...promised, expectedOn: '2027-03-05', promisedOn: '2027-03-05' }, [], [], TODAY)).toMatchObject(
      {
        there: '2027-03-10',
        open: true,
        why: { kind: 'overdue', due: '2027-03-05' },
      },
    );
    expect(arrivalOf(item({ state: 'ordered', orderedOn: '2027-03-01' }), [], [], TODAY)).toMatchObject({
      there: '2027-03-21',
      open: true,
    });
    expect(arrivalOf(item({ state: 'checked' }), [], [], TODAY)).toBeNull();
  });
});

describe('what is due', () => {
  const dates = { needBy: '2027-04-10', orderBy: '2027-03-20', orderLatest: '2027-03-28', decideBy: '2027-03-08' };
  it('is to decide, to order, to come or nothing, late and near by its own day', () => {
    expect(dueOf({ state: 'open', expectedOn: null }, dates, TODAY)).toEqual({
      what: 'decide',
      day: '2027-03-08',
      late: true,
      near: true,
    });
    expect(dueOf({ state: 'approved', expectedOn: null }, dates, TODAY)).toEqual({
      what: 'order',
      day: '2027-03-20',
      late: false,
      near: true,
    });
    expect(dueOf({ state: 'approved', expectedOn: null }, { ...dates, orderBy: '2027-03-24' }, TODAY).near).toBe(false);
    expect(dueOf({ state: 'in making', expectedOn: '2027-04-12' }, dates, TODAY)).toMatchObject({
      what: 'arrive',
      late: true,
      near: false,
    });
    expect(dueOf({ state: 'shipped', expectedOn: null }, dates, TODAY)).toMatchObject({
      day: '2027-04-10',
      late: false,
    });
    expect(dueOf({ state: 'on site', expectedOn: null }, dates, TODAY)).toMatchObject({ what: 'settled', day: null });
    expect(isDue(dueOf({ state: 'open', expectedOn: null }, null, TODAY))).toBe(false);
  });
});

describe('states', () => {
  it('lead on only forwards, and are before, coming or here', () => {
    for (const [state, next] of Object.entries(NEXT_STEPS))
      for (const step of next)
        expect(isBefore(state as keyof typeof NEXT_STEPS, step), `${state} to ${step}`).toBe(true);
    expect(SELECTION_STATES.filter(isComing)).toEqual(['ordered', 'confirmed', 'in making', 'shipped']);
    expect(SELECTION_STATES.filter((state) => isOrdered(state) && !isComing(state))).toEqual(
      SELECTION_STATES.filter(isHere),
    );
  });
});

describe('codes', () => {
  it('are asked about where they are built otherwise than three or more that are alike', () => {
    expect(codeShape(' T-SAGE-412 ')).toBe('A-A-9');
    const known = ['H-128', 'H-192', 'K-40'];
    expect(unlikeCode('H128', known)).toBe('H-128');
    expect(unlikeCode('B-7', known)).toBeUndefined();
    expect(unlikeCode('', known)).toBeUndefined();
    expect(unlikeCode('H128', known.slice(0, 2))).toBeUndefined();
    expect(unlikeCode('H128', ['H-128', 'H-128', 'H-128'])).toBeUndefined();
    expect(unlikeCode('H128', [...known, 'KN40'])).toBeUndefined();
  });
});

describe('a check on site', () => {
  it('says what is ordered again and what goes back', () => {
    expect(afterCheck({ verdict: 'right', text: '' }, 8)).toEqual({ state: 'checked', again: null, goesBack: false });
    expect(afterCheck({ verdict: 'wrong', text: 'oak', quantity: 2 }, 8)).toEqual({
      state: 'checked',
      again: 2,
      goesBack: true,
    });
    expect(afterCheck({ verdict: 'damaged', text: 'edge' }, 8)).toMatchObject({ again: 8, goesBack: true });
    expect(afterCheck({ verdict: 'missing', text: '', quantity: 20 }, 8)).toEqual({
      state: 'checked',
      again: 8,
      goesBack: false,
    });
    expect(afterCheck({ verdict: 'wrong', text: '' }, null).again).toBe(1);
  });

  it('keeps what it was ordered as beside what it came as', () => {
    expect(checkWords({ verdict: 'wrong', text: 'birch, lacquered', quantity: 2 }, 'Birch, oiled', 'doors')).toBe(
      '2 doors ordered as Birch, oiled, but came as birch, lacquered',
    );
    expect(checkWords({ verdict: 'wrong', text: '' }, 'Birch', '')).toBe('wrong');
    expect(checkWords({ verdict: 'missing', text: 'hinges', quantity: 4 }, 'Birch', 'pieces')).toBe(
      '4 pieces missing: hinges',
    );
    expect(checkWords({ verdict: 'right', text: '' }, 'Birch', '')).toBe('right');
  });
});

describe('a room that is to hold a delivery', () => {
  const work = [
    { label: 'Guest · board', firstDay: '2027-03-15', lastDay: '2027-03-17' },
    { label: 'Guest · paint', firstDay: '2027-03-29', lastDay: '2027-03-30' },
  ];
  const terms = { day: '2027-03-16', useDay: '2027-03-26', work, floor: 12, takes: 2, taken: 0 };
  it('holds it when nobody works there until it is used', () => {
    expect(storageCheck(terms)).toEqual({ inTheWay: [work[0]], freeFrom: '2027-03-18', left: 6, fits: false });
    expect(storageCheck({ ...terms, day: '2027-03-18' })).toMatchObject({
      inTheWay: [],
      freeFrom: '2027-03-18',
      fits: true,
    });
    expect(storageCheck({ ...terms, day: '2027-03-18', useDay: null })).toMatchObject({
      inTheWay: [work[1]],
      freeFrom: '2027-03-31',
    });
    expect(storageCheck({ ...terms, useDay: '2027-03-17' })).toMatchObject({ freeFrom: null, fits: false });
  });

  it('keeps half its floor clear, what stands there counted', () => {
    expect(storageCheck({ ...terms, day: '2027-03-18', takes: 4, taken: 3 })).toMatchObject({ left: 3, fits: false });
    expect(storageCheck({ ...terms, day: '2027-03-18', floor: null, takes: 40 })).toMatchObject({
      left: null,
      fits: true,
    });
  });
});

describe('lead times', () => {
  it('are said as a range only where they are one', () =>
    expect([leadWords(10, 14), leadWords(14, 14), leadWords(1, 1)]).toEqual(['10 to 14 days', '14 days', 'a day']));
});

describe('alternatives to what is chosen (D17)', () => {
  it('begin with all that is known of it', () => {
    const item = { choice: 'Sage', code: 'T-1', colour: 'green', finish: 'matt', supplier: 'Quay Tiles', note: 'n' };
    const first = alternativeOf({ ...item, unitPrice: 4200, leadLow: 196, leadHigh: 224 });
    expect(first).toMatchObject({ code: 'T-1', supplier: 'Quay Tiles', unitPrice: 4200, leadLow: 196, leadHigh: 224 });
    expect(first).not.toHaveProperty('note');
  });
});
