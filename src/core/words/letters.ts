/** The text with its first letter large. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The text with its first letter small, as it stands within a sentence. */
export const small = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The text as a sentence: its first letter large, its end marked. */
export const sentence = (text: string): string => `${capital(text)}${/[.!?]$/.test(text) ? '' : '.'}`;
