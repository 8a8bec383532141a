'use client';
import { Button, Form } from 'react-bootstrap';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { sendUpdate } from '@/contract/commands/news';
import type { NewsView, UpdateView } from '@/contract/views/news';
import { CommandForm, TextField } from '../kit/form';
import { newId } from '../offline/send';
import { useIsDemo } from '../shell/demo';
import { LinkButton } from '../kit/link-button';

const recipient = (name = '', address = '') => ({ messageId: newId(), linkId: newId(), name, address });

/** To whom, and how long their link opens. Everybody gets a link of their own, so that one can be revoked alone. */
export function SendForm({ update, view, onDone }: { update: UpdateView; view: NewsView; onDone: () => void }) {
  const isDemo = useIsDemo();
  const suggested = view.suggested[update.audience];
  return (
    <>
      <p className="small-text soft">
        {isDemo ? (
          <>
            The demo only plays at sending: nothing leaves this machine. Addresses that end in{' '}
            <span className="mono">.invalid</span> fail, as wrong ones do.
          </>
        ) : (
          'This program sends no e-mail by itself: next you open each message in your own, or copy its link.'
        )}
      </p>
      <CommandForm
        kind={sendUpdate}
        submit={isDemo ? 'Send now' : 'Make the messages'}
        onDone={onDone}
        start={() => ({
          id: update.id,
          version: update.version,
          title: update.title,
          body: update.body,
          expiresOn: view.job.linksUntil,
          recipients:
            suggested.length > 0 ? suggested.map(({ name, address }) => recipient(name, address)) : [recipient()],
        })}
      >
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
                placeholder="name@example.net"
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
