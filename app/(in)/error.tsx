'use client';

export default function Failed({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-6 py-16" role="alert">
      <h1>This page could not be put together</h1>
      <p className="mt-3">
        The database may be busy or away for a moment. What you typed is kept on this device, and what was booked is
        safe.
      </p>
      <button type="button" className="press press-main mt-6" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
