import type { Drawing } from '@/core/layout/stroke';
import { writeOpeningCsv } from '@/core/layout/opening-csv';
import { writeShapeCsv } from '@/core/layout/shape-csv';
import { svgOf } from '@/core/layout/svg';
import { writeScopeCsv } from '@/core/scope/scope-csv';
import { writeSelectionCsv } from '@/core/selections/selection-csv';
import { notFound } from '../refusal';
import type { Installation } from '../installation';
import { areaDrawing } from '../views/layout';
import { onlyWhatIsSure } from '@/core/news/own-words';
import { READERS } from '@/contract/commands/news';
import { servePicture } from '../files/pictures';
import { subShared } from '../public/shared';
import { composeDraft } from '../views/draft';
import { tourOf } from '../views/tour';
import { lookAheadPaper, newsMarkdown, newsPaper, workOrderPaper, type PaperPicture } from './news';
import { changePaper } from './change';
import { clientChange, liveChanges } from '../views/changes';
import { firmRow, subRows } from '../reading/firm';
import { currencyOfFirm } from '../reading/money';
import { materialsCsv, materialsPaper } from './materials';
import { ordersOf } from '../reading/purchasing';
import { purchaseOrderCsv, purchaseOrderPaper } from './purchase-order';
import { purchaseOrderView } from '../views/purchasing';
import { materialsView } from '../views/quantities';
import { scopeOf } from '../views/scope-parts';
import { statementCsv, statementPaper } from './statement';
import { statementView } from '../views/statement';
import { selectionsOf } from '../views/selection';
import { fullSizePaper, tapeMarksPaper } from './tape-marks';
import { roomSheets, sheetAreas } from './room-sheet';
import { areaNames, areaRow, areasUpward, jobOfArea, jobRow } from '../reading/job';
import { layoutOf } from '../reading/layouts';
import { readJob, type JobReading } from '../reading/reading';
import { wallPaper } from './wall';
import { wallsOf } from '../views/walls';
import { dxfOf } from './dxf';
import { PDF, type PaperFile } from './paper-response';
import { makePdf } from './pdf';

const CSV = 'text/csv; charset=utf-8';

/** A file name that every system takes. */
const named = (...parts: string[]): string =>
  parts
    .join(' ')
    .normalize('NFKD')
    .replace(/[^\w .-]/g, '')
    .trim()
    .replace(/\s+/g, '-')
    .toLowerCase();

/** What a reader would be told now, with the pictures of the tour where it is the client. */
async function newsFile(installation: Installation, job: JobReading, file: string): Promise<PaperFile> {
  const [audience = '', format] = file.split('.');
  const reader = READERS.find((one) => one === audience) ?? 'client';
  const { draft, parts } = composeDraft(job, reader);
  const letter = { title: draft.title, parts: onlyWhatIsSure(parts) };
  const fileName = named(jobRow(job).name, reader, 'news', job.firm.today);
  if (format === 'md')
    return { name: `${fileName}.md`, type: 'text/markdown; charset=utf-8', body: newsMarkdown(letter) };
  const pictures = reader === 'client' ? await tourPictures(installation, job) : [];
  return {
    name: `${fileName}.pdf`,
    type: PDF,
    body: await makePdf(installation.root, newsPaper(job, letter, reader, pictures)),
  };
}

async function tourPictures(installation: Installation, job: JobReading): Promise<PaperPicture[]> {
  const pictures = await Promise.all(
    tourOf(job).map(async ({ area, text, before, now }) => ({
      caption: `${area}${text ? `: ${text}` : ''} (${[before?.when, now.when].filter(Boolean).join(', ')})`,
      images: (
        await Promise.all(
          [before, now].flatMap((one) => (one ? [servePicture(installation, one.hash, PAPER_WIDTH)] : [])),
        )
      ).flatMap((image) => image ?? []),
    })),
  );
  return pictures.filter(({ images }) => images.length > 0);
}
/** Pixels across a picture that is half a page wide. */
const PAPER_WIDTH = 640;

