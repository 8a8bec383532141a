import type { ComponentProps, ReactNode } from 'react';

interface HeadTerms {
  heading: ReactNode;
  className?: string;
  children?: ReactNode;
}

/** The head of a page: its one heading, what is worth knowing at a glance, what can be done at the right. */
export const PageHead = ({ heading, className, children }: HeadTerms) => (
  <div className={className ? `page-head ${className}` : 'page-head'}>
    <h1>{heading}</h1>
    {children}
  </div>
);

/** The head of a block, with what stands beside its heading. */
export const BlockHead = ({ heading, className, children }: HeadTerms) => (
  <div className={className ? `block-head ${className}` : 'block-head'}>
    <h2>{heading}</h2>
    {children}
  </div>
);

type BlockTerms = ComponentProps<'section'> & { heading: ReactNode; beside?: ReactNode };

/** One subject of a page under its heading; `beside` stands in the heading's line. */
export const Block = ({ heading, beside, children, ...section }: BlockTerms) => (
  <section {...section}>
    <BlockHead heading={heading}>{beside}</BlockHead>
    {children}
  </section>
);

/** What a page says while it has nothing to show: what will stand here and how it comes. */
export const Empty = ({ children }: { children: ReactNode }) => <div className="empty">{children}</div>;
