const [KB, MB] = [1000, 1_000_000];

/** How large a file is, as people say it: `340 KB`, `2.4 MB`. @param bytes at least one */
export const sizeWords = (bytes: number): string =>
  bytes < MB ? `${Math.max(1, Math.round(bytes / KB))} KB` : `${(bytes / MB).toFixed(1)} MB`;
