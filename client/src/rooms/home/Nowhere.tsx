import { Link } from 'react-router';

export function Nowhere() {
  return (
    <main id="main" className="p-6">
      <h1 className="text-xl font-semibold">There is nothing at this address.</h1>
      <Link className="mt-2 inline-block underline" to="/">
        Back to the chain
      </Link>
    </main>
  );
}
