import type { SharedAttachment } from '@/contract/views/attachments';
import type { Installation } from '../installation';
import type { OpenLink } from './links';
import { sharedView } from './shared';

/** The paper of that content which the page of a link shows; undefined where it shows none. */
export function sharedPdf(installation: Installation, link: OpenLink, hash: string): SharedAttachment | undefined {
  const view = sharedView(installation, link);
  switch (view.audience) {
    case 'party':
      return view.papers.find(({ pdf }) => pdf === hash);
    case 'crew':
    case 'sub':
      return [...view.rooms, ...view.around].flatMap(({ papers }) => papers).find(({ pdf }) => pdf === hash);
    default:
      return undefined;
  }
}
