/**
 * Falls as drainlayers write them: `1:80`, `1 in 80`, `1.25 %`, `0.0125`.
 * @returns height by length, undefined where it is none
 */
export function parseFall(text: string): number | undefined {
  const plain = text.trim().replace(',', '.');
  const ratio = /^1\s*(?::|in)\s*(\d+(?:\.\d+)?)$/i.exec(plain);
  if (ratio) return Number(ratio[1]) > 0 ? 1 / Number(ratio[1]) : undefined;
  const percent = /^(\d+(?:\.\d+)?)\s*%$/.exec(plain);
  if (percent) return Number(percent[1]) / 100;
  return /^0?(?:\.\d+)$|^0(?:\.\d+)?$/.test(plain) ? Number(plain) : undefined;
}

export const formatFall = (fall: number): string => (fall === 0 ? '0' : `1:${Math.round((1 / fall) * 10) / 10}`);
