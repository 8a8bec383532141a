'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { routes, type Path } from '@/contract/routes';
import { SidePanel } from '../kit/side-panel';
import { PLACES, type Place } from './places';

/** The letter after g that leads to each place of a job. */
const LETTERS: Record<Place['name'], string> = {
  rooms: 'r',
  scope: 'c',
  selections: 'e',
  sequence: 'q',
  schedule: 's',
  walks: 'w',
  news: 'n',
};
const HOUSE: readonly [string, string, Path][] = [
  ['t', 'Today', routes.today()],
  ['b', 'Schedule of all jobs', routes.board()],
  ['k', 'Bench', routes.bench()],
  ['f', 'Firm, subs and people', routes.firm()],
];
const OTHERS: readonly [string, string][] = [
  ['Ctrl K', 'find anything'],
  ['?', 'these keys'],
  ['Esc', 'close what is open'],
  ['← → on a walk', 'the area before, the next'],
  ['↑ ↓ on a walk', 'the step before, the next'],
  ['0 to 9 on a step', 'so many tenths done; End: done'],
  ['n, t, m, p on a walk', 'line, tell, measure, picture'],
  ['← → on a block of the board', 'half a day earlier, later; Enter asks'],
];
/** How long the letter after g may take. */
const WAIT_MS = 1_500;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Places by key: g and a letter; ? lists them. */
export function Keys({ job }: { job: string | null }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    let since = 0;
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') return setOpen(true);
      const waited = event.timeStamp - since;
      since = event.key === 'g' ? event.timeStamp : 0;
      if (event.key === 'g' || waited > WAIT_MS) return;
      const to = pathFor(event.key, job);
      if (to) router.push(to);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [job, router]);
  return (
    <SidePanel title="Keys" open={open} onClose={() => setOpen(false)}>
      <dl className="keys-list">
        {HOUSE.map(([letter, label]) => (
          <Key key={letter} keys={`g ${letter}`} does={label} />
        ))}
        {PLACES.map(({ name, label }) => (
          <Key key={name} keys={`g ${LETTERS[name]}`} does={`${label} of the job`} />
        ))}
        {OTHERS.map(([keys, does]) => (
          <Key key={keys} keys={keys} does={does} />
        ))}
      </dl>
    </SidePanel>
  );
}

const Key = ({ keys, does }: { keys: string; does: string }) => (
  <div>
    <dt>
      <kbd>{keys}</kbd>
    </dt>
    <dd>{does}</dd>
  </div>
);

function pathFor(letter: string, job: string | null): Path | undefined {
  const house = HOUSE.find(([key]) => key === letter)?.[2];
  const place = PLACES.find(({ name }) => LETTERS[name] === letter);
  return house ?? (job && place ? place.path(job) : undefined);
}
