'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { addChange, editChange, sendChange, withdrawChange } from '@/contract/commands/scope';
import type { ChangesView, ChangeView } from '@/contract/views/scope';
import { phaseFacts } from '@/core/sequence/phases';
import { TRADES } from '@/core/sequence/trades';
import { formatMoney } from '@/core/units/money';
import { priceLines } from '@/core/quantities/price-change';
import { daysOf } from '@/core/words/count';
import { JobTabs } from '../shell/job-tabs';
import { effectWords } from '../kit/effect-words';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { StateIcon, type StateIconKind } from '../kit/state-icon';
import { MoneyField, PercentField } from '../kit/measure-fields';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { TRADE_OPTIONS } from './line-fields';
import { ScopeTabs } from './scope-tabs';
import { SendFields } from '../kit/send-fields';
import { Hidden } from '../kit/hidden';
import { BlockHead, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

const MARKS: Record<ChangeView['state'], StateIconKind> = {
  draft: 'not-begun',
  sent: 'waiting',
  approved: 'done',
  declined: 'stop',
};
type Open = { form: 'new' } | { form: 'edit' | 'send'; change: ChangeView };

/** What is added or left out after all: priced by lines, with what it does to the finish, approved by the client. */
export function Changes({ view }: { view: ChangesView }) {
  const [open, setOpen] = useState<Open>();
  const { give, busy } = useSend();
  const close = (): void => setOpen(undefined);
  const approved = view.changes.filter((change) => change.state === 'approved');
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.change">Changes</Means>}>
          <span className="soft">
            {approved.length > 0
              ? `${approved.length} approved, ` +
                `${formatMoney(approved.reduce((sum, change) => sum + change.price.total, 0))} in all`
              : 'additions and omissions, approved before they are done'}
          </span>
          <span className="push no-print">
            <Button onClick={() => setOpen({ form: 'new' })} disabled={view.areas.length === 0}>
              A change
            </Button>
          </span>
        </PageHead>
        {view.changes.length === 0 && (
          <Empty>
            <p className="mb-0">
              No change so far. When the client wants something else, price it here by lines: the days come from the
              plan, and nothing is done before they have approved it.
            </p>
          </Empty>
        )}
        {view.changes.map((change) => (
          <article key={change.id} className="change">
            <BlockHead
              heading={
                <>
                  <StateIcon kind={MARKS[change.state]} silent /> {change.number}. {change.title}
                </>
              }
            >
              <span className="soft small-text">
                {change.area}, {change.kind}, {change.state}
              </span>
              <span className="push d-flex gap-2 no-print">
                {(change.state === 'draft' || change.state === 'declined') && (
                  <LinkButton onClick={() => setOpen({ form: 'edit', change })}>
                    Change<Hidden> {change.title}</Hidden>
                  </LinkButton>
                )}
                {change.state === 'draft' && (
                  <Button size="sm" onClick={() => setOpen({ form: 'send', change })}>
                    Send for approval<Hidden>: {change.title}</Hidden>
                  </Button>
                )}
                {change.state === 'sent' && (
                  <LinkButton
                    disabled={busy}
                    onClick={() =>
                      void give(
                        withdrawChange,
                        { id: change.id, version: change.version },
                        { text: 'Taken back; it is a draft again.' },
                      )
                    }
                  >
                    Take back<Hidden> {change.title}</Hidden>
                  </LinkButton>
                )}
              </span>
            </BlockHead>
            {change.answered && (
              <p className={`mt-2 mb-1 ${change.state === 'approved' ? 'good' : 'bad'}`}>{change.answered}</p>
            )}
            {change.why && <p className="soft mt-2 mb-1">{change.why}</p>}
            <div className="main-and-aside">
              <ChangesTable change={change} />
              <Effect change={change} today={view.today} />
            </div>
          </article>
        ))}
        <ChangesPanel open={open} close={close} view={view} />
      </div>
    </>
  );
}

