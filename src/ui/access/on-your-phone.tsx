'use client';
import { Button } from 'react-bootstrap';
import type { PhoneView } from '@/contract/views/phone';
import { Notice } from '../kit/notice';
import { Block, PageHead } from '../kit/page';
import { install, useInstallOffer } from '../offline/install';

/** From the desk to the phone: the address for its camera, and what a phone can keep there. */
export function OnYourPhone({ view }: { view: PhoneView }) {
  return (
    <div className="page">
      <PageHead heading="On your phone" />
      {view.address === null ? <HereAlone demo={view.demo} /> : <Come view={view} address={view.address} />}
      <OnTheHomeScreen />
    </div>
  );
}

const HereAlone = ({ demo }: { demo: boolean }) => (
  <Notice>
    {demo ? (
      'The demo lets everybody in as its contractor, so it answers on this machine alone. A firm of your own comes onto a phone.'
    ) : (
      <span>
        Aftermist answers on this machine alone. Whoever runs it starts it with <code>HOST=0.0.0.0</code> for phones on
        the same network, or names the firm’s own address: <code>AFTERMIST_ADDRESS=https://firm.example</code>.
      </span>
    )}
  </Notice>
);

const Come = ({ view, address }: { view: PhoneView; address: string }) => (
  <>
    <p>Hold the camera of the phone over it and sign in there.</p>
    <img src={view.picture} alt={`The address ${address}, for a camera`} width={240} height={240} />
    <p className="mt-2">
      Or type <a href={address}>{address}</a>
    </p>
    {!view.secure && (
      <Notice bad>
        This address is not encrypted (http): a phone there cannot keep a walk without a signal. Name an https address
        for the firm and this one is not needed any more.
      </Notice>
    )}
  </>
);

/** The offer of the browser where it makes one; else where it is found by hand. */
function OnTheHomeScreen() {
  const offered = useInstallOffer();
  return (
    <Block className="mt-4" heading="On the home screen">
      {offered ? (
        <Button className="mt-2" onClick={() => void install()}>
          Keep it on this device
        </Button>
      ) : (
        <p className="mt-2">
          In the browser of the phone: its menu, then “Add to home screen”. It opens like a program of its own, without
          a signal too.
        </p>
      )}
    </Block>
  );
}
