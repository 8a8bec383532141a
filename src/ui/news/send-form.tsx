'use client';
import { useRouter } from 'next/navigation';
import { Button, Form } from 'react-bootstrap';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { sendUpdate } from '@/contract/commands/news';
import type { NewsView } from '@/contract/views/news';
import { CommandForm, TextField } from '../kit/form';
import { LinkButton } from '../kit/link-button';
import { newId, send } from '../offline/send';
import { SENDING_WORDS, useSending } from '../shell/demo';

const recipient = (name = '', address = '') => ({ messageId: newId(), linkId: newId(), name, address });

/**
 * To whom, and how long their link opens. Everybody gets a link of their own, so that one can be revoked alone. What goes
 * out is what was read: where it would be another by now, it is shown anew.
 * @param onStale what is no longer so
 */
export function SendForm({
  view,
  onDone,
  onStale,
}: {
  view: NewsView;
  onDone: () => void;
  onStale: (words: string) => void;
}) {
  const router = useRouter();
  const sending = useSending();
  const { audience, title, text } = view.draft;
  const suggested = view.suggested[audience];
  return (
    <>
      <p className="small-text soft">
        {SENDING_WORDS[sending]}
        {sending === 'play' && (
          <>
            {' '}
            Addresses that end in <span className="mono">.invalid</span> fail, as wrong ones do.
          </>
        )}
      </p>
      <CommandForm
        kind={sendUpdate}
        submit={sending === 'by hand' ? 'Make the messages' : 'Send now'}
        onDone={onDone}
        deliver={async (payload) => {
          const sent = await send(sendUpdate, payload);
          if (!sent.ok && sent.problem.code === 'changed-since') onStale(sent.problem.title);
          router.refresh();
          return sent;
        }}
        start={() => ({
          ...{ id: newId(), job: view.job.id, audience, title, body: text },
          expiresOn: view.job.linksUntil,
          recipients:
            suggested.length > 0 ? suggested.map(({ name, address }) => recipient(name, address)) : [recipient()],
        })}
      >
        <TextField name="title" label="Title" />
        <Recipients />
        <TextField name="expiresOn" label="Link works until" type="date" />
      </CommandForm>
    </>
  );
}

function Recipients() {
  const { control, register, formState } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'recipients' });
  const errors = formState.errors.recipients as unknown as
    { name?: { message?: string }; address?: { message?: string } }[] | undefined;
  return (
    <fieldset>
      <legend className="fs-6">Recipients</legend>
      {fields.map((row, index) => {
        const error = errors?.[index]?.name?.message ?? errors?.[index]?.address?.message;
        return (
          <div key={row.id} className="mb-2">
            <div className="d-flex gap-2">
              <Form.Control
                aria-label={`Name of recipient ${index + 1}`}
                placeholder="Name"
                isInvalid={errors?.[index]?.name !== undefined}
                {...register(`recipients.${index}.name`)}
              />
              <Form.Control
                aria-label={`E-mail of recipient ${index + 1}`}
                placeholder="name@example.net, or a number"
                isInvalid={errors?.[index]?.address !== undefined}
                {...register(`recipients.${index}.address`)}
              />
              <Button
                variant="link"
                className="px-1"
                disabled={fields.length === 1}
                onClick={() => remove(index)}
                aria-label={`Leave out recipient ${index + 1}`}
              >
                ×
              </Button>
            </div>
            {error && (
              <Form.Text className="bad d-block" role="alert">
                {error}
              </Form.Text>
            )}
          </div>
        );
      })}
      <LinkButton onClick={() => append(recipient())}>One more</LinkButton>
    </fieldset>
  );
}
