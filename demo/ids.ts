import { v5 } from 'uuid';

const NAMESPACE = '5b0d7f0c-41a5-4f6e-9a0e-0c6a3f2e9d11';
/** Ids of the demo are the same on every machine, so that tests and links can name its things. */
export const demoId = (...path: string[]): string => v5(path.join('/'), NAMESPACE);
