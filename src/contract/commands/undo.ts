import { object } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** Takes back what one command did, by its id: every row that it wrote is again as it was before. */
export const undo = command('undo', EVERYBODY, 'plan', object({ command: field.id('the change') }).noUnknown());
