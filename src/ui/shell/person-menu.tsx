'use client';
import { api } from '@/contract/routes';
import { Link } from '../kit/link';
import { Dropdown } from 'react-bootstrap';
import type { ShellView } from '@/contract/views/job';
import { counted } from '@/core/words/count';
import { waitingOf } from '../offline/outbox';
import { nobodyIsHere } from '../offline/whose';
import { OWN_PLACES, WORK_PLACES } from './house-places';

/** What is asked before somebody goes whose records were not sent. */
const leavingWords = (left: number, name: string): string =>
  `${counted(left, 'record')} ${left === 1 ? 'is' : 'are'} not sent yet. Sign out all the same? They stay on this ` +
  `device and go out once ${name} signs in on it again.`;

const reload = (): void => window.location.assign('/');

export function PersonMenu({ view }: { view: ShellView }) {
  const { person, people, demo } = view;
  const become = (id: string): void =>
    void fetch(api.sessionPerson(), { method: 'POST', body: JSON.stringify({ person: id }) }).then(reload);
  const leave = async (): Promise<void> => {
    const left = (await waitingOf(person.id)).length;
    if (left > 0 && !window.confirm(leavingWords(left, person.name))) return;
    await fetch(api.session(), { method: 'DELETE' });
    await nobodyIsHere();
    reload();
  };
  return (
    <Dropdown align="end">
      <Dropdown.Toggle as="button" className="switcher" aria-label={`${person.name}, account`}>
        {person.name.split(' ')[0]}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Header>
          {view.firm}, {person.role}
        </Dropdown.Header>
        {[...OWN_PLACES, ...WORK_PLACES].map(({ label, path }) => (
          <Dropdown.Item key={path} as={Link} href={path}>
            {label}
          </Dropdown.Item>
        ))}
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
          <Dropdown.Item as="button" onClick={() => void leave()}>
            Sign out
          </Dropdown.Item>
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}
