'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { Form } from 'react-bootstrap';
import { purchaseShortage, unpurchaseShortage } from '@/contract/commands/completion';
import type { RunView } from '@/contract/views/walk';
import { formatDay } from '@/core/units/day';
import { PrintButton } from '../kit/print-button';
import { useSend } from '../kit/use-send';
import { Block, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';

/** One run for all sites: by supplier, the soonest first, ticked where it is bought. */
export function RunList({ view }: { view: RunView }) {
  const { give } = useSend();
  const open = view.stops.reduce((sum, stop) => sum + stop.lines.filter((line) => !line.bought).length, 0);
  return (
    <div className="page">
      <PageHead heading="Run list">
        <span className="soft">
          {open === 0
            ? 'nothing to buy'
            : `${open} to buy in ${view.stops.filter((stop) => stop.lines.some((line) => !line.bought)).length} stops`}
        </span>
        <span className="push no-print">
          <PrintButton>Print</PrintButton>
        </span>
      </PageHead>
      {view.stops.length === 0 && (
        <Empty>
          <p className="mb-0">
            What runs out is kept on a walk with a line that begins with <span className="mono">$</span>, like{' '}
            <span className="mono">$ 2 tubes sealant</span>. All sites come together here, so that nobody drives twice.
          </p>
        </Empty>
      )}
      {view.stops.map((stop) => (
        <Block
          key={stop.supplier}
          heading={stop.supplier}
          beside={
            <span className={`push small-text ${stop.late ? 'bad' : 'soft'}`}>
              {stop.lines.some((line) => !line.bought) ? `needed ${formatDay(stop.day, view.today)}` : 'all bought'}
            </span>
          }
        >
          <Lines>
            {stop.lines.map((line) => (
              <Line
                key={line.id}
                beside={<span className="soft small-text text-nowrap">{formatDay(line.day, view.today)}</span>}
              >
                <Form.Check
                  id={`bought-${line.id}`}
                  className="run-tick"
                  checked={line.bought}
                  label={line.text}
                  onChange={() =>
                    void (line.bought
                      ? give(unpurchaseShortage, { about: line.id }, { text: `${line.text} is open again.` })
                      : give(
                          purchaseShortage,
                          { about: line.id },
                          {
                            text: `${line.text}: bought.`,
                            back: `${line.text} is open again.`,
                          },
                        ))
                  }
                />
                <div className="small-text soft">
                  <Link href={routes.rooms(line.job)}>{line.jobName}</Link>, {line.area} · since {line.since}
                </div>
              </Line>
            ))}
          </Lines>
        </Block>
      ))}
    </div>
  );
}
