'use client';
import { Notice } from '../kit/notice';
import { useInBrowser } from '../kit/use-in-browser';

/** Over plain http a browser keeps nothing: said before a walk, and where one is under way. */
export function NotKept() {
  const keeps = useInBrowser(() => window.isSecureContext, true);
  if (keeps) return null;
  return (
    <Notice bad>
      This device cannot keep a walk: Aftermist was opened over http. Without a signal nothing can be recorded here.
      Open it under the firm’s https address.
    </Notice>
  );
}
