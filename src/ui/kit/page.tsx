import type { ComponentProps, ReactNode } from 'react';
import type { Explained } from '@/core/words/meanings';
import { Means } from './means';

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

type FoldedTerms = ComponentProps<'section'> & {
  heading: string;
  /** What is in it, in a few words: mostly one need not open it. */
  says: string;
  /** The word that is explained once it is open. */
  of?: Explained;
  beside?: ReactNode;
  /** Whether it stands open from the start, since something in it wants an answer. */
  open?: boolean;
};

/** One subject that is a line until one asks for it. What can be done with it stays in reach. */
export const FoldedBlock = ({ heading, says, of, beside, open, children, ...section }: FoldedTerms) => (
  <section {...section} className={`fold ${section.className ?? ''}`}>
    <details {...(open ? { open } : {})}>
      <summary>
        <h2>{heading}</h2> <span className="soft small-text">{says}</span>
      </summary>
      {of && (
        <p className="small-text mt-2 mb-0">
          <Means of={of}>What is this?</Means>
        </p>
      )}
      {children}
    </details>
    {beside && <div className="fold-beside no-print">{beside}</div>}
  </section>
);

/** What a page says while it has nothing to show: what will stand here and how it comes. */
export const Empty = ({ children }: { children: ReactNode }) => <div className="empty">{children}</div>;
