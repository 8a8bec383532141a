import { actIsAbout, sayAct } from '@/contract/acts';
import type { CommandType } from '@/contract/commands';
import { routes } from '@/contract/routes';
import type { Heard } from '@/contract/views/today';
import { addDays } from '@/core/units/day';
import { instantIn } from '@/core/units/zone';
import { jobRow } from '../reading/job';
import { heardSince } from '../reading/log';
import type { FirmReading } from '../reading/reading';
import { whenSeen } from '../words';
import { namesIn } from './history';

const MOST = 12;

/** What others did since yesterday of the jobs that whoever asks sees; their own is no news to them. */
export const heardOf = (firm: FirmReading, person: string): Heard[] =>
  heardSince(firm.db, instantIn(firm.zone, addDays(firm.today, -1), 0).toISOString(), `person:${person}`, MOST).flatMap(
    ({ seq, type, job: id, applied_at, payload, name }) => {
      if (!firm.jobs.includes(id)) return [];
      const job = firm.job(id);
      // Whoever signs on a page that several read says who they are.
      const { name: signed, ...given } = JSON.parse(payload) as { name?: string };
      const about = [namesIn(job)(given), actIsAbout(given)].filter(Boolean).join(': ');
      return [
        {
          ...{ seq, who: signed ?? name, did: sayAct(type as CommandType), about, when: whenSeen(applied_at, firm) },
          ...{ job: jobRow(job).name, path: routes.history(id) },
        },
      ];
    },
  );
