import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import type { Command } from '@/contract/command';
import type { CommandType, Input } from '@/contract/commands';
import { isDay, type Day } from '@/core/units/day';
import { METHODS } from '@/core/sequence/methods';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { readAreaCsv } from '@/core/sites/area-csv';
import { setOut } from '@/core/sites/set-out';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { openInstallation } from '@/server/open-installation';
import { renewOnce } from '@/server/plan/renew';
import { planDocument } from '@/server/plan/document';
import { today } from '@/server/zone';

interface Terms {
  file: string;
  ways: { method: string; variant: string }[];
  start?: Day;
  livedIn: boolean;
}

const USAGE = 'npm run plan -- JOB.csv [--way SCHOOL=SIDE …] [--start DAY] [--lived-in]';

/** What is wrong with what was asked for, in words for who asked. */
export class NotPlanned extends Error {}

function stop(...words: string[]): never {
  throw new NotPlanned(words.join('\n'));
}

function termsOf(args: string[]): Terms {
  const terms: Terms = { file: '', ways: [], livedIn: false };
  for (let at = 0; at < args.length; at++) {
    const arg = args[at] ?? '';
    if (arg === '--lived-in') terms.livedIn = true;
    else if (arg === '--way') terms.ways.push(wayOf(args[++at] ?? ''));
    else if (arg === '--start') {
      const day = args[++at] ?? '';
      if (!isDay(day)) stop(`“${day}” is no day; write it as 2027-03-22.`);
      terms.start = day;
    } else if (arg.startsWith('--') || terms.file) stop(`“${arg}” is not known here: ${USAGE}`);
    else terms.file = arg;
  }
  if (!terms.file) stop(`Name the list of areas: ${USAGE}`);
  return terms;
}

function wayOf(text: string): Terms['ways'][number] {
  const [method = '', variant = ''] = text.split('=');
  const known = METHODS.find(({ key }) => key === method);
  if (!known) return stop(`“${method}” is no choice; there are: ${METHODS.map(({ key }) => key).join(', ')}.`);
  if (!known.variants.some(({ key }) => key === variant))
    stop(`“${variant}” is no way of ${method}; there are: ${known.variants.map(({ key }) => key).join(', ')}.`);
  return { method, variant };
}

/** The plan of the job that `args` name, as a document; throws `NotPlanned` with what is wrong with them. */
export function plannedJob(args: string[]): string {
  const terms = termsOf(args);
  const read = readAreaCsv(readFileSync(terms.file, 'utf8'));
  if (read.problems.length > 0) stop(...read.problems.map(({ line, message }) => `${terms.file}:${line}: ${message}`));

  const folder = mkdtempSync(join(tmpdir(), 'aftermist-plan-'));
  const installation = openInstallation({ folder, root: join(import.meta.dirname, '..') });
  try {
    return planOf(installation, terms, read);
  } finally {
    installation.db.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

function planOf(house: Installation, terms: Terms, read: ReturnType<typeof readAreaCsv>): string {
  const owner = v7();
  const give = <Type extends CommandType>(who: Actor, type: Type, payload: Input<Type>): void => {
    const command: Command = { id: v7(), type, at: house.clock.now().toISOString(), payload };
    const answer = dispatch(house, who, command);
    if (answer.status === 'refused') stop(`${type}: ${answer.problem.title}`);
  };
  give({ kind: 'founder' }, 'firm.found', {
    name: 'A firm',
    town: '',
    personId: owner,
    ownerName: 'Owner',
    email: 'owner@firm.example',
    password: v7(),
  });
  const who: Actor = { kind: 'person', id: owner, name: 'Owner', role: 'contractor' };
  for (const trade of TRADE_KEYS)
    if (trade !== 'nobody')
      give(who, 'sub.add', { id: v7(), trade, name: TRADES[trade], crews: 1, leadName: '', email: '' });
  const job = v7();
  give(who, 'job.open', {
    id: job,
    name: 'The job',
    units: 'metric',
    startDay: terms.start ?? today(house),
    livedIn: terms.livedIn,
  });
  for (const { method, variant } of terms.ways)
    give(who, 'method.choose', { id: v7(), job, method: method as 'tear-out', variant });
  give(who, 'areas.add', { job, ...setOut(read, [], v7) });
  renewOnce(house);
  return planDocument(house);
}
