import { describe, expect, it } from 'vitest';
import { mergedPack, type KeptPack } from '@/ui/offline/merge-pack';
import { packNews } from '@/server/views/pack';
import type { PackMarks } from '@/contract/views/walk';
import type { Installation } from '@/server/installation';
import { demoHouse, signalHouse, walkSeeing } from '../support/installations';

/** A device that keeps what it is told. */
function device(installation: Installation) {
  const kept = new Map<string, KeptPack>();
  return {
    kept,
    /** Asks for what is new. @returns how much was sent */
    look: (): number => {
      const have: Record<string, PackMarks> = Object.fromEntries([...kept].map(([id, { marks }]) => [id, marks]));
      const news = packNews(installation, have);
      for (const one of news.jobs) {
        const merged = mergedPack(kept.get(one.id), one, news);
        if (!merged) throw new Error('Something is missing on the device.');
        kept.set(one.id, merged);
      }
      return JSON.stringify(news).length;
    },
  };
}

describe('what a phone keeps of every job', () => {
  it('is sent as what is new since it last looked, and comes to the same', () => {
    const installation = demoHouse();
    const [phone, fresh] = [device(installation), device(installation)];
    const whole = phone.look();
    const marks = phone.look();
    expect(marks).toBeLessThan(whole / 8);
    walkSeeing(installation, { kind: 'remaining', text: 'caulk the sill', trade: 'paint' });
    const news = phone.look();
    expect(news).toBeGreaterThan(marks);
    expect(news).toBeLessThan(whole / 4);
    fresh.look();
    const jobs = (kept: Map<string, KeptPack>): unknown =>
      [...kept.values()].map(({ job }) => ({ ...job, clock: null }));
    expect(jobs(phone.kept)).toEqual(jobs(fresh.kept));
    expect(JSON.stringify(jobs(phone.kept))).toContain('caulk the sill');
  });

  it('is asked for whole where a device lost a part of it', () => {
    const installation = demoHouse();
    const phone = device(installation);
    phone.look();
    const pack = phone.kept.get(signalHouse)!;
    phone.kept.set(signalHouse, { ...pack, job: { ...pack.job, areas: pack.job.areas.slice(1) } });
    expect(() => phone.look()).toThrow(/missing/);
  });
});
