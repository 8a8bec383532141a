/**
 * What is said to people, ready to be shown. Nothing is read out of it again (a rule of the linter holds that): whoever
 * needs a part of it asks for the value that it was said of.
 */
export type Phrase = string & { readonly phrase: true };

export const phrase = (text: string): Phrase => text as Phrase;
