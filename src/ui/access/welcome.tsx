'use client';
import { foundFirm } from '@/contract/commands/firm';
import { useCurrencyOptions } from '../firm/currency-options';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { newId } from '../offline/send';
import { DoorPage } from './door-page';

/** The first visit of an empty installation: the firm and its owner. */
export function Welcome({ code }: { code: string }) {
  const currencies = useCurrencyOptions();
  return (
    <DoorPage heading="Set up your firm">
      <p className="soft">
        Aftermist keeps a renovation in order: you walk the site and say what you see, it makes the plan, and everybody
        is told. Name the firm and yourself; you let the others in. Everything stays on this machine.
      </p>
      <CommandForm
        kind={foundFirm}
        submit="Begin"
        onDone={() => window.location.assign('/')}
        start={() => ({
          name: '',
          town: '',
          currency: '',
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
        <div className="form-pair">
          <TextField name="town" label="Town" />
          <SelectField name="currency" label="Currency" none="choose later" options={currencies} />
        </div>
        <TextField name="ownerName" label="Your name" autoComplete="name" />
        <TextField name="email" label="Your e-mail" type="email" autoComplete="username" />
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
