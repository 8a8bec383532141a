import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { calculationsDocument } from './calculations-document';

/** Writes docs/calculations.md from the calculators themselves: `npm run calculations`. */
writeFileSync(join(import.meta.dirname, '..', 'docs', 'calculations.md'), calculationsDocument());
