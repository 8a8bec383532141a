import { NotPlanned, plannedJob } from './plan-job';

/**
 * `npm run plan -- JOB.csv [--way SCHOOL=SIDE …] [--start DAY] [--lived-in]`: sets out the job of a list of areas, as Set
 * out reads it, in an empty house with one sub a trade, and prints its first plan as a document.
 */
try {
  console.log(plannedJob(process.argv.slice(2)));
} catch (cause) {
  if (!(cause instanceof NotPlanned)) throw cause;
  console.error(cause.message);
  process.exitCode = 1;
}
