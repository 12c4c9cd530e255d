import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap } from '../../api/client';

/** Puts the made-up loan shed beside whatever is there. */
export function BorrowShed() {
  const [busy, setBusy] = useState(false);
  return (
    <button
      className="btn"
      disabled={busy}
      onClick={async () => {
        setBusy(true);
        await unwrap(api.POST('/api/shed/demo')).finally(() => setBusy(false));
      }}
    >
      Borrow the loan shed
    </button>
  );
}

/** The first minute with nothing in the shed. */
export function EmptyShed() {
  return (
    <section className="border-l-4 border-hair bg-sheet px-4 py-3">
      <p className="text-lg">Nothing in the shed yet.</p>
      <p className="mb-2 text-soft">
        Add your own rods, lines and reels below, or borrow the made-up loan shed of Marram Quay to look around. Without
        gear the chain says what to look for, and{' '}
        <Link className="underline" to="/first">
          a first outfit
        </Link>{' '}
        what to buy.
      </p>
      <BorrowShed />
    </section>
  );
}