/** A new change, beside the list. */
function ChangesPanel({ open, close, view }: { open: Open | undefined; close: () => void; view: ChangesView }) {
  return (
    <SidePanel
      title={open?.form === 'send' ? 'Send for approval' : open?.form === 'edit' ? 'Change it' : 'A change'}
      open={open !== undefined}
      onClose={close}
    >
      {open?.form === 'new' && <NewChange view={view} onDone={close} />}
      {open?.form === 'edit' && <EditChange view={view} change={open.change} onDone={close} />}
      {open?.form === 'send' && (
        <CommandForm
          kind={sendChange}
          submit="Send"
          onDone={close}
          start={() => ({
            id: open.change.id,
            version: open.change.version,
            updateId: newId(),
            messageId: newId(),
            linkId: newId(),
            name: view.client.name,
            address: view.client.address,
            expiresOn: view.job.linksUntil,
          })}
        >
          <p className="mb-0">
            {open.change.title}: {formatMoney(open.change.price.total)}. {effectWords(open.change, view.today)}
          </p>
          <SendFields />
        </CommandForm>
      )}
    </SidePanel>
  );
}

/** The lines of a change with their prices. */
function ChangesTable({ change }: { change: ChangeView }) {
  return (
    <table className="table-lines price-lines">
      <thead>
        <tr>
          <th>Line</th>
          <th className="text-end" style={{ width: '22%' }}>
            Quantity
          </th>
          <th className="text-end" style={{ width: '18%' }}>
            One
          </th>
          <th className="text-end" style={{ width: '20%' }}>
            All
          </th>
        </tr>
      </thead>
      <tbody>
        {change.lines.map((line, index) => (
          <tr key={index}>
            <td>
              {line.verb} {line.subject}
            </td>
            <td className="text-end" data-label="Quantity">
              <span className="mono">{line.quantity}</span> {line.unit}
            </td>
            <td className="text-end mono" data-label="One">
              {formatMoney(line.unitPrice)}
            </td>
            <td className="text-end mono" data-label="All">
              {formatMoney(priceLines([line], 0, 0).net)}
            </td>
          </tr>
        ))}
        {change.price.markup !== 0 && (
          <tr>
            <td colSpan={3} className="soft">
              overhead and profit, {Number((change.markup * 100).toPrecision(10))} %
            </td>
            <td className="text-end mono">{formatMoney(change.price.markup)}</td>
          </tr>
        )}
        {change.price.tax !== 0 && (
          <tr>
            <td colSpan={3} className="soft">
              tax, {Number((change.taxRate * 100).toPrecision(10))} %
            </td>
            <td className="text-end mono">{formatMoney(change.price.tax)}</td>
          </tr>
        )}
        <tr>
          <td colSpan={3} className="fw-bold">
            in all
          </td>
          <td className="text-end mono fw-bold">{formatMoney(change.price.total)}</td>
        </tr>
      </tbody>
    </table>
  );
}

function Effect({ change, today }: { change: ChangeView; today: string }) {
  return (
    <div className="small-text">
      <p className={change.before && change.after && change.after > change.before ? 'bad' : ''}>
        {effectWords(change, today)}
        {change.state === 'draft'
          ? ' By the plan of today.'
          : change.state === 'sent'
            ? ' As the client was told.'
            : ''}
      </p>
      {change.work && (
        <p>
          Work: {TRADES[change.work.trade].toLowerCase()}, {daysOf(change.work.halfDays)}
          {change.work.after ? `, after ${phaseFacts(change.work.after).label}` : ''}.
        </p>
      )}
      {change.drops.length > 0 && <p>Falls away: {change.drops.map((phase) => phaseFacts(phase).label).join(', ')}.</p>}
    </div>
  );
}

const blankLine = () => ({
  verb: '',
  subject: '',
  quantity: 1,
  unit: 'pieces',
  unitPrice: undefined as unknown as number,
});

