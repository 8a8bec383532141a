/**
 * Loaded before anything else (`node --import`), it has the machine's clock show another time: `SHIFT_MS` is how far it is moved.
 * What a test proves must not hang on when it runs.
 */
const shift = Number(process.env.SHIFT_MS ?? 0);
if (shift !== 0) {
  const Real = Date;
  globalThis.Date = class extends Real {
    constructor(...given) {
      if (given.length === 0) super(Real.now() + shift);
      else super(...given);
    }

    static now() {
      return Real.now() + shift;
    }
  };
}
