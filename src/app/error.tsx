'use client';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-lg p-10 text-center">
      <h1 className="text-3xl font-bold">Something went wrong here</h1>
      <p className="quiet mt-2">
        What was stored is safe. Try again; if it happens again, the server log says why.
      </p>
      <button type="button" onClick={reset} className="btn btn-primary mt-6">
        Try again
      </button>
    </main>
  );
}
