import { forecastFigures } from './forecast';
import { doorFigures } from './door';
import { narrationFigures } from './narration';
import { newsFigures } from './news';
import { planFigures } from './plan';
import { layoutFigures } from './layout';
import { quantityFigures } from './quantities';
import { busyFigures } from './busy';
import { pageFigures } from './pages';
import { stormFigures } from './storms';
import { scriptFigures } from './script';
import { scheduleFigures } from './schedule';

/** `npm run bench [-- NAME]`: one JSON object a line; ratios against something plain, taken in the same run. */
const QUESTIONS = {
  plan: planFigures,
  forecast: forecastFigures,
  door: doorFigures,
  quantities: quantityFigures,
  layout: layoutFigures,
  pages: pageFigures,
  script: scriptFigures,
  news: newsFigures,
  busy: busyFigures,
  storms: stormFigures,
  schedule: scheduleFigures,
  narration: narrationFigures,
};

const asked = process.argv.slice(2);
for (const [name, figures] of Object.entries(QUESTIONS)) {
  if (asked.length > 0 && !asked.includes(name)) continue;
  for (const line of await figures()) console.log(JSON.stringify(line));
}
