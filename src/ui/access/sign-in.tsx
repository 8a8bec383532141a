'use client';
import { api } from '@/contract/routes';
import { signInSchema } from '@/contract/sign-in';
import { TextField } from '../kit/form';
import { DoorForm } from './door-form';
import { DoorPage } from './door-page';

export const SignIn = () => (
  <DoorPage heading="Sign in">
    <DoorForm
      schema={signInSchema}
      to={api.session()}
      start={{ email: '', password: '' }}
      submit="Sign in"
      fallback="password"
      onDone={() => window.location.assign('/')}
    >
      {(asked) => (
        <>
          <TextField name="email" label="Your e-mail" type="email" autoComplete="username" />
          <TextField name="password" label="Password" type="password" autoComplete="current-password" />
          {asked === 'code' && (
            <TextField
              name="code"
              label="Code"
              hint="What your telephone shows, or one of the codes you wrote down."
              autoComplete="one-time-code"
            />
          )}
        </>
      )}
    </DoorForm>
    <p className="soft small-text mt-3">
      Forgotten the password? The contractor of your firm makes you a new way in, under Firm. Whoever is the contractor
      themselves does it on the machine on which this runs: npm run reset-password.
    </p>
  </DoorPage>
);
