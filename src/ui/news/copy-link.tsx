'use client';
import { useState } from 'react';
import { LinkButton } from '../kit/link-button';

/** Puts the whole address of a page where it can be pasted from. */
export function CopyLink({ path }: { path: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <LinkButton
      onClick={() =>
        void navigator.clipboard.writeText(new URL(path, window.location.href).href).then(() => setCopied(true))
      }
    >
      {copied ? 'Copied' : 'Copy'}
    </LinkButton>
  );
}
