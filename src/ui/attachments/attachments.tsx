'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useFormContext } from 'react-hook-form';
import { addAttachment, ATTACHMENT_KINDS, changeAttachment } from '@/contract/commands/attachments';
import { api } from '@/contract/routes';
import type { AttachmentView } from '@/contract/views/attachments';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { FoldedBlock } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { counted } from '@/core/words/count';
import { newId } from '../offline/send';
import { PdfField } from './pdf-field';
import { sizeWords } from './size-words';

/** What they are of: one area, what was asked of somebody, or the whole job. */
interface Place {
  job: string;
  area?: string;
  request?: string;
  /** As it is called in a title. */
  name: string;
}

interface Terms {
  of: Place;
  papers: readonly AttachmentView[];
  /** Each says where it belongs, since the list holds those of several places. */
  placed?: boolean;
}

/** Drawings, permits and other papers of one place, each as it counts now. */
export const Attachments = (terms: Terms) => (
  <FoldedBlock heading="Drawings and permits" says={counted(terms.papers.length, 'paper')}>
    <AttachmentLines {...terms} />
  </FoldedBlock>
);

/** The list alone, with the way to add one. */
export function AttachmentLines({ of, papers, placed = false }: Terms) {
  const [open, setOpen] = useState<'new' | AttachmentView>();
  const close = (): void => setOpen(undefined);
  return (
    <>
      <Lines>
        {papers.map((paper) => (
          <Paper key={paper.id} paper={paper} placed={placed} onChange={() => setOpen(paper)} />
        ))}
      </Lines>
      <div className="actions mt-2 no-print">
        <Button size="sm" variant="outline-secondary" onClick={() => setOpen('new')}>
          Add a PDF<Hidden> to {of.name}</Hidden>
        </Button>
      </div>
      <SidePanel
        title={open === 'new' || open === undefined ? `A drawing or permit of ${of.name}` : open.name}
        open={open !== undefined}
        onClose={close}
      >
        {open === 'new' && <Add of={of} onDone={close} />}
        {open !== undefined && open !== 'new' && <Change paper={open} onDone={close} />}
      </SidePanel>
    </>
  );
}

function Paper({ paper, placed, onChange }: { paper: AttachmentView; placed: boolean; onChange: () => void }) {
  const remove = useRemove();
  const { id, name, kind, pdf, bytes, when, by, earlier, place } = paper;
  return (
    <Line
      beside={
        <span className="d-flex gap-2 no-print">
          <LinkButton onClick={onChange}>
            Change<Hidden> {name}</Hidden>
          </LinkButton>
          <LinkButton onClick={() => remove('attachment', id, name)}>
            Remove<Hidden> {name}</Hidden>
          </LinkButton>
        </span>
      }
    >
      <a href={api.pdf(pdf)} target="_blank" rel="noreferrer">
        {name}
      </a>
      <div className="small-text soft">
        {placed && place && (
          <>
            <Link href={place.path}>{place.name}</Link>:{' '}
          </>
        )}
        {ATTACHMENT_KINDS[kind]}, {sizeWords(bytes)}, {when}
        {by && ` by ${by}`}
        {earlier.length > 0 && '; before it: '}
        {earlier.map((one, at) => (
          <span key={one.id}>
            {at > 0 && ', '}
            <a href={api.pdf(one.pdf)} target="_blank" rel="noreferrer">
              <Hidden>{name} of </Hidden>
              {one.when}
            </a>
          </span>
        ))}
      </div>
    </Line>
  );
}

const KINDS = Object.entries(ATTACHMENT_KINDS);

function Add({ of, onDone }: { of: Place; onDone: () => void }) {
  return (
    <CommandForm
      kind={addAttachment}
      submit="Keep it"
      onDone={onDone}
      start={() => ({
        ...{ id: newId(), job: of.job, kind: 'drawing' as const, name: '', pdf: '' },
        ...(of.area ? { area: of.area } : {}),
        ...(of.request ? { request: of.request } : {}),
      })}
    >
      <Chosen />
      <SelectField name="kind" label="What it is" options={KINDS} />
      <TextField name="name" label="Called" hint="a newer one of the same name takes the place of the older" />
      <WhoReads of={of} />
    </CommandForm>
  );
}

/** The file gives the paper its name, unless somebody has typed one. */
function Chosen() {
  const { getValues, setValue } = useFormContext<{ name: string | null }>();
  return (
    <PdfField
      name="pdf"
      label="The PDF"
      onKept={(called) => {
        if (!getValues('name')) setValue('name', called);
      }}
    />
  );
}

const WhoReads = ({ of }: { of: Place }) => (
  <p className="small-text soft">
    {of.request
      ? 'Whoever is asked can open it on the page that you give them.'
      : 'Crews and subs who work there can open drawings, permits and instructions on their page; other papers stay here.'}
  </p>
);

const Change = ({ paper, onDone }: { paper: AttachmentView; onDone: () => void }) => (
  <CommandForm
    kind={changeAttachment}
    submit="Save"
    onDone={onDone}
    start={() => ({ id: paper.id, version: paper.version, kind: paper.kind, name: paper.name })}
  >
    <SelectField name="kind" label="What it is" options={KINDS} />
    <TextField name="name" label="Called" />
  </CommandForm>
);
