'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { api } from '@/contract/routes';
import { codeSchema, endCodesSchema, passwordSchema } from '@/contract/sign-in';
import type { AccountView } from '@/contract/views/firm';
import { TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Notice } from '../kit/notice';
import { Block, PageHead } from '../kit/page';
import { LookOfDevice } from './device-look';
import { DoorForm } from './door-form';
import { NewPassword } from './join';

/** One's own account: where one is signed in, the password, codes. */
export function Account({ view }: { view: AccountView }) {
  return (
    <div className="page">
      <PageHead heading="Your account">
        <span className="soft">
          {view.name}
          {view.email && `, ${view.email}`}
        </span>
      </PageHead>
      {view.demo && <Notice>This is the demo: everybody comes in without a password.</Notice>}
      <div className="columns">
        <div>
          <LookOfDevice />
          <Browsers view={view} />
        </div>
        <div>
          <Password />
          <Codes view={view} />
        </div>
      </div>
    </div>
  );
}

/** Where one is signed in; a telephone that was lost is signed out here. */
function Browsers({ view: { sessions } }: { view: AccountView }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const end = async (session?: string): Promise<void> => {
    setBusy(true);
    await fetch(api.sessions(session), { method: 'DELETE' }).catch(() => undefined);
    setBusy(false);
    router.refresh();
  };
  const others = sessions.filter(({ here }) => !here);
  return (
    <Block
      heading="Where you are signed in"
      beside={
        others.length > 1 && (
          <LinkButton className="push" disabled={busy} onClick={() => void end()}>
            Sign out everywhere else
          </LinkButton>
        )
      }
    >
      {sessions.length === 0 && <p className="soft mt-2">Nowhere by a password.</p>}
      <Lines>
        {sessions.map(({ id, device, source, seen, here }) => (
          <Line
            key={id}
            beside={
              !here && (
                <LinkButton disabled={busy} onClick={() => void end(id)}>
                  Sign out<Hidden> {device}</Hidden>
                </LinkButton>
              )
            }
          >
            <span className="fw-bold">{device}</span> <span className="soft">{source}</span>
            <div className="small-text soft">{here ? 'this one' : `seen ${seen}`}</div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Password() {
  const [done, setDone] = useState(0);
  const router = useRouter();
  return (
    <Block heading="Password">
      <DoorForm
        key={done}
        schema={passwordSchema}
        to={api.password()}
        start={{ old: '', password: '' }}
        submit="Change it"
        fallback="old"
        onDone={() => {
          setDone(done + 1);
          router.refresh();
        }}
      >
        <TextField name="old" label="The one of now" type="password" autoComplete="current-password" />
        <NewPassword label="The new one" />
      </DoorForm>
      {done > 0 && <Notice>It is changed. Wherever else you were signed in you are out.</Notice>}
    </Block>
  );
}

/** A code besides the password: whoever has the password alone does not come in. */
function Codes({ view }: { view: AccountView }) {
  const router = useRouter();
  const [begun, setBegun] = useState<{ secret: string; picture: string }>();
  const [recovery, setRecovery] = useState<string[]>();
  const [ending, setEnding] = useState(false);
  const begin = async (): Promise<void> => {
    const response = await fetch(api.codes(), { method: 'POST' });
    if (response.ok) setBegun((await response.json()) as { secret: string; picture: string });
  };
  return (
    <Block
      heading="A code besides the password"
      beside={
        <LinkButton className="push" onClick={() => (view.codes ? setEnding(true) : void begin())}>
          {view.codes ? 'Ask for none any more' : 'Ask for a code'}
        </LinkButton>
      }
    >
      <p className="soft small-text mt-2">
        {view.codes
          ? 'Besides the password you are asked for a code of your telephone.'
          : 'A telephone shows a new code every half minute. Whoever learns your password does not come in without it.'}
      </p>
      {begun && !view.codes && (
        <>
          <img src={begun.picture} alt="To be read by the camera of your telephone" width={240} height={240} />
          <p className="small-text">
            Read it with a program for one-time codes, or type this into it: <code>{begun.secret}</code>
          </p>
          <DoorForm
            schema={codeSchema}
            to={api.codes()}
            method="PUT"
            start={{ code: '' }}
            submit="That is the code"
            fallback="code"
            onDone={(answer) => {
              setRecovery((answer as { recovery: string[] }).recovery);
              setBegun(undefined);
              router.refresh();
            }}
          >
            <TextField name="code" label="The code that it shows" autoComplete="one-time-code" />
          </DoorForm>
        </>
      )}
      {recovery && (
        <Notice>
          Write these down and keep them apart from the telephone; each lets you in once without it:{' '}
          <code>{recovery.join(' ')}</code>
        </Notice>
      )}
      {ending && view.codes && (
        <DoorForm
          schema={endCodesSchema}
          to={api.codes()}
          method="DELETE"
          start={{ password: '' }}
          submit="Ask for none"
          fallback="password"
          onDone={() => {
            setEnding(false);
            setRecovery(undefined);
            router.refresh();
          }}
        >
          <TextField name="password" label="Your password" type="password" autoComplete="current-password" />
        </DoorForm>
      )}
    </Block>
  );
}
