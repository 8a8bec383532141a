'use client';

/** The last resort of every page: says so and offers another try. */
export default function PageError({ reset }: { reset: () => void }) {
  return (
    <main className="letter">
      <h1>This page could not be shown</h1>
      <p>Nothing was lost. It was written down on the server; try again in a moment.</p>
      <button type="button" className="btn btn-primary" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
