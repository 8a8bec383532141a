import { demoId } from '../demo/seed';
import { freshDemo } from '../scripts/demo-server';
import { figure, inTurn, median, type Figure } from './measure';

/** The heaviest page of a job against a page that reads one row, over HTTP from the same server. */
export async function roomsFigures(): Promise<Figure[]> {
  const server = await freshDemo();
  const page = (path: string) => async (): Promise<void> => {
    const response = await fetch(`${server.url}${path}`);
    if (!(await response.text()).includes('</html>')) throw new Error(`${path} answered ${response.status}`);
  };
  try {
    const [rooms = [], simple = []] = await inTurn(60, [page(`/jobs/${demoId('signal')}`), page('/s/none')]);
    return [
      figure(
        'Rooms page of Signal House',
        median(rooms),
        'ms',
        'simplest dynamic page of the same server',
        median(simple),
      ),
    ];
  } finally {
    await server.kill();
  }
}
