'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { dismissInstall, install, isInstallDismissed, useInstallOffer } from '../offline/install';

/** Offers a phone once to keep the program on its home screen, where its browser can. */
export function InstallOffer() {
  const offered = useInstallOffer();
  const [gone, setGone] = useState(false);
  if (!offered || gone || isInstallDismissed()) return null;
  return (
    <aside className="install-offer no-print" aria-label="On the home screen">
      <span>Keep Aftermist on the home screen: it opens without a signal.</span>
      <Button size="sm" onClick={() => void install()}>
        Keep it
      </Button>
      <Button
        size="sm"
        variant="link"
        onClick={() => {
          dismissInstall();
          setGone(true);
        }}
      >
        Not now
      </Button>
    </aside>
  );
}
