'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { addScope, changeScope } from '@/contract/commands/scope';
import type { ScopeArea, ScopePageView } from '@/contract/views/scope';
import type { ScopeView } from '@/contract/views/job';
import { MEASURES } from '@/core/layout/measures';
import { FINDING_KINDS } from '@/core/scope/finding';
import { TRADES } from '@/core/sequence/trades';
import { STANCE_KEYS, type Inclusion } from '@/core/sites/area';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { InclusionIcon } from '../kit/inclusion-icon';
import { newId } from '../offline/send';
import { AreaMaking, type Making } from './area-making';
import { AssumptionLine } from './assumption-line';
import { LineFields } from './line-fields';
import { Lists } from './lists';
import { ScopeTabs } from './scope-tabs';
import { useRemove } from '../kit/use-remove';
import { capital } from '@/core/words/letters';
import { DamageFound } from './damage-found';
import { FindingForm } from './finding-form';
import { ServiceProof } from './prove-service';
import { Registers } from './registers';
import type { AssumptionView, FindingView } from '@/contract/views/scope';
import type { Removable } from '@/contract/commands/scope';
import { Hidden } from '../kit/hidden';
import { Block, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';
import { Sum } from '../kit/money';

/** What was agreed and what was not, by area, with its stance beside every line. */
export function Scope({ view }: { view: ScopePageView }) {
  const [open, setOpen] = useState<ScopeView | 'new' | 'csv'>();
  const [found, setFound] = useState<FindingView>();
  const [making, setMaking] = useState<{ making: Making; area?: ScopeArea }>();
  const [only, setOnly] = useState<Inclusion>();
  const remove = useRemove();
  const lines = view.areas.flatMap((area) => area.lines);
  const areas = view.areas
    .map((area) => ({
      ...area,
      lines: area.lines.filter((line) => !only || line.stance === only),
      findings: only ? [] : area.findings,
      assumptions: only ? [] : view.assumptions.filter((assumption) => assumption.areaId === area.id),
    }))
    .filter((area) => area.lines.length + area.findings.length + area.assumptions.length > 0);
  const close = (): void => setOpen(undefined);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.scope">Scope</Means>}>
          <span className="soft">
            {lines.length} lines in {view.areas.filter((area) => area.lines.length > 0).length} areas
          </span>
          <span className="push actions no-print">
            <Button onClick={() => setOpen('new')} disabled={view.areas.length === 0}>
              Add a line
            </Button>
            <Button variant="outline-secondary" onClick={() => setMaking({ making: 'add' })}>
              Another area
            </Button>
            <Button variant="outline-secondary" onClick={() => setOpen('csv')} disabled={view.areas.length === 0}>
              Lists
            </Button>
            <PrintButton>Print</PrintButton>
          </span>
        </PageHead>
        <div className="chips mb-3 no-print" role="group" aria-label="Only lines of one stance">
          {STANCE_KEYS.filter((stance) => lines.some((line) => line.stance === stance)).map((stance) => {
            const count = lines.filter((line) => line.stance === stance).length;
            return (
              <button
                key={stance}
                type="button"
                className="chip"
                aria-pressed={only === stance}
                onClick={() => setOnly(only === stance ? undefined : stance)}
              >
                <InclusionIcon stance={stance} /> {count}
              </button>
            );
          })}
        </div>
        {lines.length === 0 && (
          <Empty>
            <p>
              Nothing is written down yet. Go round once, outside and inside, and begin with what is <em>not</em>{' '}
              included in each room: that is what is forgotten first.
            </p>
            <Link className="btn btn-primary" href={routes.firstVisit(view.job.id)}>
              Begin the first visit
            </Link>
          </Empty>
        )}
        <div className="columns">
          {areas.map((area) => (
            <AreaScope key={area.id} area={area} view={view} setOpen={setOpen} setFound={setFound} make={setMaking} />
          ))}
        </div>
        <Registers view={view} />
        <SidePanel
          title={
            making?.making === 'copy'
              ? `${making.area?.name ?? ''}, copied`
              : making?.making === 'split'
                ? `Split ${making.area?.name ?? ''}`
                : 'Another area'
          }
          open={making !== undefined}
          onClose={() => setMaking(undefined)}
        >
          {making && (
            <AreaMaking making={making.making} view={view} area={making.area} onDone={() => setMaking(undefined)} />
          )}
        </SidePanel>
        <ScopePanel open={open} close={close} view={view} remove={remove} />
        <SidePanel
          title={found ? capital(FINDING_KINDS[found.kind].label) : ''}
          open={found !== undefined}
          onClose={() => setFound(undefined)}
        >
          {found && (
            <FindingForm
              key={found.id}
              job={view.job.id}
              area={found.area}
              kind={found.kind}
              finding={found}
              onDone={() => setFound(undefined)}
            />
          )}
        </SidePanel>
      </div>
    </>
  );
}

