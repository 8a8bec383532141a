'use client';
import { api, routes } from '@/contract/routes';
import Link from 'next/link';
import { Dropdown } from 'react-bootstrap';
import type { ShellView } from '@/contract/views/job';

const reload = (): void => window.location.assign('/');

export function PersonMenu({ view }: { view: ShellView }) {
  const { person, people, demo } = view;
  const become = (id: string): void =>
    void fetch(api.sessionPerson(), { method: 'POST', body: JSON.stringify({ person: id }) }).then(reload);
  const leave = (): void => void fetch(api.session(), { method: 'DELETE' }).then(reload);
  return (
    <Dropdown align="end">
      <Dropdown.Toggle as="button" className="switcher" aria-label={`${person.name}, account`}>
        {person.name.split(' ')[0]}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Header>
          {view.firm}, {person.role}
        </Dropdown.Header>
        <Dropdown.Item as={Link} href={routes.coordination()}>
          Inspections, weather, plant, calendars
        </Dropdown.Item>
        <Dropdown.Item as={Link} href={routes.firm()}>
          Firm, subs and people
        </Dropdown.Item>
        <Dropdown.Item as={Link} href={routes.words()}>
          Words and marks
        </Dropdown.Item>
        <Dropdown.Divider />
        {demo ? (
          <>
            <Dropdown.Header>In the demo you can be</Dropdown.Header>
            {people
              .filter((entry) => entry.id !== person.id)
              .map((entry) => (
                <Dropdown.Item key={entry.id} as="button" onClick={() => become(entry.id)}>
                  {entry.name}, {entry.role}
                </Dropdown.Item>
              ))}
          </>
        ) : (
          <Dropdown.Item as="button" onClick={leave}>
            Sign out
          </Dropdown.Item>
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}
