import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap } from '../../api/client';

/** The first minute with nothing in the shed. */
export function EmptyShed() {
  const queries = useQueryClient();
  const [busy, setBusy] = useState(false);
  return (
    <section className="border-l-4 border-hair bg-sheet px-4 py-3">
      <p className="text-lg">Nothing in the shed yet.</p>
      <p className="text-soft">
        Add your own rods, lines and reels below, or borrow the made-up loan shed of Marram Quay to look around. Without
        gear the chain says what to look for.
      </p>
      <button
        className="btn mt-2"
        disabled={busy}
        onClick={async () => {
          setBusy(true);
          await unwrap(api.POST('/api/shed/demo')).finally(() => setBusy(false));
          await queries.invalidateQueries();
        }}
      >
        Borrow the loan shed
      </button>
    </section>
  );
}
