import { Link } from '../kit/link';
import type { FirstStep } from '@/contract/views/today';
import { Hidden } from '../kit/hidden';
import { StateIcon } from '../kit/state-icon';

/** The way from an empty house to its first news, each step one press away; gone once it was walked. */
export function FirstHour({ steps }: { steps: FirstStep[] | null }) {
  if (!steps) return null;
  const next = steps.findIndex(({ done }) => !done);
  return (
    <nav className="first-hour no-print" aria-label="The first hour">
      <ol>
        {steps.map((step, at) => (
          <li key={step.text} className={at === next ? 'next' : ''}>
            <StateIcon kind={step.done ? 'done' : at === next ? 'under-way' : 'not-begun'} silent />{' '}
            {step.href && !step.done ? <Link href={step.href}>{step.text}</Link> : step.text}
            {step.done && <Hidden>, done</Hidden>}
          </li>
        ))}
      </ol>
    </nav>
  );
}
