'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { addOptions, changeOptions, chooseOption, unchooseOption } from '@/contract/commands/scope';
import type { OptionSetView, OptionsView, OptionView } from '@/contract/views/scope';
import { workFacts, worksFor } from '@/core/sequence/works';
import { formatDay } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { LinesField } from '../kit/lines-field';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { MoneyField } from '../kit/measure-fields';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { ScopeTabs } from './scope-tabs';
import { useRemove } from '../kit/use-remove';
import { Hidden } from '../kit/hidden';
import { Block, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';
import { useMoney } from '../kit/money';

type Open =
  { form: 'new' } | { form: 'change'; set: OptionSetView } | { form: 'choose'; set: OptionSetView; option: OptionView };

/** Ways of doing one thing side by side, each with what it costs, how long it lasts and what it does to the finish. */
export function Options({ view }: { view: OptionsView }) {
  const [open, setOpen] = useState<Open>();
  const { give, busy } = useSend();
  const remove = useRemove();
  const close = (): void => setOpen(undefined);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.option">Options side by side</Means>}>
          <span className="soft">
            {view.finish ? `today’s plan ends on ${formatDay(view.finish, view.today)}` : 'no plan yet'}
          </span>
          <span className="push no-print">
            <Button onClick={() => setOpen({ form: 'new' })} disabled={view.areas.length === 0}>
              Compare something
            </Button>
          </span>
        </PageHead>
        {view.sets.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nothing is compared. Where there are two honest ways — overlay or strip, keep or replace, plaster or board
              — put them side by side and let the finish date speak too.
            </p>
          </Empty>
        )}
        {view.sets.map((set) => (
          <Block
            key={set.id}
            className="mb-4"
            heading={
              <>
                {set.area}: {set.subject}
              </>
            }
            beside={
              <>
                <span className="soft small-text">before {set.phaseLabel}</span>
                {!set.chosen && (
                  <LinkButton className="push no-print" onClick={() => setOpen({ form: 'change', set })}>
                    Change<Hidden> {set.subject}</Hidden>
                  </LinkButton>
                )}
                {set.chosen && (
                  <LinkButton
                    className="push no-print"
                    disabled={busy}
                    onClick={() =>
                      void give(
                        unchooseOption,
                        { id: set.id, version: set.version },
                        { text: 'The choice is open again; the plan follows.' },
                      )
                    }
                  >
                    Open it again<Hidden>: {set.subject}</Hidden>
                  </LinkButton>
                )}
              </>
            }
          >
            {set.chosen && (
              <p className="good mt-2 mb-1">
                <StateIcon kind="done" silent /> {set.options.find((option) => option.key === set.chosen)?.name}:{' '}
                {set.reason} <span className="soft small-text">{set.chosenWhen}</span>
              </p>
            )}
            <SideBySide set={set} today={view.today} onChoose={(option) => setOpen({ form: 'choose', set, option })} />
          </Block>
        ))}
        {view.decisions.length > 0 && (
          <Block heading="Decided so far">
            <Lines>
              {view.decisions.map((decision) => (
                <Line
                  key={decision.id}
                  mark={<StateIcon kind="done" silent />}
                  beside={
                    <LinkButton className="no-print" onClick={() => remove('decision', decision.id, 'The entry')}>
                      Remove<Hidden> {decision.subject}</Hidden>
                    </LinkButton>
                  }
                >
                  {decision.subject}
                  <div className="small-text soft">
                    {decision.reason} · {decision.by}, {decision.when}
                  </div>
                </Line>
              ))}
            </Lines>
          </Block>
        )}
        <OptionsPanel open={open} close={close} view={view} />
      </div>
    </>
  );
}

