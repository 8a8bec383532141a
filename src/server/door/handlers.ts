import { firmHandlers } from '../firm/commands';
import { scopeHandlers } from '../scope/commands';
import { selectionHandlers } from '../selections/commands';
import { sequenceHandlers } from '../sequence/commands';
import { siteHandlers } from '../sites/commands';
import { updateHandlers } from '../updates/commands';
import { walkHandlers } from '../walks/commands';
import type { Handler } from './handler';

/** Every change there is, by its name. */
export const HANDLERS: ReadonlyMap<string, Handler> = new Map(
  [...firmHandlers, ...siteHandlers, ...scopeHandlers, ...selectionHandlers, ...sequenceHandlers, ...walkHandlers, ...updateHandlers].map((one) => [one.kind.type, one]),
);
