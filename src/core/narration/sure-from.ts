/** From here on a draft is shown as sure; how many of those are right stands in docs/narration.md. */
export const SURE = 0.85;
