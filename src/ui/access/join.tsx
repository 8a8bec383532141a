'use client';
import { api } from '@/contract/routes';
import { joinSchema } from '@/contract/sign-in';
import { TextField } from '../kit/form';
import { DoorForm } from './door-form';
import { DoorPage } from './door-page';

/** Somebody of the firm chooses their password. */
export function Join({ token, known }: { token: string; known: { name: string; email: string } | null }) {
  if (!known)
    return (
      <DoorPage heading="This way in is closed">
        <p>It was used already, or it is over. Ask the contractor of your firm for a new one.</p>
      </DoorPage>
    );
  return (
    <DoorPage heading={`Welcome, ${known.name}`}>
      <p className="soft">
        You sign in with {known.email}. Choose your password; nobody else of the firm gets to know it.
      </p>
      <DoorForm
        schema={joinSchema}
        to={api.join(token)}
        start={{ password: '' }}
        submit="Come in"
        fallback="password"
        onDone={() => window.location.assign('/')}
      >
        <input type="hidden" name="username" autoComplete="username" value={known.email} readOnly />
        <NewPassword label="A password" />
      </DoorForm>
    </DoorPage>
  );
}

export const NewPassword = ({ label }: { label: string }) => (
  <TextField
    name="password"
    label={label}
    type="password"
    hint="At least 10 characters: three or four words that have nothing to do with each other."
    autoComplete="new-password"
  />
);
