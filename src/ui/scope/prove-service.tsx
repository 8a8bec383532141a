'use client';
import type { ReactNode } from 'react';
import { useWatch } from 'react-hook-form';
import { proveService } from '@/contract/commands/scope';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { useToast } from '../kit/toast';

/** A licensed person has proved a service dead, or it is marked and kept live: by name. */
export function ProveService({
  finding,
  version,
  beside,
  onDone,
}: {
  finding: string;
  version: number;
  beside?: ReactNode;
  onDone?: () => void;
}) {
  const say = useToast();
  return (
    <CommandForm
      kind={proveService}
      about={finding}
      className="mt-1"
      submit="Save"
      beside={beside}
      start={() => ({ id: finding, version, state: 'dead' as const, by: '', need: '' })}
      onDone={() => {
        say({ text: 'Kept with the name; the plan follows.' });
        onDone?.();
      }}
    >
      <p className="small-text soft mb-0">Whoever is licensed for it proves it; the local code says how.</p>
      <SelectField
        name="state"
        label="What it is"
        options={[
          ['dead', 'proved dead'],
          ['kept', 'live, marked and kept'],
        ]}
      />
      <TextField name="by" label="Who proved it" />
      <Mark />
    </CommandForm>
  );
}

/** How what stays live is marked. */
function Mark() {
  return useWatch({ name: 'state' }) === 'kept' ? <TextField name="need" label="How it is marked" /> : null;
}
