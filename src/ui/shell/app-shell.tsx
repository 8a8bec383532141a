'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { usePathname } from 'next/navigation';
import { Suspense, useEffect, useLayoutEffect, type ReactNode } from 'react';
import type { ShellView } from '@/contract/views/job';
import { formatDay } from '@/core/units/day';
import { MoneyIn } from '../kit/money';
import { HouseMark } from '../kit/house-mark';
import { ToastProvider } from '../kit/toast';
import { Live } from '../offline/live';
import { setClock } from '../offline/clock';
import { Unsent } from '../offline/unsent';
import { hereIs } from '../offline/whose';
import { prepareOffline } from '../offline/worker';
import { Demo, SendingBy } from './demo';
import { Find } from './find';
import { JobSwitcher } from './job-switcher';
import { PersonMenu } from './person-menu';
import { Going } from './going';
import { Keys } from './keys';
import { hearInstall } from '../offline/install';
import { OpenAsked } from './open-asked';
import { placeOf } from './places';
import { BottomNav } from './bottom-nav';

/** On paper: whose it is, of which job and day; the page's number stands at its foot. */
const PaperHead = ({ view, job }: { view: ShellView; job: string | null }) => (
  <div className="paper-head" aria-hidden="true">
    <span>{[view.firm, view.jobs.find(({ id }) => id === job)?.name].filter(Boolean).join(' · ')}</span>
    <span>
      {formatDay(view.today)} {view.today.slice(0, 4)}
    </span>
  </div>
);

/** What stands around every page: where I am, what else there is, what is not yet sent, who I am. */
export function AppShell({ view, children }: { view: ShellView; children: ReactNode }) {
  const { job } = placeOf(usePathname());
  useEffect(() => setClock(view.clock), [view.clock]);
  const { id, name } = view.person;
  // Before anything below looks at what waits here.
  useLayoutEffect(() => void hereIs({ id, name }), [id, name]);
  useEffect(prepareOffline, []);
  useEffect(hearInstall, []);
  return (
    <Demo value={view.demo}>
      <SendingBy value={view.sending}>
        <MoneyIn currency={view.currency}>
          <ToastProvider>
            <Live seq={view.seq} />
            <OpenAsked />
            <Suspense>
              <Going />
            </Suspense>
            <Keys job={job} />
            <a className="skip" href="#main">
              To the content
            </a>
            <header className="top-line">
              <Link href={routes.today()} className="house-mark" aria-label="Aftermist, today over all jobs">
                <HouseMark />
                <span aria-hidden="true">Aftermist</span>
              </Link>
              <JobSwitcher jobs={view.jobs} current={job} />
              <div className="push d-flex align-items-center gap-3">
                <Find jobs={view.jobs} />
                <Unsent />
                <PersonMenu view={view} />
              </div>
            </header>
            <PaperHead view={view} job={job} />
            <main id="main" className="with-thumbs">
              {children}
            </main>
            <BottomNav job={job} jobs={view.jobs} />
          </ToastProvider>
        </MoneyIn>
      </SendingBy>
    </Demo>
  );
}
