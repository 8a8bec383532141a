'use client';
import { useState } from 'react';
import { measureFinding } from '@/contract/commands/scope';
import type { FindingView } from '@/contract/views/scope';
import { CommandForm, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';

/** How much of a damage there was once it was opened, held against what the price allows for. */
export function DamageFound({ finding }: { finding: FindingView }) {
  const [open, setOpen] = useState(false);
  const { found, unit, allowed, quantity, subject } = finding;
  if (finding.kind !== 'damage') return null;
  const inPrice = allowed ?? quantity ?? 0;
  return (
    <div className="small-text">
      {found !== null && (
        <span className={found > inPrice ? 'bad' : ''}>
          Opened: {found} {unit} found, {inPrice} {unit} in the price.{' '}
        </span>
      )}
      {open ? (
        <CommandForm
          kind={measureFinding}
          about={subject}
          submit="Save"
          onDone={() => setOpen(false)}
          start={() => ({ id: finding.id, found: (found ?? '') as number })}
          beside={<LinkButton onClick={() => setOpen(false)}>Cancel</LinkButton>}
        >
          <TextField name="found" label={`How much it is, opened${unit ? `, ${unit}` : ''}`} type="number" />
        </CommandForm>
      ) : (
        <LinkButton className="no-print" onClick={() => setOpen(true)}>
          {found === null ? 'Opened: say how much it is' : 'Put it right'}
          <Hidden>: {subject}</Hidden>
        </LinkButton>
      )}
    </div>
  );
}
