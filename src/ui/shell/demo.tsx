'use client';
import { createContext, use } from 'react';
import type { Sending } from '@/contract/views/job';

/**
 * Whether this is the demo firm: there mail, suppliers and devices are played by stand-ins, which is said; a real firm has
 * its own, and is offered nothing that is made up.
 */
export const Demo = createContext(false);
export const useIsDemo = (): boolean => use(Demo);

/** How messages go out. */
export const SendingBy = createContext<Sending>('by hand');
export const useSending = (): Sending => use(SendingBy);

/** What becomes of a message that is sent, as somebody who is about to send one wants to know it. */
export const SENDING_WORDS: Record<Sending, string> = {
  play: 'The demo only plays at sending: nothing leaves this machine. The link stands under News.',
  mail: 'It goes out by e-mail, in the firm’s name. At night it waits for the morning.',
  'by hand': 'This program sends no e-mail by itself: under News you open the message in your own, or copy its link.',
};
