import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const keepJobs = vi.fn<() => Promise<boolean>>();
vi.mock('./packs', () => ({ keepJobs: () => keepJobs() }));
vi.mock('./seen', () => ({ keepSeen: () => Promise.resolve() }));

const renewed: string[] = [];
const ready = { active: { postMessage: (words: string) => renewed.push(words) } };
const register = vi.fn(() => Promise.resolve(ready));

function device(kept: Map<string, string> | 'none'): void {
  vi.stubGlobal('navigator', { serviceWorker: { register, ready: Promise.resolve(ready) } });
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => {
      if (kept === 'none') throw new Error('no storage here');
      return kept.get(key) ?? null;
    },
    setItem: (key: string, value: string) => {
      if (kept === 'none') throw new Error('no storage here');
      kept.set(key, value);
    },
  });
}
/** A page that was just opened: what it remembers is only what the device keeps. */
async function opened(): Promise<() => void> {
  vi.resetModules();
  return (await import('./worker')).prepareOffline;
}

describe('what is fetched ahead for a walk without a signal', () => {
  beforeEach(() => {
    vi.useFakeTimers({ now: new Date('2027-03-09T16:30:00Z') });
    renewed.length = 0;
    register.mockClear();
    keepJobs.mockReset().mockResolvedValue(true);
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('waits until the page stands', async () => {
    device(new Map());
    (await opened())();
    await vi.advanceTimersByTimeAsync(1_000);
    expect(register).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(1_000);
    expect([register.mock.calls.length, renewed, keepJobs.mock.calls.length]).toEqual([1, ['renew'], 1]);
  });

  it('comes once, however many parts of a page ask for it', async () => {
    device(new Map());
    const prepareOffline = await opened();
    for (let asked = 0; asked < 5; asked++) prepareOffline();
    await vi.advanceTimersByTimeAsync(5_000);
    expect(keepJobs).toHaveBeenCalledTimes(1);
  });

  it('does not come again within a minute, on any page of the device, and does after it', async () => {
    device(new Map());
    for (const [afterMs, times] of [
      [0, 1],
      [20_000, 1],
      [20_000, 1],
      [60_000, 2],
    ] as const) {
      await vi.advanceTimersByTimeAsync(afterMs);
      (await opened())();
      await vi.advanceTimersByTimeAsync(2_000);
      expect(keepJobs).toHaveBeenCalledTimes(times);
    }
  });

  it('comes with the next page where it did not arrive', async () => {
    device(new Map());
    keepJobs.mockResolvedValueOnce(false);
    for (const times of [1, 2]) {
      (await opened())();
      await vi.advanceTimersByTimeAsync(2_000);
      expect(keepJobs).toHaveBeenCalledTimes(times);
    }
  });

  it('comes each time on a device that remembers nothing, and where its clock was set back', async () => {
    device('none');
    for (const times of [1, 2]) {
      (await opened())();
      await vi.advanceTimersByTimeAsync(2_000);
      expect(keepJobs).toHaveBeenCalledTimes(times);
    }
    device(new Map([['aftermist-prepared', String(Date.parse('2027-06-01T00:00:00Z'))]]));
    (await opened())();
    await vi.advanceTimersByTimeAsync(2_000);
    expect(keepJobs).toHaveBeenCalledTimes(3);
  });

  it('never comes to a browser that cannot serve it', async () => {
    vi.stubGlobal('navigator', {});
    (await opened())();
    await vi.advanceTimersByTimeAsync(5_000);
    expect(keepJobs).not.toHaveBeenCalled();
  });
});
