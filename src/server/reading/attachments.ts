import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf } from './reading';

export type AttachmentRow = Rows['attachment'] & { bytes: number; by_name: string };

/** A job's drawings, permits and other papers that stand, the oldest first. */
export const attachmentRows = rowsOf<AttachmentRow>(
  `SELECT attachment.*, pdf.bytes, coalesce(person.name, '') AS by_name
    FROM attachment
    JOIN pdf ON pdf.hash = attachment.pdf
    LEFT JOIN person ON person.id = attachment.added_by
    WHERE attachment.removed = 0 AND attachment.job ${OF_JOBS}
    ORDER BY attachment.added_at, attachment.rowid`,
);
