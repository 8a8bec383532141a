import { awayRows, busyRows, tradesOfSubs } from './crews';
import { closuresOf, firmRow, holidaysOf, officesOf, outlookRows, plantDownRows, plantRows, subRows } from './firm';
import { areaRows, besideRows, jobRow, levelRows, partRows, stepRows } from './job';
import { choiceRows, ownRules, switchRows } from './knowledge';
import { openedAnyway } from './openings';
import { layoutOf } from './layouts';
import { wholePlan } from './plan';
import type { FirmReading } from './reading';
import { standingOf } from './standing';
import { assumptionRows, extraRows, findingRows, scopeRows } from './scope';
import { requestRows, selectionRows, waitRows } from './selections';
import {
  doneTaskRows,
  gateEndRows,
  gateRows,
  holdRows,
  inspectionRows,
  logisticRows,
  ownLinkRows,
  pinRows,
} from './sequence';
import { provisionRows } from './living';
import { hourRates } from './money';
import { quietRows } from './quiet';
import { visitDays } from './visits';
import { workedDayRows } from './worked-days';
import { lastWalk, signRows } from './walks';

const OF_THE_FIRM = [
  firmRow,
  subRows,
  awayRows,
  busyRows,
  plantRows,
  plantDownRows,
  officesOf,
  holidaysOf,
  outlookRows,
  closuresOf,
  wholePlan,
  tradesOfSubs,
  visitDays,
  hourRates,
];

const OF_JOBS_OF_IT = [
  jobRow,
  areaRows,
  levelRows,
  stepRows,
  partRows,
  besideRows,
  standingOf,
  lastWalk,
  signRows,
  selectionRows,
  requestRows,
  waitRows,
  scopeRows,
  findingRows,
  assumptionRows,
  extraRows,
  ownLinkRows,
  gateRows,
  gateEndRows,
  logisticRows,
  holdRows,
  pinRows,
  inspectionRows,
  doneTaskRows,
  openedAnyway,
  ownRules,
  choiceRows,
  switchRows,
  quietRows,
  workedDayRows,
  provisionRows,
];

/**
 * Reads now all that a plan is made from, so that it can be made once the moment is over: what a command that is taken back
 * would change is seen only inside its transaction, and nobody shall wait while a plan is placed.
 */
export function readAhead(firm: FirmReading): void {
  for (const part of OF_THE_FIRM) part(firm);
  for (const id of firm.jobs) {
    const job = firm.job(id);
    for (const part of OF_JOBS_OF_IT) part(job);
    layoutOf(job, '');
  }
}
