/** One regular expression written over several lines: its parts are joined as they stand. */
export const pattern = (flags: string, ...parts: readonly string[]): RegExp => new RegExp(parts.join(''), flags);
