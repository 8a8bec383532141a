/** A number to be called by pressing it; nothing where there is none. */
export const Phone = ({ number }: { number: string }) =>
  number ? (
    <a className="text-nowrap" href={`tel:${number.replace(/[^\d+]/g, '')}`}>
      {number}
    </a>
  ) : null;
