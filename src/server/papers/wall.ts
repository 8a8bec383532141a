import type { Content, TableCell } from 'pdfmake/interfaces';
import { svgOf } from '@/core/layout/svg';
import { wallName } from '@/core/layout/shape';
import { IN_WALL_KINDS } from '@/core/walks/observation';
import { fixtureWords } from '@/core/walls/wall-record';
import { formatDay } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { HAIRLINES, type PaperDocument } from './pdf';
import { servePicture } from '../files/pictures';
import type { Installation } from '../installation';
import { personNames } from '../reading/firm';
import { areaRow, jobOfArea, jobRow } from '../reading/job';
import { wallsOf } from '../views/walls';

/** The wall record of an area on paper: each wall drawn, what is in it with its place, and its pictures. */
export async function wallPaper(installation: Installation, area: string): Promise<PaperDocument> {
  const job = jobOfArea(installation, area);
  const room = areaRow(job, area);
  const { name, address, units } = jobRow(job);
  const { zone, today: now } = job.firm;
  const names = personNames(job.firm);
  const walls = wallsOf(job, area);
  const content: Content[] = [];
  for (const { wall, drawing, things } of walls) {
    const pictures: Content[] = [];
    for (const hash of [...new Set(things.flatMap((thing) => thing.picture ?? []))].slice(0, 4)) {
      const picture = await servePicture(installation, hash, 640);
      if (picture) pictures.push({ image: `data:image/jpeg;base64,${picture.toString('base64')}`, fit: [240, 170] });
    }
    const cells: TableCell[][] = things.map((thing) => [
      { text: String(thing.number), style: 'side' },
      IN_WALL_KINDS[thing.what],
      fixtureWords(thing, units),
      { text: `${names.get(thing.person) ?? ''}, ${formatDay(dayIn(zone, thing.at), now)}`, style: 'note' },
    ]);
    content.push({
      stack: [
        { text: wallName(wall), style: 'head' },
        { svg: svgOf(drawing, 499), width: 499 },
        { table: { widths: [14, 70, '*', 90], body: cells }, layout: HAIRLINES, margin: [0, 6, 0, 6] },
        ...(pictures.length > 0 ? [{ columns: pictures, columnGap: 12 }] : []),
      ],
      unbreakable: true,
    });
  }
  if (walls.length === 0) content.push({ text: 'Nothing was recorded in the walls of this room.' });
  return {
    title: `${room.name}: what is inside the walls`,
    subtitle:
      `${name}${address ? `, ${address}` : ''}. Each wall as one faces it from inside; lengths from its left ` +
      'corner and from the floor.',
    foot: `${name}, ${room.name}`,
    content,
  };
}
