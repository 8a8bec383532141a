'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { Dropdown } from 'react-bootstrap';
import type { ShellView } from '@/contract/views/job';

export function JobSwitcher({ jobs, current }: { jobs: ShellView['jobs']; current: string | null }) {
  const name = jobs.find((job) => job.id === current)?.name ?? 'All jobs';
  return (
    <Dropdown>
      <Dropdown.Toggle as="button" className="switcher text-truncate" aria-label={`${name}, choose another job`}>
        <span className="text-truncate">{name}</span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Item as={Link} href={routes.today()}>
          Today, all jobs
        </Dropdown.Item>
        <Dropdown.Item as={Link} href={routes.board()}>
          Schedule, all jobs
        </Dropdown.Item>
        <Dropdown.Divider />
        {jobs.map((job) => (
          <Dropdown.Item
            key={job.id}
            as={Link}
            href={routes.rooms(job.id)}
            {...(job.id === current ? { 'aria-current': 'true' as const } : {})}
          >
            {job.name} <span className="soft small-text">{job.state}</span>
          </Dropdown.Item>
        ))}
        <Dropdown.Divider />
        <Dropdown.Item as={Link} href={routes.coordination()}>
          Inspections, weather, plant, calendars
        </Dropdown.Item>
        <Dropdown.Item as={Link} href={routes.bench()}>
          Bench, all calculators
        </Dropdown.Item>
        <Dropdown.Item as={Link} href={routes.newJob()}>
          New job …
        </Dropdown.Item>
      </Dropdown.Menu>
    </Dropdown>
  );
}
