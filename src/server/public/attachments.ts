import type { SharedAttachment } from '@/contract/views/attachments';
import type { Installation } from '../installation';
import type { OpenLink } from './links';
import { sharedView } from './shared';

/** Whether a PDF is one of those that the page of a link shows. */
export const sharesPdf = (installation: Installation, link: OpenLink, hash: string): boolean =>
  shownTo(installation, link).some(({ pdf }) => pdf === hash);

function shownTo(installation: Installation, link: OpenLink): SharedAttachment[] {
  if (link.audience === 'client' || link.audience === 'neighbour') return [];
  const view = sharedView(installation, link);
  if (view.audience === 'party') return view.papers;
  return view.audience === 'crew' || view.audience === 'sub'
    ? [...view.rooms, ...view.around].flatMap(({ papers }) => papers)
    : [];
}
