import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-8 py-24">
      <h1 className="text-xl font-semibold">There is nothing here.</h1>
      <p className="py-3">The issue may have been removed, or the address is not right.</p>
      <Link className="btn btn-primary btn-sm" href="/">
        Go to the shelf
      </Link>
    </main>
  );
}
