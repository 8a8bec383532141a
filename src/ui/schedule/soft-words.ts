const SOFT = '\u00ad';

/**
 * Long words with places at which they may break in a narrow block, near enough to syllables for labels of the trade.
 */
export const soft = (label: string): string =>
  label.replace(/[a-zà-ÿ’]{7,}/gi, (word) =>
    word
      .replace(/(..[aeiouy])(?=[^aeiouy’][aeiouy].)/gi, `$1${SOFT}`)
      .replace(/([aeiouy][^aeiouy])(?=[^aeiouy’][aeiouy])/gi, `$1${SOFT}`),
  );
