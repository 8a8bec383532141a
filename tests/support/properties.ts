import fc from 'fast-check';

/**
 * Properties are drawn from one seed, so that a run says the same every time; `npm run long -- properties` draws anew
 * and longer.
 */
const DAILY_SEED = 2027;
const { PROPERTY_SEED, PROPERTY_RUNS } = process.env;
fc.configureGlobal({
  seed: PROPERTY_SEED ? Number(PROPERTY_SEED) : DAILY_SEED,
  ...(PROPERTY_RUNS ? { numRuns: Number(PROPERTY_RUNS) } : {}),
});
