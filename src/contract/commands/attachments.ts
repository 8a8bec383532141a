import { object, string } from 'yup';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

/** The largest PDF that is kept: a set of drawings as an office sends it. */
export const LARGEST_PDF = 50 * 1024 * 1024;

export const ATTACHMENT_KINDS = {
  drawing: 'drawing',
  permit: 'permit',
  instructions: 'instructions',
  other: 'other paper',
} as const;
export type AttachmentKind = keyof typeof ATTACHMENT_KINDS;
const KINDS = Object.keys(ATTACHMENT_KINDS) as AttachmentKind[];

const about = {
  kind: field.oneOf('what it is', KINDS),
  name: field.line('what it is called', 120),
};

/** A drawing, a permit or another paper as PDF: of an area, of what was asked of somebody, or of the whole job. */
export const addAttachment = command(
  'attachment.add',
  EVERYBODY,
  'job',
  object({
    id: field.id(),
    job: field.id(),
    area: field.id().notRequired().nonNullable(),
    request: field.id().notRequired().nonNullable(),
    /** The hash of a PDF that was handed over. */
    pdf: string()
      .required('choose a PDF')
      .matches(/^[0-9a-f]{64}$/, 'not a PDF of ours'),
    ...about,
  })
    .noUnknown()
    .test('place', 'a paper is of an area or of a request, not of both', ({ area, request }) => !area || !request),
);
export const changeAttachment = command(
  'attachment.change',
  EVERYBODY,
  'job',
  object({ id: field.id(), version: field.version(), ...about }).noUnknown(),
);
