'use client';
import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { dismissInstall, hearInstall, install, isInstallDismissed, useInstallOffer } from '../offline/install';

/** Offers once to keep the program on the home screen, where the browser can. */
export function InstallOffer() {
  const offered = useInstallOffer();
  const [gone, setGone] = useState(false);
  useEffect(hearInstall, []);
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
