'use client';
import { api } from '@/contract/routes';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import type { ProblemDocument } from '@/contract/command';
import { signInSchema } from '@/contract/sign-in';
import { TextField } from '../kit/form';
import { HouseMark } from '../kit/house-mark';
import { Notice } from '../kit/notice';

export function SignIn() {
  const form = useForm({ resolver: yupResolver(signInSchema), defaultValues: { email: '', password: '' } });
  const [lost, setLost] = useState(false);
  const enter = form.handleSubmit(async (values) => {
    setLost(false);
    try {
      const response = await fetch(api.session(), { method: 'POST', body: JSON.stringify(values) });
      if (response.ok) return window.location.assign('/');
      const problem = (await response.json()) as ProblemDocument;
      form.setError('password', { message: problem.title });
    } catch {
      setLost(true);
    }
  });
  return (
    <main className="letter">
      <p className="d-flex align-items-center gap-2 fw-bold">
        <span className="small-mark">
          <HouseMark />
        </span>{' '}
        Aftermist
      </p>
      <h1>Sign in</h1>
      <FormProvider {...form}>
        <Form noValidate className="form-lines" onSubmit={(event) => void enter(event)}>
          <TextField name="email" label="Your address" type="email" autoComplete="username" />
          <TextField name="password" label="Password" type="password" autoComplete="current-password" />
          {lost && <Notice bad>No connection to the server. Try again.</Notice>}
          <div>
            <Button type="submit" disabled={form.formState.isSubmitting}>
              Sign in
            </Button>
          </div>
        </Form>
      </FormProvider>
    </main>
  );
}
