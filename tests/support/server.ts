import { serve as start, type Running } from '../../scripts/demo-server';
import { TODAY } from './houses';

export type Server = Running;

/** The built application on the tests' fixed day. */
export const serve = (folder: string, options: { demo?: boolean; port?: number } = {}): Promise<Server> => start(folder, { ...options, today: TODAY });
