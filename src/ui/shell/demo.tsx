'use client';
import { createContext, use } from 'react';

/**
 * Whether this is the demo firm: there mail, suppliers and devices are played by stand-ins, which is said; a real firm has
 * its own, and is offered nothing that is made up.
 */
export const Demo = createContext(false);
export const useIsDemo = (): boolean => use(Demo);
