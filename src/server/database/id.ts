import { v7 } from 'uuid';

/** Ids of what the server itself makes inside a command: time-ordered like all others. */
export const uuid = (): string => v7();
