import type { EventEmitter } from 'node:events';
import { join } from 'node:path';
import type { Clock } from './clock';
import type { Connection } from './database/open';
import type { Outside } from './outside/ports';
import type { Sees } from './rights/sees';

/** One installation: its file, its folder of pictures, its secret and its clock. */
export interface Installation {
  folder: string;
  /** Where the application itself stands: migrations and the planner's bundle. */
  root: string;
  db: Connection;
  clock: Clock;
  /** Seals sessions and makes the secrets of share links; never in the database. */
  secret: string;
  /** Demo firm: the visitor is signed in and may switch person. */
  demo: boolean;
  /** Under which address its pages are reached from outside; empty where nobody has said. */
  address: string;
  /** What of it whoever asks may look at; all of it where nothing is said. */
  sees?: Sees;
  /** Messages, suppliers, weather and offices, as far as this installation reaches them. */
  outside: Outside;
  /** How much room it may take; as much as there is where nothing is said. In bytes. */
  mostBytes: number | undefined;
  /** Tells what listens (the change stream, the planner) that the log grew. */
  news: EventEmitter;
}

export const databaseFile = (folder: string): string => join(folder, 'aftermist.sqlite');
/** Where a house notes its newest backup, for whoever looks how old it is. */
export const LAST_BACKUP = 'last-backup.json';