/** A new set of options, beside the list. */
function OptionsPanel({ open, close, view }: { open: Open | undefined; close: () => void; view: OptionsView }) {
  return (
    <SidePanel
      title={
        open?.form === 'choose'
          ? `Choose ${open.option.name}`
          : open?.form === 'change'
            ? 'Change what is compared'
            : 'Compare'
      }
      open={open !== undefined}
      onClose={close}
    >
      {open?.form === 'choose' && (
        <CommandForm
          kind={chooseOption}
          submit="Choose it"
          onDone={close}
          start={() => ({
            id: open.set.id,
            version: open.set.version,
            key: open.option.key,
            reason: '',
            decisionId: newId(),
          })}
        >
          <p className="mb-0">
            {open.option.workLabels.length > 0
              ? `${open.set.area} is then planned as: ${open.option.workLabels.join(', ')}.`
              : 'The work in the area stays as it is planned.'}{' '}
            {moveWords(open.option)}
          </p>
          <TextField name="reason" label="Why" rows={2} />
        </CommandForm>
      )}
      {open?.form === 'new' && <NewSet view={view} onDone={close} />}
      {open?.form === 'change' && (
        <CommandForm
          kind={changeOptions}
          submit="Save"
          onDone={close}
          start={() => ({
            id: open.set.id,
            version: open.set.version,
            phase: open.set.phase,
            subject: open.set.subject,
            lines: open.set.lines,
            options: open.set.options.map(bare),
          })}
        >
          <SetFields areas={view.areas} area={open.set.areaId} />
        </CommandForm>
      )}
    </SidePanel>
  );
}

const bare = ({ key, name, cost, upkeepPerYear, lifeYears, leadDays, works, lines, upkeep, unknown }: OptionView) => ({
  key,
  name,
  cost,
  upkeepPerYear,
  lifeYears,
  leadDays,
  works,
  lines,
  upkeep,
  unknown,
});
const moveWords = (option: OptionView): string =>
  option.moves === null
    ? 'What it does to the end cannot be planned.'
    : option.moves === 0
      ? 'The end stays where it is.'
      : `The end moves ${Math.abs(option.moves)} ${Math.abs(option.moves) === 1 ? 'day' : 'days'} ` +
        `${option.moves > 0 ? 'later' : 'earlier'}.`;

/** Rows are what is compared, columns the options; the best of each figure is said, not coloured alone. */
function SideBySide({
  set,
  today,
  onChoose,
}: {
  set: OptionSetView;
  today: string;
  onChoose: (option: OptionView) => void;
}) {
  const money = useMoney();
  const least = (value: (option: OptionView) => number | null): number =>
    Math.min(...set.options.map((option) => value(option) ?? Infinity));
  const best = (option: OptionView, value: (option: OptionView) => number | null, word = 'least'): React.ReactNode =>
    value(option) === least(value) && set.options.some((other) => value(other) !== value(option)) ? (
      <span className="good small-text"> {word}</span>
    ) : null;
  const rows: [string, (option: OptionView) => React.ReactNode][] = [
    [
      'Costs',
      (option) => (
        <>
          <span className="mono">{money(option.cost)}</span>
          {best(option, (entry) => entry.cost)}
        </>
      ),
    ],
    [
      'Upkeep',
      (option) => (
        <>
          {option.upkeepPerYear > 0 ? (
            <>
              <span className="mono">{money(option.upkeepPerYear)}</span> a year
            </>
          ) : (
            'none'
          )}
          {option.upkeep && <div className="soft small-text">{option.upkeep}</div>}
        </>
      ),
    ],
    ['Lasts', (option) => `${option.lifeYears} years`],
    [
      'Cost per year',
      (option) => (
        <>
          <span className="mono">{money(option.costPerYear)}</span>
          {best(option, (entry) => entry.costPerYear)}
        </>
      ),
    ],
    [
      'Lead time',
      (option) => (
        <>
          {option.leadDays} days{best(option, (entry) => entry.leadDays)}
        </>
      ),
    ],
    ['The work', (option) => option.workLabels.join(', ') || 'as planned'],
    [
      `${set.area} done`,
      (option) => (
        <>
          {option.areaDone ? formatDay(option.areaDone, today) : 'not planned'}
          {best(option, (entry) => (entry.areaDone ? Date.parse(entry.areaDone) : null), 'first')}
        </>
      ),
    ],
    [
      'Job done',
      (option) =>
        option.finish ? (
          <>
            {formatDay(option.finish, today)}
            <div className={`small-text ${(option.moves ?? 0) > 0 ? 'bad' : 'soft'}`}>{moveWords(option)}</div>
          </>
        ) : (
          'not planned'
        ),
    ],
    ['Stays unknown', (option) => option.unknown || 'nothing'],
  ];
  return (
    <div className="side-by-side" style={{ '--options': set.options.length } as React.CSSProperties}>
      <SideBySideTable set={set} rows={rows} onChoose={onChoose} />
    </div>
  );
}

