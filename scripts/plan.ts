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

/**
 * `npm run plan -- JOB.csv [--way SCHOOL=SIDE …] [--start DAY] [--lived-in]`: sets out the job of a list of areas, as Set
 * out reads it, in an empty house with one sub a trade, and prints its first plan as a document.
 */
interface Terms {
  file: string;
  ways: { method: string; variant: string }[];
  start?: Day;
  livedIn: boolean;
}

const USAGE = 'npm run plan -- JOB.csv [--way SCHOOL=SIDE …] [--start DAY] [--lived-in]';

function stop(...words: string[]): never {
  for (const line of words) console.error(line);
  process.exit(1);
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

const terms = termsOf(process.argv.slice(2));
const read = readAreaCsv(readFileSync(terms.file, 'utf8'));
if (read.problems.length > 0) stop(...read.problems.map(({ line, message }) => `${terms.file}:${line}: ${message}`));

const folder = mkdtempSync(join(tmpdir(), 'aftermist-plan-'));
const installation = openInstallation({ folder, root: join(import.meta.dirname, '..') });
try {
  console.log(planOf(installation));
} finally {
  installation.db.close();
  rmSync(folder, { recursive: true, force: true });
}

function planOf(house: Installation): string {
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
