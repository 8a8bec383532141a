'use client';
import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { useWatch } from 'react-hook-form';
import { proveService } from '@/contract/commands/scope';
import type { FindingView } from '@/contract/views/scope';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
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

/** Whether a service that was found is proved, and by whom; where it is not, whoever has proved it says so here. */
export function ServiceProof({ finding }: { finding: FindingView }) {
  const [open, setOpen] = useState(false);
  if (finding.kind !== 'service') return null;
  if (finding.proof) return <div className="small-text soft">{finding.proof}</div>;
  return (
    <div className="small-text">
      <span className="soon">Nothing is torn out, cut or dug here until it is proved dead, or marked.</span>{' '}
      {open ? (
        <ProveService
          finding={finding.id}
          version={finding.version}
          onDone={() => setOpen(false)}
          beside={
            <Button size="sm" variant="link" onClick={() => setOpen(false)}>
              Cancel
            </Button>
          }
        />
      ) : (
        <LinkButton onClick={() => setOpen(true)}>
          Proved or marked<Hidden>: {finding.subject}</Hidden>
        </LinkButton>
      )}
    </div>
  );
}

/** How what stays live is marked. */
function Mark() {
  return useWatch({ name: 'state' }) === 'kept' ? <TextField name="need" label="How it is marked" /> : null;
}
