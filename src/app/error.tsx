'use client';
import Link from 'next/link';
import { wordsOf } from '@/core/faults';

/** What stands in the place of a page that failed as a whole. */
export default function PageFault({ error, reset }: { error: Error; reset(): void }) {
  return (
    <main className="p-8">
      <h1 className="text-large">This page has failed.</h1>
      <p className="my-2 text-ash">{wordsOf(error)} What you did is kept in this browser.</p>
      <div className="flex items-center gap-3">
        <button type="button" className="key" onClick={reset}>
          Show it again
        </button>
        <Link className="text-brass underline" href="/">
          Go to the front page
        </Link>
      </div>
    </main>
  );
}
