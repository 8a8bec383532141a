import type { Content } from 'pdfmake/interfaces';
import type { AttachmentKind } from '@/contract/commands/attachments';
import { keepPdf } from '@/server/files/pdfs';
import type { Installation } from '@/server/installation';
import { makePdf } from '@/server/papers/pdf';
import type { Happened } from './happened';
import { demoId } from './ids';
import type { DemoJob } from './scenario';

interface Paper {
  day: number;
  kind: AttachmentKind;
  name: string;
  /** Of an area or a request by its key; of the whole job where neither is named. */
  area?: string;
  request?: string;
  says: readonly string[];
  /** Units of cabinets along a wall, in mm. */
  units?: readonly number[];
}

/** Drawings and permits of the demo's jobs; the older state of a drawing comes before the newer one. */
const PAPERS: Record<string, readonly Paper[]> = {
  signal: [
    {
      day: -30,
      kind: 'permit',
      name: 'Building permit',
      says: ['Permit to open the wall between kitchen and day room and to renew the lantern roof.', 'Keep it on site.'],
    },
    {
      day: -20,
      kind: 'drawing',
      name: 'Kitchen cabinets',
      area: 'kitchen',
      says: ['First state: the tall unit beside the window.'],
      units: [600, 600, 900, 600, 600],
    },
    {
      day: -6,
      kind: 'drawing',
      name: 'Kitchen cabinets',
      area: 'kitchen',
      says: ['Second state: the tall unit moved to the door, so that the window opens.'],
      units: [600, 900, 600, 600, 600],
    },
    {
      day: -13,
      kind: 'drawing',
      name: 'Lantern, elevations',
      request: 'association',
      says: ['Curved panes between the eight posts, glass as in the sample sent with it.'],
      units: [450, 450, 450, 450],
    },
  ],
};

/** As many points across a sheet as a millimetre takes. */
const SCALE = 0.12;
const HEIGHT = 90;

/** The fronts of units beside each other, each with its width under it. */
function fronts(units: readonly number[]): Content[] {
  let x = 0;
  const drawn = units.map((width) => {
    const unit = { type: 'rect' as const, x, y: 0, w: width * SCALE, h: HEIGHT, lineWidth: 0.8 };
    x += width * SCALE;
    return unit;
  });
  return [
    { canvas: drawn, margin: [0, 12, 0, 4] },
    {
      columns: units.map((width) => ({ width: width * SCALE, text: String(width), alignment: 'center' as const })),
      columnGap: 0,
    },
  ];
}

/** Keeps the papers of a job, and says how they came in. */
export function papersOf(installation: Installation, { key, name: job }: DemoJob): Promise<Happened[]> {
  return Promise.all(
    (PAPERS[key] ?? []).map(async ({ day, kind, name, area, request, says, units }): Promise<Happened> => {
      const content = [...says.map((text) => ({ text, margin: [0, 6, 0, 0] as [number, number, number, number] }))];
      const sheet = await makePdf(installation.root, {
        title: name,
        subtitle: job,
        foot: `${name}, ${job}`,
        content: [...content, ...(units ? fronts(units) : [])],
      });
      const { hash } = await keepPdf(installation, [sheet]);
      return {
        ...{ day, hour: 9 },
        said: {
          type: 'attachment.add',
          payload: {
            ...{ id: demoId(key, 'attachment', name, String(day)), job: demoId(key), kind, name, pdf: hash },
            ...(area ? { area: demoId(key, 'area', area) } : {}),
            ...(request ? { request: demoId(key, 'request', request) } : {}),
          },
        },
      };
    }),
  );
}
