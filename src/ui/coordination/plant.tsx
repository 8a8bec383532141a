'use client';
import { useState } from 'react';
import { breakPlant, mendPlant, setPlant } from '@/contract/commands/schedule';
import type { CoordinationView } from '@/contract/views/coordination';
import { PHASE_KEYS, phaseFacts } from '@/core/sequence/phases';
import { formatDay } from '@/core/units/day';
import { FormEffect } from '../kit/effect';
import { CommandForm, TextField, TicksField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

type One = CoordinationView['plant'][number];

/** Diggers, hoists, saws: so many over all jobs, and when some are broken. */
export function Plant({ view, office }: { view: CoordinationView; office: boolean }) {
  const [open, setOpen] = useState<{ what: 'set'; of: One | null } | { what: 'break'; of: One }>();
  const close = (): void => setOpen(undefined);
  const { busy, give } = useSend();
  return (
    <Block
      heading="Plant"
      beside={
        office && (
          <LinkButton className="push" onClick={() => setOpen({ what: 'set', of: null })}>
            Add
          </LinkButton>
        )
      }
    >
      {view.plant.length === 0 && <p className="soft mt-2 small-text">None: work waits for no digger and no hoist.</p>}
      <Lines>
        {view.plant.map((entry) => (
          <Line
            key={entry.id}
            small
            beside={
              <span className="text-nowrap">
                <LinkButton className="me-2" onClick={() => setOpen({ what: 'break', of: entry })}>
                  Broken<Hidden>: {entry.name}</Hidden>
                </LinkButton>
                {office && (
                  <LinkButton onClick={() => setOpen({ what: 'set', of: entry })}>
                    Change<Hidden> {entry.name}</Hidden>
                  </LinkButton>
                )}
              </span>
            }
          >
            <span className="fw-bold">{entry.name}</span>, {entry.units} of it, {entry.uses}{' '}
            {entry.uses === 1 ? 'piece' : 'pieces'} of work ahead
            <div className="soft">{entry.phases.map((phase) => phaseFacts(phase).label).join(', ')}</div>
            {entry.down.map((down) => (
              <div key={down.id} className="bad">
                {formatDay(down.firstDay, view.today)} to {formatDay(down.lastDay, view.today)}: {down.units} missing,{' '}
                {down.reason}{' '}
                <LinkButton
                  className="align-baseline"
                  disabled={busy}
                  onClick={() => void give(mendPlant, { id: down.id }, { text: `${entry.name} works again.` })}
                >
                  Works again<Hidden>: {entry.name}</Hidden>
                </LinkButton>
              </div>
            ))}
          </Line>
        ))}
      </Lines>
      <SidePanel title={open?.of?.name ?? 'Plant'} open={open !== undefined} onClose={close}>
        {open?.what === 'set' && (
          <CommandForm
            kind={setPlant}
            submit="Save"
            onDone={close}
            beside={<FormEffect kind={setPlant} />}
            start={() => ({
              id: open.of?.id ?? newId(),
              version: open.of?.version ?? 0,
              name: open.of?.name ?? '',
              units: open.of?.units ?? 1,
              phases: open.of?.phases ?? [],
            })}
          >
            <TextField name="name" label="Name" />
            <TextField name="units" label="How many there are" type="number" />
            <TicksField
              name="phases"
              label="Work that needs it"
              options={PHASE_KEYS.filter(
                (phase) =>
                  phaseFacts(phase).trade !== 'nobody' && (phaseFacts(phase).outdoor || phaseFacts(phase).loud),
              ).map((phase) => [phase, phaseFacts(phase).label])}
            />
          </CommandForm>
        )}
        {open?.what === 'break' && (
          <CommandForm
            kind={breakPlant}
            submit="It is broken"
            onDone={close}
            beside={<FormEffect kind={breakPlant} />}
            start={() => ({
              id: newId(),
              plant: open.of.id,
              firstDay: view.today,
              lastDay: view.today,
              units: 1,
              reason: '',
            })}
          >
            <div className="form-pair">
              <TextField name="firstDay" label="First day" type="date" />
              <TextField name="lastDay" label="Last day" type="date" />
            </div>
            <TextField name="units" label="How many are missing" type="number" />
            <TextField name="reason" label="What happened" />
          </CommandForm>
        )}
      </SidePanel>
    </Block>
  );
}
