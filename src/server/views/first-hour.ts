import { routes } from '@/contract/routes';
import type { FirstStep } from '@/contract/views/today';
import { counted } from '@/core/words/count';
import { tradesUnserved } from '../reading/crews';
import { pastFirstHour } from '../reading/firm';
import { jobRow } from '../reading/job';
import { wholePlan } from '../reading/plan';
import type { FirmReading } from '../reading/reading';

/** The steps from an empty house to its first news; null once the last of them was taken. */
export function firstHour(firm: FirmReading): FirstStep[] | null {
  const job = firm.jobs.find((id) => jobRow(firm.job(id)).example === 0);
  const past = pastFirstHour(firm);
  if (past.told || firm.sees.jobs) return null;
  const unserved = tradesUnserved(firm).length;
  return [
    { text: 'Open a job', done: job !== undefined, href: routes.newJob() },
    { text: 'Set out its rooms', done: past.areas === 1, href: job ? routes.areas(job) : null },
    {
      text: 'Look at the plan',
      done: wholePlan(firm)?.tasks.some((task) => task.job === job) ?? false,
      href: job ? routes.schedule(job) : null,
    },
    {
      text: unserved > 0 ? `Name who does ${counted(unserved, 'trade')}` : 'Name who does the trades',
      done: job !== undefined && past.areas === 1 && unserved === 0,
      href: `${routes.firm()}#trades`,
    },
    { text: 'Walk the job', done: past.walked === 1, href: job ? routes.walks(job) : null },
    { text: 'Tell the client', done: false, href: job ? routes.news(job) : null },
  ];
}
