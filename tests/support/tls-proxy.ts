import { createServer, type Server as HttpsServer } from 'node:https';
import { request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { generate } from 'selfsigned';

export interface TlsProxy {
  origin: string;
  certificate: string;
  /** Hands on to this port from now on. */
  to: (port: number) => void;
  close: () => Promise<void>;
}

/** A small proxy with a certificate made on the spot: it ends the encryption and hands on as the documents say one should. */
export async function tlsProxy(): Promise<TlsProxy> {
  const { private: key, cert } = await generate([{ name: 'commonName', value: 'localhost' }], { keySize: 2048 });
  let port = 0;
  const server: HttpsServer = createServer({ key, cert }, (asked, answer) => {
    const headers = {
      ...asked.headers,
      'x-forwarded-for': [asked.headers['x-forwarded-for'], asked.socket.remoteAddress].filter(Boolean).join(', '),
      'x-forwarded-proto': 'https',
    };
    const onward = request({ host: '127.0.0.1', port, method: asked.method, path: asked.url, headers }, (got) => {
      answer.writeHead(got.statusCode ?? 502, got.headers);
      got.pipe(answer);
    });
    onward.on('error', () => answer.destroy());
    answer.on('close', () => onward.destroy());
    asked.pipe(onward);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    origin: `https://localhost:${(server.address() as AddressInfo).port}`,
    certificate: cert,
    to: (next) => (port = next),
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
