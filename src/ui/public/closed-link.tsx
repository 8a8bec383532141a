/** A guessed, revoked or expired link: all alike. */
export function ClosedLink() {
  return (
    <main className="letter">
      <h1>This link does not open any more</h1>
      <p>It has expired, was taken back, or was copied wrongly. Ask whoever sent it to you for a new one.</p>
    </main>
  );
}
