import type { AttachmentKind } from '../commands/attachments';
import type { Path } from '../routes';

/** A drawing, a permit or another paper as PDF. */
export interface AttachmentView {
  id: string;
  version: number;
  kind: AttachmentKind;
  name: string;
  /** The hash by which it is opened. */
  pdf: string;
  bytes: number;
  when: string;
  by: string;
  /** Where it belongs: an area, what was asked of somebody, or neither: the whole job. */
  area: string | null;
  request: string | null;
  /** The same as it is called, with the way to it; null where it is of the whole job. */
  place: { name: string; path: Path } | null;
  /** What it replaced, the newest first. */
  earlier: { id: string; pdf: string; when: string }[];
}

/** As somebody outside is given it: only what counts now. */
export type SharedAttachment = Pick<AttachmentView, 'kind' | 'name' | 'pdf' | 'bytes' | 'when'>;
