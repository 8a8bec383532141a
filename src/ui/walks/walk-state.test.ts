import { describe, expect, it } from 'vitest';
import type { WalkArea } from '@/contract/views/walk';
import type { RecordedObservation } from '@/contract/commands/walks';
import { withRecords } from './walk-state';

const area: WalkArea = {
  id: 'a',
  name: 'Kitchen',
  place: 'Ground',
  called: [],
  checks: [{ key: 'left:o', text: 'done: boxes', because: 'left open', state: 'not looked at', said: '' }],
  closed: false,
  standpoints: [{ id: 'spot', name: 'from the door', last: null }],
  drawn: [],
  walls: [],
  scope: [],
  accepted: null,
  assumptions: [],
  extras: [],
  recorded: [{ id: 'old', kind: 'note', text: 'seen before' }],
  steps: [{ phase: 'framing', label: 'framing', fraction: 0.2, trade: 'carpentry' }],
  open: [
    {
      id: 'o',
      kind: 'remaining',
      text: 'boxes',
      trade: 'wiring',
      putOff: 0,
      notSeen: 0,
      days: 2,
      worse: false,
      verdict: null,
      since: 'Mon',
    },
  ],
  selections: [
    {
      id: 's',
      category: 'Tiles',
      choice: 'Sage',
      code: '',
      colour: '',
      finish: '',
      quantity: null,
      unit: '',
      state: 'on site',
      verdict: null,
    },
  ],
};
const seen = (over: object): RecordedObservation => ({ id: 'x', walk: 'w', area: 'a', ...over }) as RecordedObservation;
const now = (...records: RecordedObservation[]): WalkArea => withRecords([area], records, new Map())[0] ?? area;

describe('a walk on this device', () => {
  it('shows what was recorded before any answer comes', () => {
    expect(now(seen({ kind: 'progress', phase: 'framing', fraction: 0.7 })).steps[0]?.fraction).toBe(0.7);
    expect(now(seen({ kind: 'recheck', about: 'o', verdict: 'worse' })).open[0]?.verdict).toBe('worse');
    expect(now(seen({ kind: 'selection-check', selection: 's', verdict: 'missing' })).selections[0]?.verdict).toBe(
      'missing',
    );
    expect(
      now(seen({ kind: 'remaining', text: 'blocks', quantity: 3, trade: 'carpentry' })).recorded.at(-1)?.text,
    ).toBe('3 blocks · carpentry');
  });

  it('settles a line of the check with the leftover it stands for, and shows a spot pictured again', () => {
    expect(now(seen({ kind: 'recheck', about: 'o', verdict: 'done' })).checks[0]?.state).toBe('right');
    expect(now(seen({ kind: 'check', line: 'left:o', verdict: 'open', text: 'too high' })).checks[0]).toMatchObject({
      state: 'open',
      said: 'too high',
    });
    expect(
      withRecords([area], [seen({ kind: 'picture', picture: '', standpoint: 'spot' })], new Map([['x', 'blob:1']]))[0]
        ?.standpoints[0]?.last?.hash,
    ).toBe('blob:1');
    expect(
      now(
        seen({ id: 'old', kind: 'note', text: 'n' }),
        seen({ id: 'm', kind: 'marks', about: 'old', marks: [{ form: 'text', from: [0.5, 0.5], text: 'here' }] }),
      ).recorded[0]?.marks,
    ).toHaveLength(1);
  });

  it('takes back, whether made here or fetched with the walk', () => {
    const progress = seen({ id: 'p', kind: 'progress', phase: 'framing', fraction: 0.9 });
    expect(now(progress, seen({ id: 't', kind: 'withdrawal', about: 'p' })).steps[0]?.fraction).toBe(0.2);
    expect(now(seen({ kind: 'withdrawal', about: 'old' })).recorded).toEqual([]);
  });

  it('does not show a record twice once the server knows it, and leaves other areas alone', () => {
    expect(now(seen({ id: 'old', kind: 'note', text: 'seen before' })).recorded).toHaveLength(1);
    expect(now(seen({ area: 'b', kind: 'note', text: 'elsewhere' }))).toEqual(area);
  });
});
