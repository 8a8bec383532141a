'use client';
import { Link } from '../kit/link';
import { Form } from 'react-bootstrap';
import { describeArea } from '@/contract/commands/layout';
import { routes } from '@/contract/routes';
import type { LayoutView } from '@/contract/views/layout';
import type { PlanFinding } from '@/core/layout/fit/finding';
import { MEASURES, type Measure } from '@/core/layout/measures';
import type { Shape } from '@/core/layout/shape';
import { sayMeasure } from '@/core/quantities/measured';
import { formatLength, type LengthSystem } from '@/core/units/length';
import { Line, Lines } from '../kit/lines';
import { Block } from '../kit/page';
import { StateIcon } from '../kit/state-icon';
import type { Give } from '../kit/use-send';

/** What was decided of it. */
export function Decided({ view }: { view: LayoutView }) {
  return (
    <Block heading="Decided">
      <Lines>
        {view.decisions.map((decision) => (
          <Line key={decision.id} mark={<StateIcon kind="done" silent />}>
            {decision.subject}
            <div className="small-text soft">
              {decision.reason} · {decision.by}, {decision.when}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** What was computed from it. */
export function ComputedForIt({ area, view }: { area: LayoutView['area']; view: LayoutView }) {
  return (
    <Block
      heading="Computed for it"
      beside={
        <Link className="push small-text no-print" href={routes.bench(area.id)}>
          open Bench
        </Link>
      }
    >
      {view.calculations.length === 0 && <p className="soft mt-2">Nothing yet.</p>}
      <Lines>
        {view.calculations.map((calculation) => (
          <Line key={calculation.id} mark={<StateIcon kind={calculation.problem ? 'stop' : 'checked'} silent />}>
            <Link href={routes.calculator(calculation.calculator, { kept: calculation.id })}>
              {calculation.product || calculation.title}
            </Link>
            : {calculation.problem ?? calculation.answer}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** What its drawing measures. */
export function ItMeasures({ view, system }: { view: LayoutView; system: LengthSystem }) {
  return (
    <Block heading="It measures">
      <Lines className="small-text">
        {(Object.keys(view.measures) as Measure[]).flatMap((measure) => {
          const value = view.measures[measure];
          if (typeof value !== 'number' || value <= 0) return [];
          const { dimension, label } = MEASURES[measure];
          return [
            <li key={measure}>
              <span className="what soft">{label}</span>
              <span className="mono">
                {dimension === 'length' ? formatLength(value, system) : sayMeasure(measure, value, system)}
              </span>
            </li>,
          ];
        })}
      </Lines>
    </Block>
  );
}

/** Whether all of it fits, and what cannot be told yet. */
export function DoesItFit({
  area,
  give,
  findings,
  shape,
}: {
  area: LayoutView['area'];
  give: Give;
  findings: PlanFinding[];
  shape: Shape;
}) {
  return (
    <Block heading="Does it fit">
      {area.kind !== 'face' && area.kind !== 'roof' && area.kind !== 'ground' && (
        <Form.Check
          id="sleeping"
          className="mt-2 no-print"
          label="Somebody sleeps here"
          checked={area.sleeping}
          onChange={(event) =>
            void give(describeArea, { id: area.id, side: area.side, sleeping: event.target.checked })
          }
        />
      )}
      {findings.length === 0 && (
        <p className="soft mt-2">
          {shape.kind === 'roof'
            ? 'Nothing to ask of a roof by its plan.'
            : 'Nothing to ask yet: set doors, windows and what is to stand here.'}
        </p>
      )}
      <Lines>
        {(['bad', 'ask', 'good'] as const).flatMap((tone) =>
          findings
            .filter((finding) => finding.tone === tone)
            .map((finding) => (
              <Line
                key={finding.key}
                mark={<StateIcon kind={tone === 'bad' ? 'stop' : tone === 'ask' ? 'waiting' : 'done'} />}
              >
                {finding.text}
              </Line>
            )),
        )}
      </Lines>
    </Block>
  );
}