/** What one sub comes for on a job, from today on. */
async function workOrderFile(installation: Installation, job: JobReading, id: string): Promise<PaperFile> {
  const sub = subRows(job.firm).find((row) => row.id === id);
  if (!sub) throw notFound('sub');
  const view = subShared(installation, sub, job);
  return {
    name: `${named(sub.name, 'work order')}.pdf`,
    type: PDF,
    body: await makePdf(installation.root, workOrderPaper(job, view)),
  };
}

/** A paper of a job by its name: what Scope prints, and the lists that are read back in. */
export async function jobPaper(
  installation: Installation,
  id: string,
  file: string,
  { version, origin = '', sub }: { version?: number; origin?: string; sub?: string } = {},
): Promise<PaperFile> {
  const job = readJob(installation, id);
  const { name } = jobRow(job);
  switch (file) {
    case 'statement.pdf':
    case 'statement.csv': {
      const view = statementView(job, version);
      const fileName = named(name, 'statement', view.shown ? String(view.shown.number) : 'draft');
      if (file === 'statement.csv') return { name: `${fileName}.csv`, type: CSV, body: statementCsv(view.content) };
      return {
        name: `${fileName}.pdf`,
        type: PDF,
        body: await makePdf(
          installation.root,
          statementPaper(view.content, {
            number: view.shown?.number ?? null,
            agreed: view.shown?.agreed ?? null,
            diff: view.diff,
          }),
        ),
      };
    }
    case 'client.pdf':
    case 'client.md':
    case 'crew.pdf':
    case 'crew.md':
    case 'neighbour.pdf':
    case 'neighbour.md':
      return newsFile(installation, job, file);
    case 'look-ahead.pdf':
      return {
        name: `${named(name, 'three weeks ahead')}.pdf`,
        type: PDF,
        body: await makePdf(installation.root, lookAheadPaper(job)),
      };
    case 'work-order.pdf':
      return workOrderFile(installation, job, sub ?? '');
    case 'change.pdf': {
      const row = liveChanges(job).find(({ number }) => number === version);
      if (!row) throw notFound('change of this job');
      const { address, client } = jobRow(job);
      return {
        name: `${named(name, 'change', String(row.number))}.pdf`,
        type: PDF,
        body: await makePdf(
          installation.root,
          changePaper(clientChange(job, row), {
            job: { name, address, client },
            firm: firmRow(job.firm)?.name ?? '',
            today: job.firm.today,
            currency: currencyOfFirm(job.firm),
          }),
        ),
      };
    }
    case 'purchase-order.pdf':
    case 'purchase-order.csv':
      return orderFile(installation, job, file, version);
    case 'materials.pdf':
      return {
        name: `${named(name, 'materials')}.pdf`,
        type: PDF,
        body: await makePdf(installation.root, materialsPaper(materialsView(job))),
      };
    case 'materials.csv':
      return {
        name: `${named(name, 'materials')}.csv`,
        type: CSV,
        body: materialsCsv(materialsView(job)),
      };
    case 'selections.csv':
      return {
        name: `${named(name, 'selections')}.csv`,
        type: CSV,
        body: writeSelectionCsv(selectionsOf(job)),
      };
    case 'room-sheets.pdf':
      return {
        name: `${named(name, 'room sheets')}.pdf`,
        type: PDF,
        body: await makePdf(installation.root, roomSheets(job, sheetAreas(job), origin)),
      };
    case 'scope.csv': {
      const names = areaNames(job);
      return {
        name: `${named(name, 'scope')}.csv`,
        type: CSV,
        body: writeScopeCsv(scopeOf(job).map((line) => ({ ...line, area: names.get(line.areaId) ?? '' }))),
      };
    }
    case 'walls-and-sections.csv':
      return {
        name: `${named(name, 'walls')}.csv`,
        type: CSV,
        body: writeShapeCsv(
          areasUpward(job).flatMap((area) => {
            const { shape } = layoutOf(job, area.id);
            return shape ? [{ name: area.name, shape }] : [];
          }),
        ),
      };
    case 'openings.csv':
      return {
        name: `${named(name, 'openings')}.csv`,
        type: CSV,
        body: writeOpeningCsv(
          areasUpward(job).flatMap((area) =>
            layoutOf(job, area.id).openings.map((opening) => ({ ...opening, area: area.name })),
          ),
        ),
      };
    default:
      throw notFound('paper of this job');
  }
}

