/** The mark: a house standing out of the mist. */
export function HouseMark() {
  return (
    <svg viewBox="0 0 26 22" fill="none" stroke="currentColor" strokeWidth="2" aria-hidden="true">
      <path d="M5 20V9.5L13 3l8 6.5V20" />
      <path d="M1 12.5q4-2 8 0t8 0 8 0M1 16.5q4-2 8 0t8 0 8 0" stroke="var(--mist-line)" strokeWidth="1.5" />
    </svg>
  );
}
