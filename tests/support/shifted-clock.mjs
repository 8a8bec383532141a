/**
 * Loaded before anything else (`node --import`), it has the machine's clock show another time: `SHIFT_MS` is how far it is moved.
 * What a test proves must not hang on when it runs.
 */
const shift = Number(process.env.SHIFT_MS ?? 0);
if (shift !== 0) {
  const Real = Date;
  const now = () => Real.now() + shift;
  // A stand-in for the constructor alone: its prototype stays the real one, which libraries look through.
  globalThis.Date = new Proxy(Real, {
    construct: (real, given, as) => Reflect.construct(real, given.length === 0 ? [now()] : given, as),
    apply: () => new Real(now()).toString(),
    get: (real, key) => (key === 'now' ? now : Reflect.get(real, key)),
  });
}
