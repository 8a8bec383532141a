import { copyFileSync, cpSync, mkdtempSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, inject, onTestFinished } from 'vitest';
import { v7 } from 'uuid';
import type { Command, CommandAnswer } from '@/contract/command';
import type { CommandType, Input } from '@/contract/commands';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import { makeClock, type Clock } from '@/server/clock';
import { openInstallation } from '@/server/open-installation';
import type { Installation } from '@/server/installation';
import { simulatedOutside } from '@/server/outside/simulated';
import type { Outside } from '@/server/outside/ports';
import { demoId } from '../../demo/seed';
import { NOW } from './now';

declare module 'vitest' {
  interface ProvidedContext {
    demo: string;
    empty: string;
  }
}

export { NOW, TODAY } from './now';
export const testClock = (): Clock => makeClock(new Date(NOW));
export const root = join(import.meta.dirname, '..', '..');

/** A folder of its own, taken away afterwards. */
export function folder(): string {
  const path = mkdtempSync(join(tmpdir(), 'aftermist-'));
  onTestFinished(() => rmSync(path, { recursive: true, force: true }));
  return path;
}

function opened(path: string, outside: Partial<Outside> = {}): Installation {
  const installation = openInstallation({
    folder: path,
    root,
    clock: testClock(),
    outside: { ...simulatedOutside, ...outside },
  });
  // A house of a test outlives no power cut: that the real one does is tested by killing it.
  installation.db.pragma('synchronous = OFF');
  onTestFinished(() => void installation.db.close());
  return installation;
}

/** A house of nobody yet, whose tables are there already: a copy takes no time. */
export function emptyHouse(): Installation {
  const path = folder();
  const empty = inject('empty');
  for (const file of readdirSync(empty)) copyFileSync(join(empty, file), join(path, file));
  return opened(path);
}

/**
 * Puts a copy of the seeded demo firm into a folder, to be changed at will. Pictures lie under the hash of their content
 * and are only ever added: all copies share them.
 */
export function copyDemo(path: string): string {
  const demo = inject('demo');
  for (const file of readdirSync(demo)) {
    if (file === 'pictures') symlinkSync(join(demo, file), join(path, file));
    else cpSync(join(demo, file), join(path, file), { recursive: true });
  }
  return path;
}
export const demoFolder = (): string => copyDemo(folder());
/** A copy that all tests of a file read from; none opens the seeded firm itself, whose log would come and go. */
export function sharedDemo(): Installation {
  const path = mkdtempSync(join(tmpdir(), 'aftermist-'));
  const installation = openInstallation({
    folder: copyDemo(path),
    root,
    clock: testClock(),
    outside: simulatedOutside,
  });
  afterAll(() => {
    installation.db.close();
    rmSync(path, { recursive: true, force: true });
  });
  return installation;
}
/** A copy of the demo firm; `outside` takes the place of stand-ins. */
export const demoHouse = (outside: Partial<Outside> = {}): Installation => opened(demoFolder(), outside);

export const MAREN: Actor = { kind: 'person', id: demoId('person', 'maren'), name: 'Maren', role: 'contractor' };
export const signalHouse = demoId('signal');
export const areaOf = (name: string, job = 'signal'): string => demoId(job, 'area', name);

export type Answer = CommandAnswer & { httpStatus: number };
export const newId = (): string => v7();
/** A command as a browser makes it, checked by the compiler. */
export const command = <Type extends CommandType>(type: Type, payload: Input<Type>, over: object = {}): Command =>
  raw(type, payload, over);
/** A command of any shape, right or wrong: what the door must refuse. */
export const raw = (type: string, payload: unknown, over: object = {}): Command => ({
  id: newId(),
  type,
  at: '2027-03-09T09:00:00.000Z',
  payload,
  ...over,
});
export const give = <Type extends CommandType>(
  installation: Installation,
  type: Type,
  payload: Input<Type>,
  who: Actor = MAREN,
): Answer => dispatch(installation, who, command(type, payload));
/** Gives what the compiler would not let through, to see what the door says. */
export const giveRaw = (installation: Installation, type: string, payload: unknown, who: Actor = MAREN): Answer =>
  dispatch(installation, who, raw(type, payload));

/** The answer of a command that must be taken. */
export function must<Type extends CommandType>(
  installation: Installation,
  type: Type,
  payload: Input<Type>,
  who: Actor = MAREN,
): unknown {
  const answer = give(installation, type, payload, who);
  if (answer.status === 'refused') throw new Error(`${type}: ${JSON.stringify(answer.problem)}`);
  return answer.result;
}

/** A walk through the house by the signal box on which some things were seen in the guest suite. */
export function walkSeeing(installation: Installation, ...seen: readonly object[]): void {
  const walk = newId();
  must(installation, 'walk.start', { id: walk, job: signalHouse, kind: 'progress' });
  for (const one of seen) {
    const observation = { id: newId(), walk, area: areaOf('guest'), ...one };
    if (giveRaw(installation, 'observation.record', { observation }).status === 'refused')
      throw new Error(`Refused: ${JSON.stringify(one)}`);
  }
}

class TakenBack extends Error {}

/** Does something and takes it back, so that one firm serves for many tries. */
export function trying(installation: Installation, act: () => void): void {
  try {
    installation.db
      .transaction(() => {
        act();
        throw new TakenBack();
      })
      .immediate();
  } catch (error) {
    if (!(error instanceof TakenBack)) throw error;
  }
}
