import type { ShellView, JobHead, PersonView } from '@/contract/views/job';
import { currencyOfFirm } from '../reading/money';
import { isDue } from '@/core/selections/due';
import { linkUntil } from '@/core/news/link-life';
import type { Day } from '@/core/units/day';
import { clockFor } from '../zone';
import { newestChange } from '../reading/log';
import type { Installation } from '../installation';
import { selectionsOf } from './selection';
import { firmRow, openJobRows, peopleOf } from '../reading/firm';
import { jobRow } from '../reading/job';
import { finishDay } from '../reading/plan';
import { readHouse, ofJob, type JobReading } from '../reading/reading';
import { waitingReaders } from '../reading/updates';
import { lastWalk } from '../reading/walks';
import { seesOf } from '../rights/sees';
import { whenSeen } from '../words';
import { holdsOf } from './holds';

/** What stands around every page: the firm, who is signed in, the open jobs. */
export function frameView(installation: Installation, person: PersonView): ShellView {
  const house = readHouse({ ...installation, sees: seesOf(installation.db, person) });
  return {
    firm: firmRow(house)?.name ?? 'Aftermist',
    person,
    people: installation.demo ? peopleOf(house) : [],
    jobs: openJobRows(house).map(({ id, name, state }) => ({ id, name, state })),
    today: house.today,
    currency: currencyOfFirm(house),
    demo: installation.demo,
    sending: installation.outside.messages === 'by hand' ? 'by hand' : installation.outside.messages.by,
    seq: newestChange(installation.db),
    clock: clockFor(installation),
  };
}

export const linksUntil = (job: JobReading): Day =>
  linkUntil(job.firm.today, [jobRow(job).promise_day, finishDay(job)]);

/** A job's head and the counts at its tabs. */
export const jobHead = ofJob((job): JobHead => {
  const row = jobRow(job);
  const { at, open } = lastWalk(job);
  return {
    id: job.id,
    name: row.name,
    address: row.address,
    state: row.state,
    units: row.units,
    walked: at ? `walked ${whenSeen(at, job.firm)}` : 'not walked yet',
    openWalk: open,
    example: row.example ? row.version : null,
    linksUntil: linksUntil(job),
    counts: {
      selections: selectionsOf(job).filter((item) => isDue(item.due)).length,
      schedule: holdsOf(job).filter((hold) => hold.stops === null).length,
      news: waitingReaders(job).length,
    },
  };
});
