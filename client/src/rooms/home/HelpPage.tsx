import { Link } from 'react-router';
import { keyWords, useBoard } from '../../ui/commands';
import { useTour } from '../../ui/tour';
import { useUnits } from '../../ui/units';

const first = [
  {
    title: 'Say the day',
    to: '/briefs/new',
    says: 'What you throw, to which fish, how far, into what wind. One sentence; what you leave out is assumed and dotted.',
  },
  {
    title: 'Put in what you own',
    to: '/shed',
    says: 'Type what tube, box and reel say: “9ft 6”, “WF6F”, “7/8”. What is owned is answered first.',
  },
  {
    title: 'Read why',
    to: '/briefs',
    says: 'Every link says fits, look or fails, and the ledger says why. Press a link to open its bench; pin what you want to keep; switch off what you do not believe.',
  },
  {
    title: 'Measure',
    to: '/shed',
    says: 'Bend the rod against a wall, weigh the line, measure the spool. Then answers stand on your gear and not on its label.',
  },
  {
    title: 'Rig and pack',
    to: '/trips',
    says: 'Tickets from the drum to the hook; a trip’s kit, packing list and calendar.',
  },
  {
    title: 'Note it',
    to: '/log/new',
    says: 'A minute on the phone after fishing. The log answers what was lost to what, learns how you cast, and says what wants care.',
  },
];

// What belongs to a page of its own, and is only offered there.
const onPages: [string, string][] = [
  ['On a brief: to a link of the chain', '1 to 9'],
  ['On a brief: back to the chain', 'Esc'],
  ['On a brief: the outfit card', 'p'],
  ['On a brief: copy it', 'c'],
  ['On a brief or a trip: do again', 'Ctrl Shift z or Ctrl y'],
  ['On a plan or a section: fish, wind, fly', 'arrow keys'],
  ['At a cast or a running fish: let it go, hold it', 't'],
  ['On a rigging ticket: tick the step off', 't'],
  ['At a knot: a step back or on', '← or →'],
  ['In a matrix: from pair to pair', 'arrow keys'],
];

/** The first steps, a tour, every key, every word, and what can hurt somebody; in one place. */
export function HelpPage() {
  const { standards } = useUnits();
  const { commands } = useBoard();
  const { begin } = useTour();
  const keyed = commands.filter((c) => c.keys.length > 0);
  return (
    <main id="main" className="mx-auto max-w-[64rem] px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1 className="flex-1 text-2xl font-semibold">Help</h1>
        <nav aria-label="On this page" className="flex flex-wrap gap-x-4">
          {['Begin', 'Safety', 'Keys', 'Words'].map((name) => (
            <a key={name} className="underline" href={`#${name.toLowerCase()}`}>
              {name}
            </a>
          ))}
        </nav>
      </header>
      <section id="begin" aria-label="Begin" className="mt-3">
        <h2 className="border-b border-ink pb-1 text-lg font-semibold">From the fly to the hand</h2>
        <ol className="mt-2 grid gap-x-8 sm:grid-cols-2">
          {first.map((s, i) => (
            <li key={s.title} className="border-b border-hair py-2">
              <Link className="font-semibold hover:underline" to={s.to}>
                {i + 1}. {s.title}
              </Link>
              <span className="block">{s.says}</span>
            </li>
          ))}
        </ol>
        <p className="mt-3">
          <button className="btn min-h-[44px] bg-ink! text-paper!" onClick={begin}>
            Take the tour
          </button>{' '}
          <span className="text-soft">
            An evening at Marram Quay in ten stops; leave it whenever you like, nothing is changed by it.
          </span>
        </p>
      </section>
      <section id="safety" aria-label="Safety" className="mt-8">
        <h2 className="border-b border-ink pb-1 text-lg font-semibold">What can hurt</h2>
        <p className="text-soft">
          Each of these also stands where it matters. Local rules and people who know the water go before all of it.
        </p>
        <dl className="mt-2 grid gap-x-8 sm:grid-cols-2">
          {standards.safety.map((s) => (
            <div key={s.id} className="border-b border-hair py-2">
              <dt className="font-semibold">{s.title}</dt>
              <dd className="m-0">{s.says}</dd>
            </div>
          ))}
        </dl>
      </section>
      <section id="keys" aria-label="Keys" className="mt-8">
        <h2 className="border-b border-ink pb-1 text-lg font-semibold">Keys</h2>
        <p className="text-soft">They work whenever you are not typing; “?” lists those of the page you are on.</p>
        <ul className="mt-2 grid gap-x-8 sm:grid-cols-2">
          {keyed.map((c) => (
            <li key={c.id} className="flex gap-3 border-b border-hair py-1">
              <span className="flex-1">{c.name}</span>
              <kbd className="font-sans font-semibold">{keyWords(c.keys).join(' or ')}</kbd>
            </li>
          ))}
          {onPages.map(([what, keys]) => (
            <li key={what} className="flex gap-3 border-b border-hair py-1">
              <span className="flex-1">{what}</span>
              <kbd className="font-sans font-semibold">{keys}</kbd>
            </li>
          ))}
        </ul>
      </section>
      <section id="words" aria-label="Words" className="mt-8">
        <h2 className="border-b border-ink pb-1 text-lg font-semibold">Words of the trade</h2>
        <dl className="mt-2 grid gap-x-8 sm:grid-cols-2">
          {standards.glossary.map((g) => (
            <div key={g.id} className="border-b border-hair py-2">
              <dt className="font-semibold">{g.words[0]}</dt>
              <dd className="m-0">{g.means}</dd>
            </div>
          ))}
        </dl>
      </section>
    </main>
  );
}