/** A line of scope, beside the list. */
function ScopePanel({
  open,
  close,
  view,
  remove,
}: {
  open: ScopeView | 'new' | 'csv' | undefined;
  close: () => void;
  view: ScopePageView;
  remove: (of: Removable, id: string, words: string) => void;
}) {
  return (
    <SidePanel
      title={open === 'new' ? 'One more line' : open === 'csv' ? 'Lists in and out' : 'Change a line'}
      open={open !== undefined}
      onClose={close}
    >
      {open === 'new' && (
        <CommandForm
          kind={addScope}
          submit="Add"
          onDone={close}
          start={() => ({
            id: newId(),
            job: view.job.id,
            area: view.areas[0]?.id ?? '',
            stance: 'in' as const,
            verb: '',
            subject: '',
            dependsOn: '',
          })}
        >
          <SelectField name="area" label="Where" options={view.areas.map((area) => [area.id, area.name])} />
          <LineFields area={undefined} selections={view.selections} />
        </CommandForm>
      )}
      {open === 'csv' && <Lists view={view} onDone={close} />}
      {open && open !== 'new' && open !== 'csv' && (
        <CommandForm
          kind={changeScope}
          submit="Save"
          onDone={close}
          beside={
            <Button
              variant="link"
              onClick={() => {
                close();
                remove('scope', open.id, `“${open.verb} ${open.subject}”`);
              }}
            >
              Take it away
            </Button>
          }
          start={() => ({
            id: open.id,
            version: open.version,
            stance: open.stance,
            verb: open.verb,
            subject: open.subject,
            dependsOn: open.dependsOn,
            place: open.place,
            ...(open.quantity === null ? {} : { quantity: open.quantity }),
            ...(open.unit === null ? {} : { unit: open.unit }),
            ...(open.trade === null ? {} : { trade: open.trade }),
            ...(open.measure === null ? {} : { measure: open.measure }),
            ...(open.selection === null ? {} : { selection: open.selection }),
          })}
        >
          <LineFields area={view.areas.find((area) => area.id === open.areaId)} selections={view.selections} />
        </CommandForm>
      )}
    </SidePanel>
  );
}

/** The lines of one area. */
function AreaScope({
  area,
  view,
  setOpen,
  setFound,
  make,
}: {
  area: ScopePageView['areas'][number] & { assumptions: AssumptionView[] };
  view: ScopePageView;
  setOpen: (next: ScopeView | 'new' | 'csv' | undefined) => void;
  setFound: (next: FindingView) => void;
  make: (making: { making: Making; area: ScopeArea }) => void;
}) {
  return (
    <Block
      heading={
        <>
          <Link href={routes.room(view.job.id, area.id)}>{area.name}</Link>
        </>
      }
      beside={
        <>
          <span className="soft small-text">{[area.place, area.side].filter(Boolean).join(', ')}</span>
          <span className="push small-text no-print d-flex gap-3">
            <LinkButton onClick={() => make({ making: 'copy', area })}>
              Copy<Hidden> {area.name}</Hidden>
            </LinkButton>
            <LinkButton onClick={() => make({ making: 'split', area })}>
              Split<Hidden> {area.name}</Hidden>
            </LinkButton>
            <Link href={routes.firstVisit(view.job.id, area.id)}>visit</Link>
          </span>
        </>
      }
    >
      <Lines>
        {area.lines.map((line) => (
          <Line
            key={line.id}
            beside={
              <>
                <Cost of={view.prices[line.id]} />
                <span className="small-text">
                  <InclusionIcon stance={line.stance} />
                </span>
                <span className="no-print d-flex gap-2">
                  <LinkButton onClick={() => setOpen(line)}>
                    Change<Hidden> {line.subject}</Hidden>
                  </LinkButton>
                </span>
              </>
            }
          >
            {line.verb} {line.subject}
            {line.quantity ? (
              <>
                ,{' '}
                <span className="text-nowrap">
                  {line.quantity} {line.unit ?? ''}
                </span>
              </>
            ) : (
              ''
            )}{' '}
            <Since line={line} />
            {line.measure && line.quantity === null && (
              <div className="small-text soon">
                {MEASURES[line.measure].label}, which it followed, is no longer drawn: draw it, or say how much
              </div>
            )}
            <div className="small-text soft">
              {[
                line.trade ? TRADES[line.trade].toLowerCase() : '',
                line.dependsOn ? `depends on ${line.dependsOn}` : '',
                line.measure && line.quantity !== null ? `follows the drawing: ${MEASURES[line.measure].label}` : '',
                line.change ? 'by a change' : '',
                line.place ? (line.stance === 'protect' ? `with ${line.place}` : `kept ${line.place}`) : '',
                line.was ? `was: ${line.was}` : '',
                selectionWords(view, line),
              ]
                .filter(Boolean)
                .join(' · ')}
            </div>
          </Line>
        ))}
        {area.findings.map((finding) => (
          <Line
            key={finding.id}
            mark={<StateIcon kind={finding.gap ? 'open' : 'checked'} silent />}
            beside={
              <>
                <Cost of={view.prices[finding.id]} />
                <LinkButton className="no-print" onClick={() => setFound(finding)}>
                  Change<Hidden> {finding.subject}</Hidden>
                </LinkButton>
              </>
            }
          >
            <span className="soft small-text">{FINDING_KINDS[finding.kind].label}</span> {finding.text}
            {finding.gap && <div className="small-text soon">{finding.gap}</div>}
            <DamageFound finding={finding} />
            <ServiceProof finding={finding} />
          </Line>
        ))}
        {area.assumptions.map((assumption) => (
          <AssumptionLine key={assumption.id} assumption={assumption} today={view.today} />
        ))}
      </Lines>
    </Block>
  );
}

/** What it costs the firm, for who may see it. */
const Cost = ({ of }: { of: number | undefined }) =>
  of === undefined ? null : (
    <span className="small-text soft text-nowrap no-print">
      <Sum of={of} />
    </span>
  );

/** Where a client has agreed to a statement: what was added or said otherwise since. */
const Since = ({ line }: { line: ScopeView }) =>
  line.since === 'added' || line.since === 'changed' ? (
    <span className="soon small-text text-nowrap">
      {line.since === 'added' ? 'added since the agreement' : 'changed since the agreement'}
    </span>
  ) : null;

const selectionWords = (view: ScopePageView, line: ScopeView): string => {
  const item = view.selections.find((selection) => selection.id === line.selection);
  return item ? `with ${item.category.toLowerCase()}` : '';
};
