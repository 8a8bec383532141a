'use client';
import { Form } from 'react-bootstrap';
import { useController, useFormContext, useWatch } from 'react-hook-form';
import {
  addRequest,
  answerRequest,
  askClient,
  askParty,
  changeRequest,
  sendRequest,
} from '@/contract/commands/selections';
import type { RequestsView, RequestView } from '@/contract/views/selections';
import { PARTIES, PARTY_KEYS, REQUEST_KIND_KEYS, REQUEST_KINDS } from '@/core/selections/requests';
import type { Phase } from '@/core/sequence/phases';
import type { Day } from '@/core/units/day';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { SendFields } from '../kit/send-fields';
import { newSending } from '../kit/new-sending';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';

/** What is asked for, of whom, what must be there first and what waits for it. */
export function RequestForm({
  view,
  request,
  onDone,
}: {
  view: RequestsView;
  request?: RequestView;
  onDone: () => void;
}) {
  const fields = <Fields view={view} {...(request ? { but: request.id } : {})} />;
  if (!request)
    return (
      <CommandForm
        kind={addRequest}
        submit="Save"
        onDone={onDone}
        start={() => ({
          id: newId(),
          job: view.job.id,
          kind: 'approval' as const,
          party: 'association' as const,
          who: '',
          subject: '',
          takesLow: 14,
          takesHigh: 21,
          waits: [],
        })}
      >
        {fields}
      </CommandForm>
    );
  const { id, version, kind, party, who, subject, takesLow, takesHigh, after } = request;
  const waits = request.waits.map(({ selection, area, phase }) =>
    selection ? { selection } : { area: area ?? '', phase: phase as Phase },
  );
  return (
    <CommandForm
      kind={changeRequest}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id,
        version,
        kind,
        party,
        who,
        subject,
        takesLow,
        takesHigh,
        waits,
        ...(after ? { after } : {}),
      })}
    >
      {fields}
    </CommandForm>
  );
}

function Fields({ view, but }: { view: RequestsView; but?: string }) {
  return (
    <>
      <div className="form-pair">
        <SelectField
          name="kind"
          label="It is"
          options={REQUEST_KIND_KEYS.map((kind) => [
            kind,
            kind === 'answer' || kind === 'approval' ? `an ${REQUEST_KINDS[kind]}` : `a ${REQUEST_KINDS[kind]}`,
          ])}
        />
        <SelectField name="party" label="Of whom" options={PARTY_KEYS.map((party) => [party, PARTIES[party]])} />
      </div>
      <TextField name="subject" label="What it is about" />
      <TextField name="who" label="Their name" />
      <div className="form-pair">
        <TextField name="takesLow" label="Days it takes, at best" type="number" />
        <TextField name="takesHigh" label="at worst" type="number" />
      </div>
      <SelectField
        name="after"
        label="Comes after"
        none="nothing: it can be asked at once"
        options={view.requests.filter((request) => request.id !== but).map((request) => [request.id, request.subject])}
      />
      <WaitsField view={view} />
    </>
  );
}

interface Wait {
  selection?: string;
  area?: string;
  phase?: Phase;
}
const keyOf = (wait: Wait): string => wait.selection ?? `${wait.area ?? ''}:${wait.phase ?? ''}`;

