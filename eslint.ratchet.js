/**
 * What is still more knotted than a person can read at once: a complexity over 20. All of it is the reader of speech:
 * each of these walks once over the words of a sentence and weighs many small signs against one another, and the signs
 * are tuned together on the narrations of the tests. Cut in pieces one at a time they would read no easier; they are
 * rewritten as a whole, sign by sign. Each stands here with what it has now; it may shrink, and leaves the list when it
 * fits. Nothing is added.
 */
export const RATCHET = {
  // A number with what is measured by it; which of two sizes stands before which.
  'src/core/narration/measures-said.ts': 23,
  // Whether a sentence goes to another room, comes back, or only names one.
  'src/core/narration/places.ts': 64,
  // “Half”, “two of three walls”, “all but the corner”: one share from many ways of saying it.
  'src/core/narration/progress-said.ts': 49,
  // Where a thought ends and what goes on with it.
  'src/core/narration/read.ts': 39,
  // The kind of a record from the signs in a sentence, in the order in which they win.
  'src/core/narration/sentences.ts': 67,
  // “Seven foot four and a half”, “two by ten”, “nineteen eighty”.
  'src/core/narration/spoken-length.ts': 47,
};
