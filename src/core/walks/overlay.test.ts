import { describe, expect, it } from 'vitest';
import type { RecordedObservation } from './observation';
import { laidOver, overlay, type Pending, type WalkChange } from './overlay';
import { nothingSaid } from './overlay-visit';
import type { WalkArea, WalkScreen } from './walk-screen';

const area: WalkArea = {
  id: 'a',
  name: 'Kitchen',
  kind: 'room',
  forOffice: [],
  gaps: {},
  place: 'Ground',
  called: [],
  checks: [{ key: 'left:o', text: 'boxes', because: 'left open', state: 'not looked at', said: '' }],
  closed: false,
  standpoints: [{ id: 'spot', name: 'from the door', last: null }],
  drawn: [],
  walls: [],
  brief: {
    parts: { live: [], out: [], leave: [], protect: [], refit: [], work: [], found: [] },
    choices: [{ id: 'c', subject: 'the stop valve', options: ['left', 'right'], answer: '', by: '' }],
  },
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
const screen: WalkScreen = {
  job: { id: 'job' },
  levels: [],
  whole: nothingSaid(),
  areas: [area],
  narrations: [{ id: 'n', name: 'Round', text: 't', recording: null, dropped: [], accepted: [] }],
  left: null,
};
const recording = (observation: RecordedObservation, picture?: string): Pending => ({
  type: 'observation.record',
  payload: { observation },
  ...(picture ? { picture } : {}),
});
const now = (...records: RecordedObservation[]): WalkArea =>
  laidOver(
    screen,
    records.map((record) => recording(record)),
  ).areas[0] ?? area;

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
      laidOver(screen, [recording(seen({ kind: 'picture', picture: '', standpoint: 'spot' }), 'blob:1')]).areas[0]
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

const after = (...changes: WalkChange[]): WalkScreen => laidOver(screen, changes);
const believed: WalkScreen = {
  ...screen,
  areas: [
    {
      ...area,
      assumptions: [{ id: 'b', text: 'sound joists', fallback: 'new ones', shownBy: 'strip-out', state: 'open' }],
      extras: [{ id: 'e', text: 'new joists', trade: 'carpentry', done: false }],
    },
  ],
};

describe('all that waits on this device', () => {
  it('is in the walk: what was settled, finished, stood at, told, dropped and how the site was left', () => {
    const one = laidOver(believed, [
      { type: 'assumption.settle', payload: { id: 'b', verdict: 'wrong' } },
      { type: 'extra.finish', payload: { id: 'e' } },
      { type: 'standpoint.add', payload: { id: 'p', area: 'a', name: 'the window' } },
    ]).areas[0];
    expect(one?.assumptions[0]?.state).toBe('wrong');
    expect(one?.extras[0]?.done).toBe(true);
    expect(one?.standpoints.map((spot) => spot.name)).toEqual(['from the door', 'the window']);
    const told = after(
      { type: 'narration.keep', payload: { id: 'm', walk: 'w', name: 'Later', text: 'more' } },
      { type: 'draft.drop', payload: { narration: 'n', draft: 'note@1.0' } },
      { type: 'site.close-down', payload: { bin: 40 } },
    );
    expect(told.narrations.map((narration) => [narration.name, narration.dropped])).toEqual([
      ['Round', ['note@1.0']],
      ['Later', []],
    ]);
    expect(told.left?.bin).toBe(40);
  });

  it('can be taken back before it was sent', () => {
    const back = laidOver(believed, [
      { type: 'assumption.settle', payload: { id: 'b', verdict: 'held' } },
      { type: 'assumption.reopen', payload: { id: 'b' } },
      { type: 'extra.finish', payload: { id: 'e' } },
      { type: 'extra.reopen', payload: { id: 'e' } },
      { type: 'draft.drop', payload: { narration: 'n', draft: 'd' } },
      { type: 'draft.restore', payload: { narration: 'n', draft: 'd' } },
    ]);
    expect(back).toEqual(believed);
  });

  it('accepts the draft that a record was read from, as long as the record stands', () => {
    const said = { narration: 'n', draft: 'note@1.0', words: 'w', start: 1, end: 2 };
    const kept = recording(seen({ kind: 'note', text: 'loose', said }));
    expect(laidOver(screen, [kept]).narrations[0]?.accepted).toEqual(['note@1.0']);
    const withdrawn = recording(seen({ id: 'y', kind: 'withdrawal', about: 'x' }));
    expect(laidOver(screen, [kept, withdrawn]).narrations[0]?.accepted).toEqual([]);
  });

  it('may be laid over twice: as what waits, and again as part of what was fetched', () => {
    const changes: WalkChange[] = [
      recording(seen({ kind: 'note', text: 'loose board' })),
      recording(seen({ id: 'z', kind: 'progress', phase: 'framing', fraction: 0.4 })),
      { type: 'standpoint.add', payload: { id: 'p', area: 'a', name: 'the window' } },
      { type: 'narration.keep', payload: { id: 'm', walk: 'w', name: 'Later', text: 'more' } },
      { type: 'draft.drop', payload: { narration: 'n', draft: 'd' } },
    ];
    for (const change of changes) expect(overlay(overlay(screen, change), change)).toEqual(overlay(screen, change));
    expect(laidOver(after(...changes), changes)).toEqual(after(...changes));
  });
});
