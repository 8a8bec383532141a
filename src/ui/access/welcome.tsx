'use client';
import { foundFirm } from '@/contract/commands/firm';
import { CommandForm, TextField } from '../kit/form';
import { newId } from '../offline/send';
import { DoorPage } from './door-page';

/** The first visit of an empty installation: the firm and its owner. */
export function Welcome({ code }: { code: string }) {
  return (
    <DoorPage heading="Whose firm is this?">
      <p className="soft">
        Name the firm and yourself. You are its contractor and let the others in. Everything stays on this machine.
      </p>
      <CommandForm
        kind={foundFirm}
        submit="Begin"
        onDone={() => window.location.assign('/')}
        start={() => ({
          name: '',
          town: '',
          zone: new Intl.DateTimeFormat().resolvedOptions().timeZone,
          personId: newId(),
          ownerName: '',
          email: '',
          password: '',
          code,
        })}
      >
        <TextField name="code" label="The code" hint="It was printed where Aftermist was started." autoComplete="off" />
        <TextField name="name" label="The firm" />
        <TextField name="town" label="Town" />
        <TextField name="ownerName" label="Your name" autoComplete="name" />
        <TextField name="email" label="Your address" type="email" autoComplete="username" />
        <TextField
          name="password"
          label="A password"
          type="password"
          hint="At least 10 characters."
          autoComplete="new-password"
        />
      </CommandForm>
    </DoorPage>
  );
}