function NewChange({ view, onDone }: { view: ChangesView; onDone: () => void }) {
  const [area, setArea] = useState(view.areas[0]?.id ?? '');
  return (
    <>
      <Form.Group controlId="change-area" className="mb-3">
        <Form.Label className="mb-1">Where</Form.Label>
        <Form.Select value={area} onChange={(event) => setArea(event.target.value)}>
          {view.areas.map((entry) => (
            <option key={entry.id} value={entry.id}>
              {entry.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <CommandForm
        key={area}
        kind={addChange}
        submit="Save as a draft"
        onDone={onDone}
        start={() => ({
          id: newId(),
          job: view.job.id,
          area,
          kind: 'addition' as const,
          title: '',
          why: '',
          lines: [blankLine()],
          markup: 0.15,
          taxRate: 0,
          drops: [],
          omits: [],
        })}
      >
        <ChangeFields area={view.areas.find((entry) => entry.id === area)} />
      </CommandForm>
    </>
  );
}

function EditChange({ view, change, onDone }: { view: ChangesView; change: ChangeView; onDone: () => void }) {
  const { id, version, kind, title, why, lines, markup, taxRate, work, drops, omits } = change;
  return (
    <CommandForm
      kind={editChange}
      submit="Save"
      onDone={onDone}
      start={() => ({ id, version, kind, title, why, lines, markup, taxRate, drops, omits, ...(work ? { work } : {}) })}
    >
      <ChangeFields area={view.areas.find((area) => area.id === change.areaId)} />
    </CommandForm>
  );
}

function ChangeFields({ area }: { area: ChangesView['areas'][number] | undefined }) {
  const { control, setValue } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'lines', keyName: 'row' });
  const kind = useWatch({ name: 'kind' }) as string;
  const work = useWatch({ name: 'work' }) as object | undefined;
  return (
    <>
      <SelectField
        name="kind"
        label="It is"
        options={[
          ['addition', 'an addition'],
          ['omission', 'an omission'],
        ]}
      />
      <TextField name="title" label="What changes" hint="like “two more sockets” or “the rear windows stay”" />
      <TextField name="why" label="Why" />
      {fields.map((field, index) => (
        <fieldset key={field.row} className="option-fields">
          <legend className="form-label fs-6 mb-1 fw-bold">Line {index + 1}</legend>
          <div className="form-pair">
            <TextField name={`lines.${index}.verb`} label="What happens" />
            <TextField name={`lines.${index}.subject`} label="to what" />
          </div>
          <div className="form-pair">
            <TextField
              name={`lines.${index}.quantity`}
              label="How many"
              type="number"
              {...(kind === 'omission' ? { hint: 'with a minus' } : {})}
            />
            <TextField name={`lines.${index}.unit`} label="Unit" />
            <MoneyField name={`lines.${index}.unitPrice`} label="Price of one" />
          </div>
          {fields.length > 1 && <LinkButton onClick={() => remove(index)}>Take line {index + 1} away</LinkButton>}
        </fieldset>
      ))}
      <div>
        <Button size="sm" variant="outline-secondary" onClick={() => append(blankLine())}>
          One more line
        </Button>
      </div>
      <div className="form-pair">
        <PercentField name="markup" label="Overhead and profit, %" />
        <PercentField name="taxRate" label="Tax, %" />
      </div>
      <Form.Check
        id="change-work"
        label="It adds work to the plan"
        checked={work !== undefined}
        onChange={(event) =>
          setValue(
            'work',
            event.target.checked
              ? { trade: 'carpentry', halfDays: 2, ...(area?.phases[0] ? { after: area.phases[0].phase } : {}) }
              : undefined,
          )
        }
      />
      {work !== undefined && (
        <>
          <div className="form-pair">
            <SelectField name="work.trade" label="Whose work" options={TRADE_OPTIONS} />
            <TextField name="work.halfDays" label="Half-days" type="number" />
          </div>
          <SelectField
            name="work.after"
            label="After"
            none="at any time"
            options={(area?.phases ?? []).map((step) => [step.phase, step.label])}
          />
        </>
      )}
      {kind === 'omission' && area && area.phases.length > 0 && (
        <TicksField
          name="drops"
          label="Steps that fall away"
          options={area.phases.map((step) => [step.phase, step.label])}
        />
      )}
      {kind === 'omission' && area && area.lines.length > 0 && (
        <TicksField
          name="omits"
          label="Lines that are then not included"
          options={area.lines.map((line) => [line.id, line.text])}
        />
      )}
    </>
  );
}
