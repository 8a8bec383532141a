'use client';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import {
  addPerson,
  changePerson,
  closePerson,
  invitePerson,
  returnPerson,
  setSees,
  signOutPerson,
  suspendPerson,
} from '@/contract/commands/accounts';
import { ACCOUNT_ROLES, type Role } from '@/contract/command';
import type { FirmPerson, FirmView } from '@/contract/views/firm';
import { counted, listed } from '@/core/words/count';
import { CheckField, CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Block } from '../kit/page';
import { Phone } from '../kit/phone';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { CopyLink } from '../news/copy-link';
import { newId } from '../offline/send';

/** Who belongs to the firm: how they come in, where they are signed in, and who has left. */
export function People({ view, role }: { view: FirmView; role: Role }) {
  const [open, setOpen] = useState<'new' | FirmPerson>();
  const [choosing, setChoosing] = useState<FirmPerson>();
  const close = (): void => setOpen(undefined);
  const isOwner = role === 'contractor';
  return (
    <Block
      heading="People"
      beside={
        isOwner && (
          <LinkButton className="push" onClick={() => setOpen('new')}>
            Add a person
          </LinkButton>
        )
      }
    >
      <Lines>
        {view.people.map((person) => (
          <Line key={person.id} beside={<span>{roleWords(person, view.subs)}</span>}>
            <span className="fw-bold">{person.name}</span> <span className="soft">{person.email}</span>{' '}
            <Phone number={person.phone} />
            {isOwner && <SeesWords person={person} jobs={view.jobs} onOpen={() => setChoosing(person)} />}
            {isOwner && <Standing person={person} onChange={() => setOpen(person)} />}
          </Line>
        ))}
      </Lines>
      {view.door.length > 0 && <Door door={view.door} />}
      <SidePanel title={open === 'new' ? 'One more person' : 'A person'} open={open !== undefined} onClose={close}>
        {open === 'new' && (
          <CommandForm
            kind={addPerson}
            submit="Add"
            onDone={close}
            start={() => ({ id: newId(), name: '', role: 'lead' as const, email: '', phone: '' })}
          >
            <PersonFields subs={view.subs} />
            <p className="small-text soft mb-0">
              They choose their password themselves: invite them once they are added.
            </p>
          </CommandForm>
        )}
        {open && open !== 'new' && (
          <CommandForm
            key={open.id}
            kind={changePerson}
            submit="Save"
            onDone={close}
            start={() => {
              const { id, version, name, role: theirs, sub, email, phone } = open;
              return { id, version, name, role: theirs, ...(sub ? { sub } : {}), email: email ?? '', phone };
            }}
          >
            <PersonFields subs={view.subs} />
          </CommandForm>
        )}
      </SidePanel>
      <SidePanel
        title={`What ${choosing?.name ?? ''} sees`}
        open={choosing !== undefined}
        onClose={() => setChoosing(undefined)}
      >
        {choosing && <SeesForm person={choosing} jobs={view.jobs} onDone={() => setChoosing(undefined)} />}
      </SidePanel>
    </Block>
  );
}

const roleWords = ({ role, sub }: FirmPerson, subs: FirmView['subs']): string =>
  role === 'sub' ? `of ${subs.find(({ id }) => id === sub)?.name ?? 'a sub'}` : role;

/** Which jobs somebody who leads sites sees. */
function SeesWords({ person, jobs, onOpen }: { person: FirmPerson; jobs: FirmView['jobs']; onOpen: () => void }) {
  if (person.jobs === null || person.state === 'closed') return null;
  const names = jobs.flatMap(({ id, name }) => (person.jobs?.includes(id) ? [name] : []));
  return (
    <div className="small-text">
      {names.length === 0 ? <span className="bad">sees no job yet</span> : <span>sees {listed(names)}</span>}
      <span className="soft">, {person.prices ? 'with' : 'without'} what things cost</span>{' '}
      <LinkButton onClick={onOpen}>
        Choose<Hidden> what {person.name} sees</Hidden>
      </LinkButton>
    </div>
  );
}

const SeesForm = ({ person, jobs, onDone }: { person: FirmPerson; jobs: FirmView['jobs']; onDone: () => void }) => (
  <CommandForm
    kind={setSees}
    submit="Save"
    onDone={onDone}
    start={() => ({ id: person.id, version: person.version, jobs: person.jobs ?? [], prices: person.prices })}
  >
    <p className="small-text soft mb-0">They see these jobs and no other, from their next look on.</p>
    <TicksField name="jobs" label="Jobs" options={jobs.map(({ id, name }) => [id, name] as const)} />
    <CheckField name="prices" label="They see what things cost" />
  </CommandForm>
);

