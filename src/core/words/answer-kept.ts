/** What an answer to a slip was said to bring when it was taken, beside how the job ends now. Days as they are told. */
export const sayAnswerKept = (
  { taken, ends, waiting }: { taken: string; ends: string; waiting: string },
  now: string | null,
): string =>
  `Taken ${taken}: the end ${ends} instead of ${waiting}` + (now === null ? '.' : `; as planned now it is ${now}.`);
