'use client';

import Link from 'next/link';
import { useEffect } from 'react';

/** What nobody foresaw while a page was made or shown: it is said, and can be tried again. */
export default function UnforeseenError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  useEffect(() => console.error(error), [error]);
  return (
    <main className="mx-auto max-w-xl px-8 py-24">
      <h1 className="text-xl font-semibold">This page cannot be shown at the moment.</h1>
      <p role="alert" className="py-3">
        Something went wrong that nobody foresaw. What was stored is safe, and what was not yet is kept in this browser.
        {error.digest && <span className="block pt-1 opacity-75">The server’s log has the reason, under {error.digest}.</span>}
      </p>
      <p className="flex gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={() => (error.digest ? location.reload() : reset())}>
          Try again
        </button>
        <Link className="btn btn-sm" href="/">
          Go to the shelf
        </Link>
      </p>
    </main>
  );
}
