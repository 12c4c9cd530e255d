import { Link } from 'react-router';

/** A page that has nothing to show: why, and where to go on. */
export const Lost = ({ words, to, name }: { words: string; to: string; name: string }) => (
  <main id="main" className="p-6">
    <h1 className="text-xl font-semibold">{words}</h1>
    <Link className="underline" to={to}>
      {name}
    </Link>
  </main>
);
