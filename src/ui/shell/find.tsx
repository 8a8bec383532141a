'use client';
import { api, routes, type Path } from '@/contract/routes';
import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import type { ShellView } from '@/contract/views/job';
import type { Found } from '@/contract/views/find';
import { HOUSE_PLACES, NEW_JOB } from './house-places';
import { JOB_PAGES, PLACES } from './places';

const ALWAYS: Found[] = [
  { label: 'Today', kind: 'place', path: routes.today() },
  ...[...HOUSE_PLACES, NEW_JOB].map(({ label, path }): Found => ({ label, kind: 'place', path })),
];
const MOST = 12;

/** How long somebody may take from letter to letter. */
const TYPING_MS = 250;

/** Nothing where nobody answers: what was found before stays. */
const ask = (path: Path): Promise<Found[] | undefined> =>
  fetch(path)
    .then((response) => (response.ok ? (response.json() as Promise<Found[]>) : undefined))
    .catch(() => undefined);

const matches = (label: string, asked: string): boolean =>
  asked
    .toLowerCase()
    .split(/\s+/)
    .every((word) => label.toLowerCase().includes(word));

/** Ctrl K: any job, page, area, person or order by a piece of its name, and whatever was written or said by its words. */
export function Find({ jobs }: { jobs: ShellView['jobs'] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState('');
  const [things, setThings] = useState<Found[]>([]);
  const [at, setAt] = useState(0);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const look = (): void => {
    setAsked('');
    setAt(0);
    void ask(api.find()).then((found) => found && setThings(found));
  };
  // What closed jobs have is asked for by its name, once somebody stops typing.
  const [closed, setClosed] = useState<{ by: string; found: Found[] }>({ by: '', found: [] });
  const words = asked.trim();
  useEffect(() => {
    if (words === '') return undefined;
    let gone = false;
    const timer = setTimeout(
      () =>
        void ask(api.find(words)).then((found) => {
          if (found && !gone) setClosed({ by: words, found });
        }),
      TYPING_MS,
    );
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [words]);
  const all = [
    ...jobs.flatMap((job) =>
      [...PLACES, ...JOB_PAGES].map((place): Found => ({
        label: `${job.name} ${place.label}`,
        kind: 'place',
        path: place.path(job.id),
      })),
    ),
    ...ALWAYS,
    ...things,
    ...(closed.by === words ? closed.found : []),
  ];
  const found =
    words === ''
      ? ALWAYS.concat(jobs.map((job) => ({ label: job.name, kind: 'job', path: routes.rooms(job.id) })))
      : all.filter((entry) => matches(entry.label, words)).slice(0, MOST);
  const go = (to: Found | undefined): void => {
    if (!to) return;
    setOpen(false);
    router.push(to.path);
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.key === 'ArrowDown') setAt(Math.min(found.length - 1, at + 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1));
    else if (event.key === 'Enter') go(found[at]);
    else return;
    event.preventDefault();
  };
  return (
    <>
      <button type="button" className="find-open" onClick={() => setOpen(true)}>
        <Search aria-hidden="true" size={22} />
        <span>Find anything</span>
        <kbd aria-hidden="true">Ctrl K</kbd>
      </button>
      <Modal show={open} onHide={() => setOpen(false)} onShow={look} className="find" aria-label="Find">
        <Modal.Body>
          <Form.Control
            autoFocus
            placeholder="Job, room, page, person, order, words of a walk …"
            aria-label="What to find"
            value={asked}
            onKeyDown={onKeyDown}
            onChange={(event) => {
              setAsked(event.target.value);
              setAt(0);
            }}
          />
          <ul>
            {found.map((entry, index) => (
              <li key={`${entry.path}${entry.label}`}>
                <a
                  href={entry.path}
                  className={index === at ? 'chosen' : ''}
                  onClick={(event) => {
                    event.preventDefault();
                    go(entry);
                  }}
                >
                  <span>{entry.label}</span>
                  <span className="soft small-text">{entry.kind}</span>
                </a>
              </li>
            ))}
            {found.length === 0 && <li className="px-3 py-2 soft">Nothing by that name. Fewer letters find more.</li>}
          </ul>
        </Modal.Body>
      </Modal>
    </>
  );
}
