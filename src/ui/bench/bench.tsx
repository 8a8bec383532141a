'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { GROUPS, type Group } from '@/core/quantities/calculator';
import { CALCULATORS } from '@/core/quantities/registry';
import { Block, PageHead } from '../kit/page';
import { Folded } from '../kit/folded';
import { Line } from '../kit/lines';

/** Calculators of one subject that are shown before one asks for more. */
const SHOWN = 3;

/** Every calculator by itself, for a quick answer on site. */
export function Bench({ area }: { area: string | undefined }) {
  const [asked, setAsked] = useState('');
  const found = CALCULATORS.filter((calculator) =>
    asked
      .toLowerCase()
      .split(/\s+/)
      .every((word) => `${calculator.title} ${calculator.answers}`.toLowerCase().includes(word)),
  );
  return (
    <div className="page">
      <PageHead heading="Bench">
        <span className="soft">
          measure, count, check: {CALCULATORS.length} calculators, each with its formula and source
        </span>
        <span className="push">
          <Form.Control
            placeholder="Tiles, drain, stair …"
            aria-label="Search calculators"
            value={asked}
            onChange={(event) => setAsked(event.target.value)}
          />
        </span>
      </PageHead>
      {found.length === 0 && <p className="soft">None by that word. Fewer letters find more.</p>}
      <div className="bench-list">
        {(Object.keys(GROUPS) as Group[])
          .filter((group) => found.some((calculator) => calculator.group === group))
          .map((group) => (
            <Block key={group} heading={GROUPS[group]}>
              <Folded
                of={found.filter((calculator) => calculator.group === group)}
                shown={asked === '' ? SHOWN : found.length}
              >
                {(calculator) => (
                  <Line key={calculator.name}>
                    <Link href={routes.calculator(calculator.name, { area })} className="fw-bold">
                      {calculator.title}
                    </Link>
                    <div className="small-text soft">{calculator.answers}</div>
                  </Line>
                )}
              </Folded>
            </Block>
          ))}
      </div>
    </div>
  );
}
