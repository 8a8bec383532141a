/** How a telephone comes into this house. */
export interface PhoneView {
  /** Null where the house answers on its machine alone. */
  address: string | null;
  /** Whether a telephone can keep a walk there without a signal. */
  secure: boolean;
  /** The address as a drawing for a camera, as a data URL; empty without an address. */
  picture: string;
  demo: boolean;
}
