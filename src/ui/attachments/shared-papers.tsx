import { ATTACHMENT_KINDS } from '@/contract/commands/attachments';
import { publicRoutes } from '@/contract/routes';
import type { SharedAttachment } from '@/contract/views/attachments';
import { Line, Lines } from '../kit/lines';
import { sizeWords } from './size-words';

/** Drawings and permits as somebody outside is given them, each opened by their own link. */
export const SharedPapers = ({ papers, token }: { papers: readonly SharedAttachment[]; token: string }) =>
  papers.length === 0 ? null : (
    <Lines className="small-text">
      {papers.map(({ pdf, name, kind, bytes, when }) => (
        <Line key={pdf + name}>
          <a href={publicRoutes.pdf(token, pdf)}>{name}</a>{' '}
          <span className="soft">
            {ATTACHMENT_KINDS[kind]} (PDF, {sizeWords(bytes)}), {when}
          </span>
        </Line>
      ))}
    </Lines>
  );