/** Orders and steps that stand still without it. */
function WaitsField({ view }: { view: RequestsView }) {
  const { control } = useFormContext();
  const { field } = useController({ name: 'waits', control });
  const waits = (field.value ?? []) as Wait[];
  const offered: { wait: Wait; name: string }[] = [
    ...view.selections.map(({ id, text }) => ({ wait: { selection: id }, name: `the order of ${text}` })),
    ...view.areas.flatMap((area) =>
      area.phases.map((step) => ({ wait: { area: area.id, phase: step.phase }, name: `${area.name} · ${step.label}` })),
    ),
  ];
  const names = new Map(offered.map(({ wait, name }) => [keyOf(wait), name]));
  const add = (key: string): void => {
    const found = offered.find(({ wait }) => keyOf(wait) === key);
    if (found && !waits.some((entry) => keyOf(entry) === key)) field.onChange([...waits, found.wait]);
  };
  return (
    <Form.Group controlId="field-waits">
      <Form.Label className="mb-1">What it holds up</Form.Label>
      {waits.length > 0 && (
        <Lines className="mb-2">
          {waits.map((wait) => (
            <Line
              key={keyOf(wait)}
              beside={
                <button
                  type="button"
                  className="btn btn-link btn-sm p-0"
                  onClick={() => field.onChange(waits.filter((entry) => keyOf(entry) !== keyOf(wait)))}
                >
                  Take out<Hidden> {names.get(keyOf(wait))}</Hidden>
                </button>
              }
            >
              {names.get(keyOf(wait)) ?? 'something that is no longer there'}
            </Line>
          ))}
        </Lines>
      )}
      <Form.Select value="" onChange={(event) => add(event.target.value)}>
        <option value="">add an order or a step …</option>
        <optgroup label="Orders">
          {view.selections.map((selection) => (
            <option key={selection.id} value={selection.id}>
              {selection.text}
            </option>
          ))}
        </optgroup>
        {view.areas.map((area) => (
          <optgroup key={area.id} label={area.name}>
            {area.phases.map((step) => (
              <option key={step.phase} value={`${area.id}:${step.phase}`}>
                {area.name} · {step.label}
              </option>
            ))}
          </optgroup>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

interface About {
  request: RequestView;
  onDone: () => void;
}

export function SendRequest({ request, today, onDone }: About & { today: Day }) {
  return (
    <CommandForm
      kind={sendRequest}
      submit="Save"
      onDone={onDone}
      start={() => ({ id: request.id, version: request.version, sentOn: today, sent: '' })}
    >
      <TextField name="sent" label="What was sent" hint="like “elevation 1:20 and a sample of the glass”" />
      <div className="form-pair">
        <TextField name="sentOn" label="Sent on" type="date" />
        <TextField
          name="expectedOn"
          label="They answer on"
          type="date"
          hint={`empty: after ${request.takesHigh} days`}
        />
      </div>
    </CommandForm>
  );
}

export function AskClient({ view, request, onDone }: About & { view: RequestsView }) {
  return (
    <CommandForm
      kind={askClient}
      submit="Ask them"
      onDone={onDone}
      start={() => ({
        id: request.id,
        version: request.version,
        ...newSending(view.client.name, view.client.address, view.job.linksUntil),
      })}
    >
      <p className="mb-0">{request.subject}</p>
      <SendFields />
    </CommandForm>
  );
}

/** Whoever is asked gets a page of this one question, with pictures, measures and drawings, and answers there. */
export function AskParty({ view, request, onDone }: About & { view: RequestsView }) {
  return (
    <CommandForm
      kind={askParty}
      submit="Ask them"
      onDone={onDone}
      start={() => ({
        id: request.id,
        version: request.version,
        ...newSending(request.who, '', view.job.linksUntil),
      })}
    >
      <p className="mb-0">{request.subject}</p>
      <SendFields />
    </CommandForm>
  );
}

export function AnswerRequest({ request, today, onDone }: About & { today: Day }) {
  const approval = request.kind === 'approval';
  return (
    <CommandForm
      kind={answerRequest}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id: request.id,
        version: request.version,
        outcome: 'granted' as const,
        conditions: '',
        answeredOn: today,
        answeredBy: request.who,
      })}
    >
      <SelectField
        name="outcome"
        label="It is"
        options={
          approval
            ? [
                ['granted', 'granted'],
                ['conditions', 'granted with conditions'],
                ['refused', 'refused'],
              ]
            : [
                ['granted', 'here'],
                ['conditions', 'here, with conditions'],
                ['refused', 'not what was asked for'],
              ]
        }
      />
      <Conditions />
      <div className="form-pair">
        <TextField name="answeredOn" label="On" type="date" />
        <TextField name="answeredBy" label="By" />
      </div>
    </CommandForm>
  );
}

function Conditions() {
  const outcome = useWatch({ name: 'outcome' }) as string;
  return (
    <TextField
      name="conditions"
      label={
        outcome === 'conditions' ? 'The conditions' : outcome === 'refused' ? 'Why' : 'In their words, if you like'
      }
      rows={2}
    />
  );
}
