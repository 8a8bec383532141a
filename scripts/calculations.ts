import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { assembliesDocument } from './assemblies-document';
import { calculationsDocument } from './calculations-document';
import { forbiddenDocument } from './forbidden-document';

/** Writes docs/calculations.md, docs/assemblies.md and docs/forbidden-orders.md from what they are about: `npm run calculations`. */
const docs = join(import.meta.dirname, '..', 'docs');
writeFileSync(join(docs, 'calculations.md'), calculationsDocument());
writeFileSync(join(docs, 'assemblies.md'), assembliesDocument());
writeFileSync(join(docs, 'forbidden-orders.md'), forbiddenDocument());
