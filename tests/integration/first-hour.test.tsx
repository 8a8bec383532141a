import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { readFirm } from '@/server/reading/reading';
import { firstHour } from '@/server/views/first-hour';
import { FirstHour } from '@/ui/today/first-hour';
import { demoHouse } from '../support/installations';
import { build } from '../support/synthetic';

describe('the first hour', () => {
  it('leads from the job to its plan and its walk, and each step that was taken stands', () => {
    const built = build({ Room: { works: ['rebuild'] } });
    built.renew();
    const steps = firstHour(readFirm(built.installation)) ?? [];
    expect(steps.map(({ done }) => done).slice(0, 3)).toEqual([true, true, true]);
    expect(steps.at(-1)).toMatchObject({ text: 'Tell the client', done: false });
    expect(steps.map(({ href }) => href)).toContain('/firm#trades');
    const drawn = renderToStaticMarkup(<FirstHour steps={steps} />);
    expect(drawn).toContain('Tell the client');
    // What was done leads nowhere any more; the next step is marked.
    expect(drawn).not.toContain('href="/jobs/new"');
    expect(drawn.match(/class="next"/g)).toHaveLength(1);
  });

  it('goes away once the first news went out', () => {
    expect(firstHour(readFirm(demoHouse()))).toBeNull();
    expect(renderToStaticMarkup(<FirstHour steps={null} />)).toBe('');
  });
});
