import { serve as start, type Running } from '../../scripts/demo-server';
import { NOW } from './installations';

export type Server = Running;

/** The built application on the tests' fixed clock. */
export const serve = (
  folder: string,
  options: { demo?: boolean; port?: number; env?: Record<string, string> } = {},
): Promise<Server> => start(folder, { ...options, now: NOW });
