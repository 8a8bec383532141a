import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A way to another page of the house. Pages are made when somebody asks for them, of what stands then: fetched beforehand, a
 * first page of forty links would ask for forty pages and show none of them sooner.
 */
export const Link = (link: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...link} />;
