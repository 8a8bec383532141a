'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { finishExtra, reopenExtra } from '@/contract/commands/scope';
import type { AssumptionsView, AssumptionView, ExtraView } from '@/contract/views/scope';
import { TRADES } from '@/core/sequence/trades';
import { daysOf } from '@/core/words/count';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { AssumptionForm } from './assumption-form';
import { AssumptionLine } from './assumption-line';
import { ScopeTabs } from './scope-tabs';
import { useRemove } from '../kit/use-remove';
import { Hidden } from '../kit/hidden';
import { Block, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

/** Everything that is believed and not yet seen, in the order in which it will show itself. */
export function Assumptions({ view }: { view: AssumptionsView }) {
  const [open, setOpen] = useState<AssumptionView | 'new'>();
  const [areaId, setAreaId] = useState(view.areas[0]?.id ?? '');
  const remove = useRemove();
  const close = (): void => setOpen(undefined);
  const area = view.areas.find((entry) => entry.id === (open && open !== 'new' ? open.areaId : areaId));
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.assumption">Assumptions</Means>}>
          <span className="soft">priced unseen; each shows itself when something is opened</span>
          <span className="push no-print">
            <Button onClick={() => setOpen('new')} disabled={view.areas.length === 0}>
              Add assumption
            </Button>
          </span>
        </PageHead>
        {view.assumptions.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nothing is assumed. Whatever is priced without having been seen belongs here, with what follows if it is
              otherwise: “the sheathing under the old boards is sound; if not, it is replaced, two days”.
            </p>
          </Empty>
        )}
        <Lines>
          {view.assumptions.map((assumption) => (
            <AssumptionLine
              key={assumption.id}
              assumption={assumption}
              today={view.today}
              withArea
              actions={
                assumption.state === 'open' && (
                  <>
                    <LinkButton onClick={() => setOpen(assumption)}>
                      Change<Hidden>: {assumption.text}</Hidden>
                    </LinkButton>
                    <LinkButton onClick={() => remove('assumption', assumption.id, `“${assumption.text}”`)}>
                      Remove<Hidden>: {assumption.text}</Hidden>
                    </LinkButton>
                  </>
                )
              }
            />
          ))}
        </Lines>
        {view.extras.length > 0 && <Extras extras={view.extras} withArea />}
        <SidePanel
          title={open === 'new' ? 'One more assumption' : 'Change an assumption'}
          open={open !== undefined}
          onClose={close}
        >
          {open === 'new' && (
            <Form.Group controlId="assumption-area" className="mb-3">
              <Form.Label className="mb-1">Where</Form.Label>
              <Form.Select value={areaId} onChange={(event) => setAreaId(event.target.value)}>
                {view.areas.map((entry) => (
                  <option key={entry.id} value={entry.id}>
                    {entry.name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          )}
          {open && area && (
            <AssumptionForm
              key={area.id}
              job={view.job.id}
              area={area.id}
              phases={area.phases}
              onDone={close}
              {...(open === 'new' ? {} : { assumption: open })}
            />
          )}
        </SidePanel>
      </div>
    </>
  );
}

/** Work that was added: by an assumption that was wrong, by a change that was approved. */
export function Extras({ extras, withArea }: { extras: ExtraView[]; withArea?: boolean }) {
  const { give, busy } = useSend();
  return (
    <Block heading="Added work">
      <Lines>
        {extras.map((extra) => (
          <Line
            key={extra.id}
            mark={<StateIcon kind={extra.state === 'done' ? 'done' : 'waiting'} />}
            beside={
              <LinkButton
                className="no-print"
                disabled={busy}
                onClick={() =>
                  void (extra.state === 'open'
                    ? give(finishExtra, { id: extra.id }, { text: 'Done; the plan follows.', back: 'Taken back.' })
                    : give(reopenExtra, { id: extra.id }, { text: 'It is open again.' }))
                }
              >
                {extra.state === 'open' ? 'It is done' : 'Open again'}
                <Hidden>: {extra.text}</Hidden>
              </LinkButton>
            }
          >
            {withArea && <span className="fw-bold">{extra.area}: </span>}
            {extra.text}
            <div className="small-text soft">
              {TRADES[extra.trade].toLowerCase()}, {daysOf(extra.halfDays)}, {extra.when}. {extra.reason}.
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
