import { pathToFileURL } from 'node:url';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, root, run } from './toolchain.mjs';

/** The place of long runs: `npm run long -- NAME`. What each looks for, `npm test` looks for in seconds. */
const LONG = {
  /** Unit and integration tests while the machine's clock and zone are at their worst. */
  hours: () =>
    HOURS.every(({ zone, at }) => {
      console.log(`\n— ${zone}, ${at}`);
      const shim = pathToFileURL(join(root, 'tests', 'support', 'shifted-clock.mjs')).href;
      const env = { TZ: zone, SHIFT_MS: String(Date.parse(at) - Date.now()), NODE_OPTIONS: `--import=${shim}` };
      return run(bin('vitest'), ['run', '--project', 'unit', '--project', 'integration', '--reporter=dot'], env);
    }),
  /** Every property again and again from other seeds: `npm run long -- properties 20`. */
  properties: ([times = '10']) =>
    Array.from({ length: Number(times) }, (_, turn) => (Date.now() % 1_000_000) + turn).every((seed) => {
      console.log(`\n— seed ${seed}`);
      return run(
        bin('vitest'),
        ['run', '--project', 'unit', '--project', 'integration', '--reporter=dot', ...filesWithProperties()],
        { PROPERTY_SEED: String(seed) },
      );
    }),
  /** Random rooms judged by the plan and by its plain twin: `npm run long -- rooms 10000`, about half an hour. */
  rooms: ([times = '10000']) =>
    run(bin('vitest'), ['run', '--project', 'unit', 'random-rooms.test'], { FIT_ROOMS: times }),
  /** A thing pulled over the plan and typed again, so many times: `npm run long -- drags 60`. */
  drags: ([times = '60']) => run(bin('vitest'), ['run', '--project', 'browser', 'dragging.test'], { DRAGS: times }),
  /** Every pair of ways of working in every kind of room and face, and more jobs of many rooms: about half a minute. */
  orders: () =>
    run(bin('vitest'), ['run', '--project', 'unit', '--testTimeout=600000', 'forbidden.test'], { ORDER_PARTS: '1' }),
  /** Firms with a day of eight events each, and what each of them moves: `npm run long -- calm 25`, some seconds. */
  calm: ([firms = '25']) => run(bin('vitest'), ['run', '--project', 'unit', 'calm.test'], { CALM_FIRMS: firms }),
  /** Ends that are forecast and then come in another world: `npm run long -- forecast 1000`, about two minutes. */
  forecast: ([ends = '1000']) =>
    run(bin('vitest'), ['run', '--project', 'unit', 'calibration.test'], { FORECAST_ENDS: ends }),
  /** A server killed again and again under load: `npm run long -- kills 200`, about ten minutes. */
  kills: ([times = '200']) =>
    run(bin('vitest'), ['run', '--project', 'integration', '--testTimeout=3600000', 'kill.test'], { KILLS: times }),
  /** Commands that are nearly right, from another seed: `npm run long -- fuzz 200000`, about three minutes. */
  fuzz: ([tried = '200000']) =>
    run(bin('vitest'), ['run', '--project', 'integration', '--testTimeout=3600000', 'fuzz.test'], {
      FUZZ_COMMANDS: tried,
      FUZZ_ROUTES: '6000',
      FUZZ_SEED: String(Date.now() % 1_000_000),
    }),
  /** Every view at both sizes, in the light and in the dark, by all that axe knows: about eight minutes. */
  look: () => run(bin('vitest'), ['run', '--project', 'browser', 'views-on-a'], { LOOK_WHOLE: '1' }),
  /** Slips of drawn firms, the best answer against waiting and against a rule of thumb: `npm run long -- slips 200`. */
  slips: ([slips = '200']) => run(bin('vitest'), ['run', '--project', 'integration', 'slips.test'], { SLIPS: slips }),
  /** A firm that grew, with so many times the past: `npm run long -- years 100` is about one of three years. */
  years: ([times = '100']) =>
    run(bin('vitest'), ['run', '--project', 'integration', '--reporter=dot', 'reading.test', 'thin.test'], {
      GROWN_TIMES: times,
    }),
};

/** Test files that draw their cases. */
const filesWithProperties = () =>
  ['src', 'tests']
    .flatMap((folder) => readdirSync(join(root, folder), { recursive: true }).map((file) => join(folder, file)))
    .filter((file) => /\.test\.tsx?$/.test(file) && readFileSync(join(root, file), 'utf8').includes('fast-check'));

const HOURS = [
  { zone: 'UTC', at: '2026-11-24T02:00:00Z' },
  // Two minutes before New Year in Auckland, half an hour into the day on which London loses an hour.
  { zone: 'Pacific/Auckland', at: '2026-12-31T10:58:00Z' },
  { zone: 'Europe/London', at: '2027-03-28T00:30:00Z' },
];

const [name = '', ...more] = process.argv.slice(2);
if (!(name in LONG)) {
  console.error(`There is no long run “${name}”; there are: ${Object.keys(LONG).join(', ')}.`);
  process.exit(1);
}
process.exit(LONG[name](more) ? 0 : 1);
