export interface PaperFile {
  name: string;
  type: string;
  body: string | Buffer;
}

export const PDF = 'application/pdf';

/** Answers with a paper: shown where a browser can, saved under its name. */
export function paperResponse({ name, type, body }: PaperFile): Response {
  const svg = type.startsWith('image/svg');
  return new Response(typeof body === 'string' ? body : new Uint8Array(body), {
    headers: {
      'content-type': type,
      'content-disposition': `${svg || type === PDF ? 'inline' : 'attachment'}; filename="${name}"`,
      'cache-control': 'no-store',
      // A drawing is shown by itself and runs nothing.
      ...(svg ? { 'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'" } : {}),
    },
  });
}
