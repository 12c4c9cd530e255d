import { Link, Navigate } from 'react-router';
import { useBriefs } from '../../state/briefs';
import { useShed } from '../../state/gear';
import { BorrowShed } from '../shared/EmptyShed';
import { LabelEntry } from '../shared/LabelEntry';

/** Opens on the brief worked on last; with none, on the ways in. */
export function HomePage() {
  const { data } = useBriefs();
  const { data: shed } = useShed();
  if (!data || !shed) return null;
  const last = [...data].sort((a, b) => b.changedAt.localeCompare(a.changedAt) || a.id - b.id)[0];
  if (last) return <Navigate replace to={`/briefs/${last.id}`} />;
  const pieces = [...shed.rods, ...shed.lines, ...shed.reels];
  return (
    <main id="main" className="mx-auto flex max-w-2xl flex-col gap-6 px-5 py-8">
      <header>
        <h1 className="text-3xl font-semibold">From the fly to the hand</h1>
        <p className="text-lg">
          Say what you want to throw, to which fish, how far and into what wind. Zing Cast lays out the whole outfit and
          says why.
        </p>
      </header>
      <section className="border-t border-ink pt-3">
        <h2 className="text-xl font-semibold">Start with a day</h2>
        <p className="text-soft">
          One sentence. What you own comes later, or not at all: then it says what to look for.
        </p>
        <p className="mt-2">
          <Link className="btn inline-flex items-center bg-ink! text-lg text-paper!" to="/briefs/new">
            Start a brief
          </Link>
        </p>
      </section>
      <section className="border-t border-ink pt-3">
        <h2 className="text-xl font-semibold">Start with your gear</h2>
        <p className="text-soft">Type what the tube, the box and the reel say. Measure it another evening.</p>
        <div className="mt-2">
          <LabelEntry />
        </div>
        {pieces.length > 0 && (
          <p>
            In the shed: {pieces.map((p) => `${p.tag} ${p.name}`).join(', ')}.{' '}
            <Link className="underline" to="/shed">
              Look at them
            </Link>
          </p>
        )}
      </section>
      <section className="border-t border-ink pt-3">
        <h2 className="text-xl font-semibold">Own nothing yet?</h2>
        <p className="text-soft">
          Four pictures to press: waters, fish, room behind you, money. Then your shopping list stands there, in the
          words of a shop.
        </p>
        <p className="mt-2">
          <Link className="btn inline-flex items-center" to="/first">
            A first outfit
          </Link>
        </p>
      </section>
      <section className="border-t border-ink pt-3">
        <h2 className="text-xl font-semibold">Or look around first</h2>
        <p className="text-soft">
          Borrow the loan shed of Marram Quay, a place that does not exist: twelve rods, twenty lines, three days to
          fish.
        </p>
        <p className="mt-2">
          <BorrowShed />
        </p>
        <p className="text-soft">
          Then{' '}
          <Link className="underline" to="/help">
            take the tour
          </Link>
          , an evening in ten stops.
        </p>
      </section>
    </main>
  );
}
