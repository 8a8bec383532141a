import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

import { refuseWhereServed } from '../serving';
import { unpackedTypeface } from './typeface';

interface Pdfmake {
  setFonts: (fonts: Record<string, Record<string, string>>) => void;
  setUrlAccessPolicy: (may: (url: string) => boolean) => void;
  setLocalAccessPolicy: (may: (path: string) => boolean) => void;
  virtualfs: { writeFileSync: (name: string, content: Buffer) => void };
  createPdf: (document: TDocumentDefinitions) => { getBuffer: () => Promise<Buffer> };
}

let maker: Pdfmake | undefined;

/**
 * The one maker of PDF, with our own typefaces; nothing is ever fetched for a paper, and no file but a typeface is read.
 */
function pdfmake(root: string): Pdfmake {
  if (maker) return maker;
  const made = createRequire(join(root, 'package.json'))('pdfmake') as Pdfmake;
  const font = (family: string, name: string): string => {
    // Kept under its own path: drawings on a paper have no other files than real ones, and read it packed.
    const file = join(root, 'node_modules', '@fontsource', family, 'files', name);
    made.virtualfs.writeFileSync(file, unpackedTypeface(readFileSync(file)));
    return file;
  };
  const [plain, bold, mono] = [
    font('archivo', 'archivo-latin-400-normal.woff'),
    font('archivo', 'archivo-latin-600-normal.woff'),
    font('spline-sans-mono', 'spline-sans-mono-latin-400-normal.woff'),
  ];
  made.setFonts({
    Archivo: { normal: plain, bold, italics: plain, bolditalics: bold },
    Mono: { normal: mono, bold: mono, italics: mono, bolditalics: mono },
  });
  made.setUrlAccessPolicy(() => false);
  made.setLocalAccessPolicy(() => false);
  maker = made;
  return made;
}

export interface PaperDocument {
  title: string;
  /** Beneath the title. */
  subtitle: string;
  /** At the foot of every page, before its number. */
  foot: string;
  content: Content[];
  /** Its pages have heads of their own. */
  plain?: true;
}

/** A plain sheet, black on white, A4, its pages numbered. */
export function makePdf(root: string, { title, subtitle, foot, content, plain }: PaperDocument): Promise<Buffer> {
  refuseWhereServed('Setting a paper');
  return pdfmake(root)
    .createPdf({
      pageSize: 'A4',
      pageMargins: [48, 44, 48, 52],
      info: { title, creator: 'Aftermist' },
      defaultStyle: { font: 'Archivo', fontSize: 9.5, lineHeight: 1.18 },
      styles: {
        title: { fontSize: 20, bold: true },
        subtitle: { fontSize: 10, color: '#444444', margin: [0, 0, 0, 10] },
        head: { fontSize: 12.5, bold: true, margin: [0, 12, 0, 2] },
        side: { fontSize: 8.5, color: '#444444', bold: true },
        note: { fontSize: 8.5, color: '#444444' },
        mono: { font: 'Mono', fontSize: 8.5 },
        column: { fontSize: 8.5, color: '#444444' },
      },
      footer: (page: number, pages: number) => ({
        columns: [
          { text: foot, style: 'note' },
          { text: `${page} of ${pages}`, style: 'note', alignment: 'right', width: 60 },
        ],
        margin: [48, 14, 48, 0],
      }),
      content: plain ? content : [{ text: title, style: 'title' }, { text: subtitle, style: 'subtitle' }, ...content],
    })
    .getBuffer();
}

/** A line across the page under a heading. */
export const rule = (): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: 499, y2: 0, lineWidth: 0.75 }],
  margin: [0, 0, 0, 4],
});
/** Hairlines between lines and none beside them. */
export const HAIRLINES = {
  hLineWidth: (at: number) => (at === 0 ? 0 : 0.4),
  vLineWidth: () => 0,
  hLineColor: () => '#bbbbbb',
  paddingLeft: () => 0,
  paddingRight: () => 6,
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
};
