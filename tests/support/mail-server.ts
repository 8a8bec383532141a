import { SMTPServer } from 'smtp-server';

export interface Mail {
  to: string[];
  subject: string;
  /** Its words, as whoever gets it reads them. */
  text: string;
  headers: string;
}

/** How letters are written so that every server lets them through: `=E2=82=AC`, and lines broken by a sign at their end. */
function readable(body: string, headers: string): string {
  if (/content-transfer-encoding: base64/i.test(headers)) return Buffer.from(body, 'base64').toString('utf8');
  if (!/quoted-printable/i.test(headers)) return body;
  const bytes = body
    .replace(/=\r?\n/g, '')
    .replace(/=([0-9A-F]{2})/g, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)));
  return Buffer.from(bytes, 'latin1').toString('utf8');
}

/** `=?UTF-8?Q?…?=` in a title. */
const title = (line: string): string =>
  line
    .replace(/\?=\s+=\?/g, '?==?')
    .replace(/=\?UTF-8\?Q\?(.*?)\?=/gi, (_, text: string) => readable(text.replaceAll('_', ' '), 'quoted-printable'))
    .replace(/=\?UTF-8\?B\?(.*?)\?=/gi, (_, text: string) => Buffer.from(text, 'base64').toString('utf8'));

function read(raw: string, to: string[]): Mail {
  const [headers = '', ...body] = raw.split('\r\n\r\n');
  const unfolded = headers.replace(/\r\n[ \t]/g, ' ');
  return {
    ...{ to, headers: unfolded },
    subject: title(/^Subject: (.*)$/m.exec(unfolded)?.[1] ?? ''),
    text: readable(body.join('\r\n\r\n'), unfolded).replaceAll('\r\n', '\n'),
  };
}

/** A mail server of the tests, on this machine alone. Addresses that end in `.invalid` are none; it can be busy, or gone. */
export async function mailServer(): Promise<{
  url: string;
  mails: Mail[];
  busy: { now: boolean };
  stop: () => Promise<void>;
}> {
  const mails: Mail[] = [];
  const busy = { now: false };
  const no = (responseCode: number, words: string) => Object.assign(new Error(words), { responseCode });
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: ({ address }, _session, done) => {
      if (busy.now) return done(no(451, 'try again later'));
      return done(address.endsWith('.invalid') ? no(550, 'no such mailbox') : null);
    },
    onData: (stream, session, done) => {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        mails.push(
          read(
            Buffer.concat(parts).toString('utf8'),
            session.envelope.rcptTo.map(({ address }) => address),
          ),
        );
        done();
      });
    },
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.server.address() as { port: number };
  return {
    url: `smtp://127.0.0.1:${port}`,
    ...{ mails, busy },
    stop: () => new Promise((resolve) => server.close(resolve)),
  };
}