/** The options, a column each. */
function SideBySideTable({
  set,
  rows,
  onChoose,
}: {
  set: OptionSetView;
  rows: [string, (option: OptionView) => React.ReactNode][];
  onChoose: (option: OptionView) => void;
}) {
  return (
    <table>
      <thead>
        <tr>
          <th>
            <Hidden>Compared</Hidden>
          </th>
          {set.options.map((option) => (
            <th key={option.key} scope="col" className={set.chosen === option.key ? 'chosen' : ''}>
              {option.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([head, cell]) => (
          <tr key={head}>
            <th scope="row">{head}</th>
            {set.options.map((option) => (
              <td key={option.key} className={set.chosen === option.key ? 'chosen' : ''}>
                {cell(option)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
      {!set.chosen && (
        <tfoot className="no-print">
          <tr>
            <td />
            {set.options.map((option) => (
              <td key={option.key}>
                <Button size="sm" variant="outline-secondary" onClick={() => onChoose(option)}>
                  Choose<Hidden> {option.name}</Hidden>
                </Button>
              </td>
            ))}
          </tr>
        </tfoot>
      )}
    </table>
  );
}

function NewSet({ view, onDone }: { view: OptionsView; onDone: () => void }) {
  const [area, setArea] = useState(view.areas[0]?.id ?? '');
  const blank = () => ({
    key: newId(),
    name: '',
    cost: undefined as unknown as number,
    upkeepPerYear: 0,
    lifeYears: 20,
    leadDays: 0,
    works: [],
    lines: [],
    upkeep: '',
    unknown: '',
  });
  return (
    <>
      <Form.Group controlId="options-area" className="mb-3">
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
        kind={addOptions}
        submit="Compare"
        onDone={onDone}
        start={() => ({
          id: newId(),
          job: view.job.id,
          area,
          phase: view.areas.find((entry) => entry.id === area)?.phases[0]?.phase,
          subject: '',
          lines: [],
          options: [blank(), blank()],
        })}
      >
        <SetFields areas={view.areas} area={area} />
      </CommandForm>
    </>
  );
}

const LINES_HINT =
  'Like “overlay the siding 456 sq ft”. The lines ticked above are rewritten in their order; what they said stays ' +
  'beside them.';

function SetFields({ areas, area }: { areas: OptionsView['areas']; area: string }) {
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'options', keyName: 'row' });
  const known = areas.find((entry) => entry.id === area);
  return (
    <>
      <TextField name="subject" label="What is to be decided" hint="like “overlay or strip”" />
      <SelectField
        name="phase"
        label="Decided before"
        options={(known?.phases ?? []).map((step) => [step.phase, step.label])}
      />
      {known && known.lines.length > 0 && (
        <TicksField
          name="lines"
          label="Lines of scope it decides"
          options={known.lines.map((line) => [line.id, line.text])}
        />
      )}
      {fields.map((field, index) => (
        <fieldset key={field.row} className="option-fields">
          <legend className="form-label fs-6 mb-1 fw-bold">Option {index + 1}</legend>
          <TextField name={`options.${index}.name`} label="Name" />
          <div className="form-pair">
            <MoneyField name={`options.${index}.cost`} label="Costs" />
            <TextField name={`options.${index}.leadDays`} label="Days until it is there" type="number" />
          </div>
          <div className="form-pair">
            <TextField name={`options.${index}.lifeYears`} label="Lasts, years" type="number" />
            <MoneyField name={`options.${index}.upkeepPerYear`} label="Upkeep in a year" />
          </div>
          <TextField name={`options.${index}.upkeep`} label="Which upkeep" hint="like “painted every eight years”" />
          <TextField name={`options.${index}.unknown`} label="What stays unknown" />
          {known && (
            <TicksField
              name={`options.${index}.works`}
              label="If chosen, the work there is"
              options={worksFor(known.kind)
                .filter((work) => work !== 'none')
                .map((work) => [work, workFacts(work).label])}
            />
          )}
          <LinesField
            name={`options.${index}.lines`}
            label="If chosen, the scope says, one line each"
            hint={LINES_HINT}
          />
          {fields.length > 2 && <LinkButton onClick={() => remove(index)}>Take option {index + 1} away</LinkButton>}
        </fieldset>
      ))}
      {fields.length < 5 && (
        <div>
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() =>
              append({
                key: newId(),
                name: '',
                upkeepPerYear: 0,
                lifeYears: 20,
                leadDays: 0,
                works: [],
                lines: [],
                upkeep: '',
                unknown: '',
              })
            }
          >
            One more option
          </Button>
        </div>
      )}
    </>
  );
}
