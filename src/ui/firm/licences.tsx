'use client';
import { useState } from 'react';
import type { Role } from '@/contract/command';
import { removeLicence, setLicence, setLicensedTrades } from '@/contract/commands/licences';
import type { FirmView } from '@/contract/views/firm';
import { TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { listed } from '@/core/words/count';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Block } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { TRADE_OPTIONS } from '../scope/line-fields';

type Licence = FirmView['licences'][number];

/** Which work needs a licence here, who has one and until when. */
export function Licences({ view, office, role }: { view: FirmView; office: boolean; role: Role }) {
  const { busy, give } = useSend();
  const [open, setOpen] = useState<'trades' | Partial<Licence>>();
  const close = (): void => setOpen(undefined);
  return (
    <Block
      heading="Licences"
      beside={
        office && (
          <LinkButton className="push" onClick={() => setOpen({})}>
            Add a licence
          </LinkButton>
        )
      }
    >
      <p className="small-text soft mt-2 mb-1">
        {view.licensed.length === 0
          ? 'No trade is named that needs a licence here.'
          : `A licence is needed here for ${listed(view.licensed.map((trade) => TRADES[trade].toLowerCase()))}.`}{' '}
        The local code decides; what stands here is your note of what you were shown, and no proof.{' '}
        {role === 'contractor' && (
          <LinkButton onClick={() => setOpen('trades')}>
            Change<Hidden> which trades need a licence</Hidden>
          </LinkButton>
        )}
      </p>
      <Lines>
        {view.licences.map((licence) => (
          <Line
            key={licence.id}
            beside={
              office && (
                <>
                  <LinkButton onClick={() => setOpen(licence)}>
                    Change<Hidden> the licence of {licence.holder}</Hidden>
                  </LinkButton>{' '}
                  <LinkButton
                    disabled={busy}
                    onClick={() =>
                      void give(removeLicence, { id: licence.id }, { text: 'Taken off.', back: 'It is there again.' })
                    }
                  >
                    Remove<Hidden> the licence of {licence.holder}</Hidden>
                  </LinkButton>
                </>
              )
            }
          >
            <span className="fw-bold">{licence.holder}</span>, {licence.of}: {TRADES[licence.trade].toLowerCase()}
            {licence.number && `, No. ${licence.number}`}{' '}
            <span className={licence.over ? 'bad' : 'soft'}>
              {licence.expiresOn === null
                ? 'does not run out'
                : `${licence.over ? 'ran out' : 'until'} ${formatDay(licence.expiresOn, view.today)}`}
            </span>
          </Line>
        ))}
      </Lines>
      <SidePanel
        title={open === 'trades' ? 'What needs a licence' : 'A licence'}
        open={open !== undefined}
        onClose={close}
      >
        {open === 'trades' && (
          <CommandForm
            kind={setLicensedTrades}
            submit="Save"
            onDone={close}
            start={() => ({ trades: [...view.licensed] })}
          >
            <p className="small-text soft mb-0">Where you work: the local code says which.</p>
            <TicksField name="trades" label="Trades that need a licence" options={TRADE_OPTIONS} />
          </CommandForm>
        )}
        {open && open !== 'trades' && <LicenceForm view={view} of={open} onDone={close} />}
      </SidePanel>
    </Block>
  );
}

const LicenceForm = ({ view, of, onDone }: { view: FirmView; of: Partial<Licence>; onDone: () => void }) => (
  <CommandForm
    kind={setLicence}
    submit="Save"
    onDone={onDone}
    start={() => ({
      ...{ id: of.id ?? newId(), version: of.version ?? 0, sub: of.sub ?? '' },
      ...{ trade: of.trade ?? view.licensed[0] ?? ('wiring' as const), holder: of.holder ?? '' },
      ...{ number: of.number ?? '', ...(of.expiresOn ? { expiresOn: of.expiresOn } : {}) },
    })}
  >
    <SelectField
      name="sub"
      label="Of which sub"
      none="our own people"
      options={view.subs.map(({ id, name }) => [id, name] as const)}
    />
    <SelectField name="trade" label="For which work" options={TRADE_OPTIONS} />
    <TextField name="holder" label="Whose it is" />
    <div className="form-pair">
      <TextField name="number" label="Number" />
      <TextField name="expiresOn" label="Holds until" type="date" hint="Empty: it does not run out." />
    </div>
  </CommandForm>
);
