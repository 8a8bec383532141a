'use client';
import { foundFirm } from '@/contract/commands/firm';
import { CommandForm, TextField } from '../kit/form';
import { HouseMark } from '../kit/house-mark';
import { newId } from '../offline/send';

/** The first visit of an empty installation: the firm and its owner. */
export function Welcome() {
  return (
    <main className="letter">
      <p className="d-flex align-items-center gap-2 fw-bold">
        <span className="small-mark">
          <HouseMark />
        </span>{' '}
        Aftermist
      </p>
      <h1>Whose firm is this?</h1>
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
        })}
      >
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
    </main>
  );
}
