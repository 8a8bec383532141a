import { describe, expect, it } from 'vitest';
import { laidOver, overlay, type Pending, type WalkChange } from './overlay';
import { nothingSaid } from './overlay-visit';
import type { WalkScreen } from './walk-screen';

const empty: WalkScreen = { job: { id: 'j' }, areas: [], levels: [], whole: nothingSaid(), narrations: [], left: null };
const added: WalkChange = {
  type: 'areas.add',
  payload: {
    job: 'j',
    levels: [{ id: 'l', name: 'Ground floor' }],
    areas: [
      { id: 'a', name: 'Kitchen', kind: 'room', level: 'l' },
      { id: 'b', name: 'Rear', kind: 'face' },
    ],
  },
};
const line: WalkChange = {
  type: 'scope.add',
  payload: { id: 's', area: 'a', stance: 'in', verb: 'strip', subject: 'the floor', quantity: 12, unit: 'm²' },
};
const record: WalkChange = {
  type: 'observation.record',
  payload: { observation: { id: 'o', walk: 'w', area: 'a', kind: 'scope', text: 'new tub', stance: 'in' } },
};
const file: WalkChange = {
  type: 'observation.file',
  payload: { about: 'o', filedAs: 'scope', target: 't', line: { stance: 'in', verb: 'install', subject: 'new tub' } },
};
const done = (...changes: WalkChange[]): WalkScreen => changes.reduce((now, change) => overlay(now, change), empty);
const work = (screen: WalkScreen): string[] => screen.areas[0]?.brief.parts.work.map(({ text }) => text) ?? [];

describe('a first visit on this device', () => {
  it('begins with the areas it meets, and writes lines down in them', () => {
    const screen = done(added, line);
    expect(screen.areas.map(({ name, place }) => `${name}, ${place}`)).toEqual([
      'Kitchen, Ground floor',
      'Rear, outside',
    ]);
    expect(work(screen)).toEqual(['strip the floor, 12 m²']);
  });

  it('is the same however often a change is laid over it', () => {
    const finding: WalkChange = {
      type: 'finding.add',
      payload: { id: 'f', job: 'j', area: 'a', kind: 'damage', subject: 'rot in the sill' },
    };
    const assumption: WalkChange = {
      type: 'assumption.add',
      payload: { id: 'x', area: 'a', text: 'it is oak', fallback: 'paint it' },
    };
    const once = done(added, line, finding, assumption, record, file);
    const twice = done(added, added, line, line, finding, finding, assumption, assumption, record, file, file);
    expect(twice).toEqual(once);
    expect(once.areas[0]?.brief.parts.found.map(({ text }) => text)).toEqual(['rot in the sill']);
    expect(once.areas[0]?.gaps).toEqual({ f: 'the cause is not named' });
  });

  it('puts a record in its place and takes it out again', () => {
    const placed = done(added, record, file);
    expect(work(placed)).toEqual(['install new tub']);
    expect(placed.areas[0]?.recorded[0]?.filed).toEqual({ as: 'scope', target: 't' });
    const back = overlay(placed, { type: 'observation.unfile', payload: { about: 'o' } });
    expect(work(back)).toEqual([]);
    expect(back.areas[0]?.recorded[0]).not.toHaveProperty('filed');
  });

  it('writes down of the whole job what belongs to no area, and for the office what is its alone', () => {
    const approval: WalkChange = {
      type: 'finding.add',
      payload: { id: 'p', job: 'j', kind: 'approval', subject: 'demo permit', place: 'the authority' },
    };
    const screen = done(added, approval);
    expect(screen.whole.forOffice.map(({ text }) => text)).toEqual(['demo permit from the authority']);
    expect(overlay(screen, { type: 'line.remove', payload: { id: 'p' } }).whole.forOffice).toEqual([]);
    // Of another job’s walk nothing changes.
    expect(overlay({ ...empty, job: { id: 'other' } }, approval).whole).toEqual(nothingSaid());
  });

  it('learns what an area is called, and forgets it again', () => {
    const learnt = done(added, { type: 'area.call', payload: { id: 'a', name: 'the big room' } });
    expect(learnt.areas[0]?.called).toEqual(['the big room']);
    expect(
      overlay(learnt, { type: 'area.call', payload: { id: 'a', name: 'the big room', known: false } }).areas[0]?.called,
    ).toEqual([]);
  });

  it('takes back what waits, as if it had not been', () => {
    const pending: Pending[] = [
      { ...added, command: '1' },
      { ...line, command: '2' },
      { type: 'undo', payload: { command: '2' }, command: '3' },
    ];
    expect(work(laidOver(empty, pending))).toEqual([]);
  });
});
