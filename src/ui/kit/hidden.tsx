import type { ReactNode } from 'react';

/** Words for whoever hears the page and does not see it: what a short button is about, what a mark means. */
export const Hidden = ({ children }: { children: ReactNode }) => <span className="visually-hidden">{children}</span>;
