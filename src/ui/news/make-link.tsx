'use client';
import { useFormContext } from 'react-hook-form';
import { makeLink } from '@/contract/commands/news';
import type { NewsView } from '@/contract/views/news';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { newId } from '../offline/send';

/** A link without a message: to be shown on site or sent by another way. */
export function MakeLink({ view, onDone }: { view: NewsView; onDone: () => void }) {
  return (
    <CommandForm
      kind={makeLink}
      submit="Make the link"
      onDone={onDone}
      start={() => ({
        id: newId(),
        audience: 'client' as const,
        job: view.job.id,
        recipient: '',
        expiresOn: view.job.linksUntil,
      })}
    >
      <SelectField
        name="audience"
        label="For"
        options={[
          ['client', 'the client: this job'],
          ['crew', 'everybody who works here'],
          ['neighbour', 'a neighbour: noise, dust, what stands outside'],
          ['sub', 'one sub: all its jobs'],
        ]}
      />
      <WhichSub view={view} />
      <TextField name="recipient" label="Who gets it" />
      <TextField name="expiresOn" label="Opens until" type="date" />
    </CommandForm>
  );
}

function WhichSub({ view }: { view: NewsView }) {
  const audience = useFormContext().watch('audience') as string;
  return audience === 'sub' ? (
    <SelectField name="sub" label="Which sub" none="choose" options={view.subs.map((sub) => [sub.id, sub.name])} />
  ) : null;
}
