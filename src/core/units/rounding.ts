/** Binary remainders of sums that are whole on paper: 3.0000000000000004 sheets are three. */
const FORGIVEN = 1e-9;

export const ceil = (value: number): number => Math.ceil(value - FORGIVEN);
export const floor = (value: number): number => Math.floor(value + FORGIVEN);
/** Half up, as invoices are: 2.5 becomes 3, −2.5 becomes −2. */
export const halfUp = (value: number): number => Math.floor(value + 0.5 + FORGIVEN);
export const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
/** mm · mm → m². */
export const squareMetres = (a: number, b: number): number => (a * b) / 1e6;
/** mm · mm · mm → m³. */
export const cubicMetres = (a: number, b: number, c: number): number => (a * b * c) / 1e9;