const PersonFields = ({ subs }: Pick<FirmView, 'subs'>) => (
  <>
    <TextField name="name" label="Name" />
    <SelectField name="role" label="Role" options={ACCOUNT_ROLES.map((role) => [role, role])} />
    <IfSub subs={subs} />
    <TextField name="email" label="E-mail to sign in with" type="email" />
    <TextField
      name="phone"
      label="Telephone"
      type="tel"
      hint="Clients, subs and neighbours read the contractor’s number on their pages and letters."
    />
  </>
);

/** Somebody of a sub sees the work of that sub on a page of their own, and nothing else. */
function IfSub({ subs }: Pick<FirmView, 'subs'>) {
  const role = useWatch<{ role: string }>({ name: 'role' });
  return role === 'sub' ? (
    <SelectField
      name="sub"
      label="Whose work they see"
      none="choose one"
      hint="On a page of their own with what is agreed, when they come and what to answer: nothing else of the firm."
      options={subs.map(({ id, name }) => [id, name] as const)}
    />
  ) : null;
}

/** How somebody comes in, and what can be done about it. */
function Standing({ person, onChange }: { person: FirmPerson; onChange: () => void }) {
  const { busy, give } = useSend();
  const { id, name, state } = person;
  const out = state !== 'active';
  return (
    <div className="small-text">
      <span className={state === 'active' ? 'soft' : 'bad'}>{standingWords(person)}</span>{' '}
      {person.invitation && (
        <span className="d-inline-flex gap-2">
          Invited: <a href={person.invitation}>their way in</a> <CopyLink path={person.invitation} />
        </span>
      )}
      <div className="actions">
        <LinkButton onClick={onChange}>
          Change<Hidden> {name}</Hidden>
        </LinkButton>
        {!out && (
          <LinkButton
            disabled={busy}
            onClick={() =>
              void give(
                invitePerson,
                { id: newId(), person: id },
                { text: `A way in for ${name} is open for a week: copy its address and give it to them alone.` },
              )
            }
          >
            {person.joined ? 'New password' : 'Invite'}
            <Hidden> for {name}</Hidden>
          </LinkButton>
        )}
        {person.sessions > 0 && (
          <LinkButton
            disabled={busy}
            onClick={() => void give(signOutPerson, { id }, { text: `${name} is signed out everywhere.` })}
          >
            Sign out everywhere<Hidden>: {name}</Hidden>
          </LinkButton>
        )}
        {out ? (
          <LinkButton
            disabled={busy}
            onClick={() => void give(returnPerson, { id }, { text: `${name} is let in again.` })}
          >
            Let in again<Hidden>: {name}</Hidden>
          </LinkButton>
        ) : (
          <LinkButton
            disabled={busy}
            onClick={() => void give(suspendPerson, { id }, { text: `${name} is not let in.` })}
          >
            Not let in for now<Hidden>: {name}</Hidden>
          </LinkButton>
        )}
        {state !== 'closed' && (
          <LinkButton
            disabled={busy}
            onClick={() =>
              void give(closePerson, { id }, { text: `${name} has left; what they recorded keeps their name.` })
            }
          >
            Has left<Hidden>: {name}</Hidden>
          </LinkButton>
        )}
      </div>
    </div>
  );
}

function standingWords({ state, joined, sessions, seen }: FirmPerson): string {
  if (state === 'closed') return 'has left';
  if (state === 'suspended') return 'not let in for now';
  if (!joined) return 'has not come in yet';
  return sessions === 0 ? 'signed in nowhere' : `signed in on ${counted(sessions, 'device')}, seen ${seen}`;
}

/** Who came in and who tried, for whoever runs the firm. */
const Door = ({ door }: Pick<FirmView, 'door'>) => (
  <details className="mt-2 small-text">
    <summary>Who came in, and who tried</summary>
    <Lines>
      {door.map(({ key, when, who, how, from, bad }) => (
        <Line key={key}>
          {when} <span className="fw-bold">{who}</span> <span className={bad ? 'bad' : ''}>{how}</span>{' '}
          <span className="soft">{from}</span>
        </Line>
      ))}
    </Lines>
  </details>
);
