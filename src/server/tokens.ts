import { publicRoutes, type Path } from '@/contract/routes';
import { createHash, createHmac } from 'node:crypto';
import type { Installation } from './installation';

/**
 * The secret part of a share link. Derived from the installation's secret and the link's id, so that it can be put into
 * a message at the moment it goes out and is stored nowhere; the database knows only its hash.
 */
export const tokenOf = (installation: Pick<Installation, 'secret'>, link: string): string =>
  createHmac('sha256', installation.secret).update(`share-link:${link}`).digest('base64url');

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
export const pathOf = (installation: Pick<Installation, 'secret'>, link: string): Path =>
  publicRoutes.page(tokenOf(installation, link));

/** What the secret of a feed is made from. */
export const feedLink = (id: string): string => `feed ${id}`;
export const pathOfFeed = (installation: Pick<Installation, 'secret'>, id: string): Path =>
  publicRoutes.calendar(tokenOf(installation, feedLink(id)));
