'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from '../kit/link';
import type { ProblemDocument } from '@/contract/command';
import { api, routes } from '@/contract/routes';
import type { FirmView } from '@/contract/views/firm';
import { counted } from '@/core/words/count';
import { Line, Lines } from '../kit/lines';
import { Notice } from '../kit/notice';
import { FoldedBlock } from '../kit/page';

type Taken =
  | { kind: 'job'; job: string; name: string }
  | { kind: 'firm'; firm: string; taken: string[]; known: string[] }
  | { kind: 'none'; problem: string };

/** Jobs in one file each, and the whole firm: packed here, to be kept or taken elsewhere; and one from another house, taken in. */
export function Archives({ jobs, owner }: { jobs: FirmView['jobs']; owner: boolean }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState<Taken>();
  const take = async (file: File): Promise<void> => {
    setBusy(true);
    setTaken(undefined);
    try {
      const response = await fetch(api.archives(), { method: 'POST', body: file });
      const answer = (await response.json()) as Taken | ProblemDocument;
      setTaken('kind' in answer ? answer : { kind: 'none', problem: answer.title });
      router.refresh();
    } catch {
      setTaken({
        kind: 'none',
        problem: 'It did not get through; nothing was taken in. Try again once there is a connection.',
      });
    }
    setBusy(false);
  };
  return (
    <FoldedBlock heading="In one file" says="the whole firm or one job, packed or taken in">
      <p className="small-text soft mt-2 mb-1">
        Its records, pictures, recordings, drawings, permits and papers as a ZIP, with no password of anybody. What it
        costs is in it: it is not for clients, who get a copy of their own on their page.
      </p>
      <Lines>
        {owner && (
          <Line beside={<a href={api.firmArchive()}>Pack the whole firm (ZIP)</a>}>
            <b>The firm</b>: all jobs, people, subs, prices and rates
          </Line>
        )}
        {jobs.map(({ id, name }) => (
          <Line key={id} beside={<a href={api.archive(id)}>Pack {name} (ZIP)</a>}>
            {name}
          </Line>
        ))}
      </Lines>
      <Form.Group controlId="archive" className="mt-2">
        <Form.Label>Take in a job or a firm that was packed in another house</Form.Label>
        <Form.Control
          type="file"
          accept=".zip,application/zip"
          disabled={busy}
          onChange={(event) => {
            const file = (event.target as HTMLInputElement).files?.[0];
            if (file) void take(file);
          }}
        />
        {busy && <Form.Text>It is read and checked …</Form.Text>}
      </Form.Group>
      {taken && <What taken={taken} />}
    </FoldedBlock>
  );
}

/** What came in. */
function What({ taken }: { taken: Taken }) {
  if (taken.kind === 'none') return <Notice bad>{taken.problem}</Notice>;
  if (taken.kind === 'job')
    return (
      <Notice>
        <Link href={routes.rooms(taken.job)}>{taken.name}</Link> is here, whole. Its plan is being made.
      </Notice>
    );
  return (
    <Notice>
      {taken.firm} is here, with {counted(taken.taken.length, 'job', 'jobs')}
      {taken.known.length > 0 && ` more than the ${taken.known.length} that were here already`}. People come in by an
      invitation each.
    </Notice>
  );
}
