import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The words of a paper, as whoever searches it finds them. */
export async function textOf(pdf: Buffer): Promise<{ pages: number; text: string }> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, index) =>
      (await (await document.getPage(index + 1)).getTextContent()).items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' '),
    ),
  );
  return { pages: document.numPages, text: pages.join(' ').replace(/\s+/g, ' ') };
}
