'use client';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm, type DefaultValues, type FieldValues, type Path as FieldPath } from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import type { ProblemDocument } from '@/contract/command';
import type { Path } from '@/contract/routes';
import { Notice } from '../kit/notice';

/**
 * A form about coming in: it goes to an address of its own and not through the door of the house, since what is typed
 * here is written down nowhere.
 */
export function DoorForm<Values extends FieldValues>({
  schema,
  to,
  method = 'POST',
  start,
  submit,
  fallback,
  onDone,
  children,
}: {
  schema: ObjectSchema<Values>;
  to: Path;
  method?: 'POST' | 'PUT' | 'DELETE';
  start: DefaultValues<Values>;
  submit: string;
  /** The field beside which a problem stands that names none of its own. */
  fallback: FieldPath<Values>;
  /** @param answer what came back; nothing where nothing did */
  onDone: (answer: unknown) => void;
  /** @param asked the field that the server asked for last */
  children: ReactNode | ((asked: string) => ReactNode);
}) {
  const form = useForm<Values>({ resolver: yupResolver(schema) as never, defaultValues: start });
  const [lost, setLost] = useState(false);
  const [asked, setAsked] = useState('');
  const send = form.handleSubmit(async (values) => {
    setLost(false);
    try {
      const response = await fetch(to, { method, body: JSON.stringify(values) });
      if (response.ok) return onDone(response.status === 204 ? undefined : ((await response.json()) as unknown));
      const problem = (await response.json()) as ProblemDocument;
      setAsked(problem.field ?? '');
      form.setError((problem.field ?? fallback) as FieldPath<Values>, { message: problem.title });
    } catch {
      setLost(true);
    }
  });
  return (
    <FormProvider {...form}>
      <Form noValidate className="form-lines mt-2" onSubmit={(event) => void send(event)}>
        {typeof children === 'function' ? children(asked) : children}
        {lost && <Notice bad>No connection to the server. Try again.</Notice>}
        <div>
          <Button type="submit" disabled={form.formState.isSubmitting}>
            {submit}
          </Button>
        </div>
      </Form>
    </FormProvider>
  );
}
