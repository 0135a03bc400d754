import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="p-8">
      <h1 className="text-large">There is nothing at this address.</h1>
      <Link className="text-brass underline" href="/">
        Go to the front page
      </Link>
    </main>
  );
}
