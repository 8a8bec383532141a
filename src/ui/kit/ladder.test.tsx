import { renderToStaticMarkup } from 'react-dom/server';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { AreaView, Rung } from '@/contract/views/job';
import { Caption, Ladder, thickness } from './ladder';
import { STATE_ICONS, StateIcon, type StateIconKind } from './state-icon';

const rung = (fraction: number, hold?: Rung['hold']): Rung => ({
  phase: 'board',
  label: 'board',
  fraction,
  ...(hold ? { hold } : {}),
});
const area = (rungs: Rung[], over: Partial<AreaView> = {}): AreaView => ({
  id: 'a',
  name: 'Kitchen',
  kind: 'room',
  livedIn: false,
  standing: 'under way',
  held: null,
  caption: 'board, today',
  front: { label: 'tape', day: '8 Mar' },
  rungs: rungs.map((entry, index) => ({ ...entry, phase: `p${index}` as Rung['phase'] })),
  ...over,
});
const drawn = (entry: AreaView): string => renderToStaticMarkup(<Ladder area={entry} />);
const count = (html: string, words: string): number => html.split(words).length - 1;
const engineer = { label: 'engineer', kind: 'engineer' } as const;
const inspection = { label: 'inspection', kind: 'phase' } as const;

describe('a ladder', () => {
  it('is mist where nothing was done, clear where all is, and parted between', () => {
    expect(count(drawn(area([rung(0), rung(0)])), 'misted mist-4')).toBe(2);
    expect(drawn(area([rung(1), rung(1)]))).not.toMatch(/misted|class="front"/);
    expect(drawn(area([rung(0.5)]))).toMatch(/class="clear" style="flex-grow:0.5.*misted mist-2" style="flex-grow:0.5/);
  });

  it('has its level line where done ends, with its words where there is room for them', () => {
    expect(drawn(area([rung(1), rung(1), rung(0), rung(0)]))).toContain('style="bottom:50%"><span>tape, 8 Mar</span>');
    expect(drawn(area([rung(1), ...Array.from({ length: 19 }, () => rung(0))]))).toMatch(/style="bottom:5%"><\/span>/);
    expect(drawn(area([rung(0), rung(0)]))).not.toContain('class="front"');
  });

  it('names the nearest hold, draws those far up thin, and none that is passed', () => {
    const html = drawn(
      area(
        [
          rung(1, engineer),
          rung(0),
          rung(0, engineer),
          ...Array.from({ length: 8 }, () => rung(0)),
          rung(0, inspection),
        ],
        { standing: 'stuck' },
      ),
    );
    expect(count(html, 'class="words">engineer')).toBe(1);
    expect(html).toContain('hold stuck');
    expect(count(html, 'hold far')).toBe(1);
  });

  it('does not draw a thin bar under the named one', () => {
    expect(
      count(
        drawn(area([rung(0, engineer), rung(0, inspection), ...Array.from({ length: 10 }, () => rung(0))])),
        'class="hold',
      ),
    ).toBe(1);
  });

  it('of an area without work is an empty frame', () => {
    expect(drawn(area([]))).toContain('untouched');
  });

  it('shows as much clear as is done, whatever was seen', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 1, maxLength: 30 }), (tenths) => {
        const html = drawn(area(tenths.map((tenth) => rung(tenth / 10))));
        const clear = [...html.matchAll(/class="clear" style="flex-grow:([\d.]+)/g)].reduce(
          (sum, match) => sum + Number(match[1]),
          0,
        );
        expect(clear).toBeCloseTo(
          tenths.reduce((sum, tenth) => sum + tenth / 10, 0),
          6,
        );
        expect(count(html, 'class="rung"')).toBe(tenths.length);
      }),
    ));

  it('thins its mist step by step and never thickens it', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        fc.pre(a <= b);
        expect(thickness(a)).toBeGreaterThanOrEqual(thickness(b));
      }),
    ));
});

describe('marks', () => {
  it.each<[StateIconKind, string]>([
    ['not-begun', 'not begun'],
    ['under-way', 'under way'],
    ['done', 'done'],
    ['checked', 'checked'],
    ['open', 'open'],
    ['waiting', 'waiting'],
    ['will-stop', 'will stop'],
    ['stop', 'stopped'],
    ['hazard', 'caution'],
    ['late', 'late'],
    ['confirmed', 'confirmed'],
    ['delivery', 'delivery'],
    ['unconfirmed', 'not confirmed'],
  ])('%s is said as well as drawn, in a shape of its own', (kind, words) => {
    expect(renderToStaticMarkup(<StateIcon kind={kind} />)).toContain(`aria-label="${words}"`);
    expect(renderToStaticMarkup(<StateIcon kind={kind} silent />)).toContain('aria-hidden="true"');
    const shapes = STATE_ICONS.map((each) =>
      renderToStaticMarkup(<StateIcon kind={each} silent />).replace(/style="[^"]*"/, ''),
    );
    expect(new Set(shapes).size).toBe(STATE_ICONS.length);
    for (const shape of shapes) expect(shape).not.toMatch(/circle|arc/);
  });

  it('stand before a caption only where there is something to tell', () => {
    expect(
      renderToStaticMarkup(<Caption area={area([], { standing: 'under way', caption: 'wires, today' })} />),
    ).toMatch(/caption.*under way.*wires/);
    expect(
      renderToStaticMarkup(<Caption area={area([], { standing: 'untouched', caption: 'no work here' })} />),
    ).not.toContain('svg');
  });
});
