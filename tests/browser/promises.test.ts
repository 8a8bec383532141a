import { describe, expect, it } from 'vitest';
import type { CommandType, Input } from '@/contract/commands';
import type { PlannedTask } from '@/core/schedule/plan';
import { addDays } from '@/core/units/day';
import { demoId } from '../../demo/seed';
import { click, shownLink, inspect, PHONE, press, pressFirst, seesText, textFits } from '../support/browser';
import { fillIn } from '../support/forms';
import { command, newId, TODAY } from '../support/installations';
import { stage } from '../support/stage';

const on = stage();
const { at, planOf } = on;

/** Somebody else of the firm, at another desk. */
async function elsewhere<Type extends CommandType>(type: Type, payload: Input<Type>): Promise<unknown> {
  const response = await fetch(`${on.server.url}/api/commands`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(command(type, payload)),
  });
  return response.json();
}
const task = async (id: string): Promise<PlannedTask | undefined> =>
  (await planOf()).tasks.find((planned) => planned.id === id);

describe('a promise', () => {
  it('that cannot be kept is named with what they had said, and one act tells those concerned', async () => {
    const page = await at('/');
    await textFits(page, /\d people to tell/);
    await page.goto(`${on.server.url}/schedule`);
    await textFits(page, /Kitchen · cabinets\s*: .* → .* They had said yes \(Rurik/);
    await inspect(page, 'board with what moved');
    await press(page, 'Tell Saltbox Cabinets');
    await seesText(page, '1 message goes out.');
    await textFits(page, /They had said yes \(Rurik/, false);
    await pressFirst(page, /^Tell (?:all \d+|them)$/);
    // Only what stands in a letter that waits to be read and sent is left.
    await textFits(page, /Tell all \d|Tell them|on another day than people go by/, false);
    expect(on.complaints).toEqual([]);
  });

  it('stays put once they said yes, while what the rain forbids moves', async () => {
    const plan = await planOf();
    const visit = plan.tasks.find(
      ({ id, trade, state, start }) =>
        trade === 'carpentry' &&
        state === 'waiting' &&
        start > 5 &&
        start < 20 &&
        !id.includes(demoId('tannery', 'area', 'street')),
    );
    const outside = plan.tasks.find(
      ({ phase, state, start }) =>
        (phase === 'seal' || phase === 'face-trim') && state === 'waiting' && start >= 4 && start < 8,
    );
    const page = await at(`/schedule?task=${encodeURIComponent(visit?.id ?? '')}`);
    await press(page, 'They said yes');
    await fillIn(page, '[name="note"]', 'with two hands');
    await press(page, 'Keep the yes');
    await textFits(page, /Said yes to .+ \(Wenna, .+\): with two hands\./);
    await inspect(page, 'a visit that was confirmed');
    const days = [2, 3].flatMap((day) =>
      [0, 1].map((half) => ({ day: addDays(TODAY, day), half, rain: 9, wind: 3, low: 6 })),
    );
    await elsewhere('outlook.say', { halves: days });
    await expect.poll(async () => (await task(outside?.id ?? ''))?.start, { timeout: 20_000 }).not.toBe(outside?.start);
    expect((await task(visit?.id ?? ''))?.start).toBe(visit?.start);
    await page.goto(`${on.server.url}/schedule`);
    await seesText(page, 'What moved');
    expect(on.complaints).toEqual([]);
  });

  it('is asked of a sub on their own page, and kept with their name', async () => {
    const made = await at('/jobs/' + demoId('signal') + '/news');
    expect(made).toBeDefined();
    const plan = await planOf();
    const visit = plan.tasks.find(({ trade, state, start }) => trade === 'paint' && state === 'waiting' && start > 5);
    await elsewhere('visit.tell', {
      visits: [
        {
          task: visit?.id ?? '',
          day: addDays(plan.origin, Math.floor((visit?.start ?? 0) / 2)),
          half: (visit?.start ?? 0) % 2,
        },
      ],
      subs: [
        {
          ...{ sub: demoId('sub', 'paint'), updateId: newId(), messageId: newId(), linkId: newId() },
          ...{ name: 'Linnet', address: 'linnet@paint.example', expiresOn: '2027-06-01' },
        },
      ],
    });
    await made.reload();
    const path = await shownLink(made, 'Linnet');
    const page = await at(path, PHONE);
    await seesText(page, 'Can you come?');
    await inspect(page, 'a sub’s page with its question', true);
    await press(page, 'Yes, we come');
    await seesText(page, 'You said yes');
    expect(on.complaints).toEqual([]);
  });
});

describe('a job of one’s own', () => {
  it('keeps its only toilet because its page says so', async () => {
    const [job, level, old, bath] = [newId(), newId(), newId(), newId()];
    await elsewhere('job.open', { id: job, name: 'Quarry Lane', units: 'metric', startDay: TODAY, livedIn: true });
    await elsewhere('areas.add', {
      job,
      levels: [{ id: level, name: 'Ground', height: 0 }],
      areas: [
        { id: old, name: 'Old washroom', kind: 'wet', level, works: ['redecorate'] },
        { id: bath, name: 'New bath', kind: 'wet', level, works: ['bathroom'] },
      ],
    });
    const ofToilets = async (): Promise<boolean> =>
      (await planOf()).links.some(
        ({ rule, before, after }) =>
          rule === 25 && [before, after].every((id) => id.startsWith(old) || id.startsWith(bath)),
      );
    await expect
      .poll(async () => (await planOf()).tasks.some((one) => one.job === job), { timeout: 20_000 })
      .toBe(true);
    expect(await ofToilets()).toBe(false);
    const page = await at(`/jobs/${job}/areas/${old}`);
    await press(page, 'Change the area');
    await click(page, '#field-provides-toilet');
    await press(page, 'Save');
    await expect.poll(ofToilets, { timeout: 20_000 }).toBe(true);
    expect(on.complaints).toEqual([]);
  });
});
