import { pdfName, pdfResponse } from '@/server/files/pdfs';
import { route } from '@/server/route';

export const GET = route<{ hash: string }>({ need: 'person' }, (installation, request, { hash }) =>
  pdfResponse(installation, hash, request, pdfName(installation, hash)),
);