/** A purchase order, as paper or as a list. */
async function orderFile(
  installation: Installation,
  job: JobReading,
  file: 'purchase-order.pdf' | 'purchase-order.csv',
  number: number | undefined,
): Promise<PaperFile> {
  const found = ordersOf(job).find(({ row }) => row.number === number);
  if (!found) throw notFound('purchase order of this job');
  const view = purchaseOrderView(job, found.row.id, true);
  const [firm, { address }] = [firmRow(job.firm)?.name ?? '', jobRow(job)];
  const name = named(firm, 'order', String(view.order.number));
  if (file === 'purchase-order.csv') return { name: `${name}.csv`, type: CSV, body: purchaseOrderCsv(view) };
  const paper = purchaseOrderPaper(view, { address, firm, currency: currencyOfFirm(job.firm) });
  return { name: `${name}.pdf`, type: PDF, body: await makePdf(installation.root, paper) };
}

/**
 * The sheet for the wall of an area, its tape marks, a thing at full size, its drawing, its ceiling, or one wall of it,
 * empty or with what is in it: `sheet.pdf`, `tape-marks.pdf`, `drawing.svg`, `ceiling.dxf`, `wall-2.dxf`, `walls.pdf`, `inside-2.svg`.
 */
export async function areaPaper(
  installation: Installation,
  area: string,
  file: string,
  origin: string,
): Promise<PaperFile> {
  if (file === 'sheet.pdf') {
    const job = jobOfArea(installation, area);
    return {
      name: `${named(areaRow(job, area).name, 'sheet')}.pdf`,
      type: PDF,
      body: await makePdf(installation.root, roomSheets(job, [area], origin)),
    };
  }
  if (file === 'walls.pdf') {
    const paper = await wallPaper(installation, area);
    return { name: `${named(paper.title)}.pdf`, type: PDF, body: await makePdf(installation.root, paper) };
  }
  const inside = /^inside-(\d{1,3})\.(svg|dxf)$/.exec(file);
  if (inside) {
    const record = wallsOf(jobOfArea(installation, area), area).find(({ wall }) => wall === Number(inside[1]) - 1);
    if (!record) throw notFound('record of this wall');
    return drawn(record.drawing, inside[2]);
  }
  if (file === 'tape-marks.pdf') {
    const paper = tapeMarksPaper(jobOfArea(installation, area), area);
    return { name: `${named(paper.title)}.pdf`, type: PDF, body: await makePdf(installation.root, paper) };
  }
  const thing = /^full-size-(\d{1,3})\.pdf$/.exec(file);
  if (thing) {
    const paper = fullSizePaper(jobOfArea(installation, area), area, Number(thing[1]));
    return { name: `${named(paper.title)}.pdf`, type: PDF, body: await makePdf(installation.root, paper) };
  }
  const asked = /^(?:(drawing|ceiling)|wall-(\d{1,3}))\.(svg|dxf)$/.exec(file);
  const seen = asked?.[1] === 'ceiling' ? 'ceiling' : asked?.[2] === undefined ? undefined : Number(asked[2]) - 1;
  const found = asked && areaDrawing(jobOfArea(installation, area), area, seen);
  if (!found) throw notFound('drawing of this area');
  return drawn(found.drawing, asked[3]);
}

function drawn(drawing: Drawing, form: string | undefined): PaperFile {
  const name = named(drawing.title);
  return form === 'svg'
    ? { name: `${name}.svg`, type: 'image/svg+xml', body: svgOf(drawing) }
    : { name: `${name}.dxf`, type: 'image/vnd.dxf', body: dxfOf(drawing) };
}
