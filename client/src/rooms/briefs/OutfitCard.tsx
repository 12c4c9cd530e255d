import { useMemo, useRef, type Ref } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type Part, type Solution } from '../../api/client';
import { chainGeometry, ChainPicture } from '../../drawing/ChainPicture';
import type { OutfitFigures } from '../../drawing/outfit';
import { usePeople } from '../../state/casters';
import { useShed } from '../../state/gear';
import type { BriefWork } from '../../state/useBrief';
import { useCommands } from '../../ui/commands';
import { copyText, savePage } from '../../ui/files';
import { Say, useSayText } from '../../ui/Say';
import { useToast } from '../../ui/toast';
import { useUnits } from '../../ui/units';
import { useDay } from './useDay';
import { asEntry, type Frame } from './frame';
import './card.css';
import cardCss from './card.css?inline';

// Built from src/water.
const part = async (name: string) => (await fetch(`/water/${name}`)).text();

type Props = { work: BriefWork; solution: Solution; figures: OutfitFigures; base: string };

const pictureWidth = 540;

// The card's own colours, for a file that has no page around it.
const paper = `:root{--paper:#fff;--sheet:#fff;--ink:#16232d;--soft:#4a5860;--hair:#cfc7b0;--land:#eadfbe;--water:#dbe8ea;--signal:#b0126a;
--font-chart:Georgia,serif}body{font-family:system-ui,sans-serif;margin:1rem}`;

/** The answer as something to take along: one page to print, a text to paste, a file that opens on a phone without a network. */
export function OutfitCard({ work, solution, figures, base }: Props) {
  const text = useSayText();
  const toast = useToast();
  const { standards, unitOf } = useUnits();
  const { data: shed } = useShed();
  const { data: people } = usePeople();
  const card = useRef<HTMLElement>(null);
  const { brief } = solution;
  const { fly, far, wind } = useDay(work, brief);
  const day = `${fly} to ${brief.species.name} at ${far}, ${wind}${brief.windMps > 0 ? ' of wind' : ''}; ${brief.caster.name}`;
  const copy = async () => {
    await copyText(asText(work.name, day, solution, text));
    toast({ words: 'The outfit is copied as text.' });
  };
  const save = async () => {
    const id = Number(base.split('/').at(-1));
    const [fresh, script, style] = await Promise.all([
      unwrap(api.GET('/api/log/new', { params: { query: { brief: id } } })),
      part('water.js'),
      part('water.css'),
    ]);
    const person = people?.find((p) => p.casterId === fresh.caster)?.name;
    const frame: Frame = {
      base: asEntry(fresh, work.name, shed, person),
      place: `zing-water-${id}`,
      distance: unitOf('distance'),
      // Forces are no number one types.
      wind: unitOf('windSpeed').shape === 'beaufort' ? { unit: 'm/s', scale: 1 } : unitOf('windSpeed'),
      choices: standards.choices,
    };
    const known = JSON.stringify(frame).replaceAll('<', '\\u003c');
    const name = savePage(
      work.name,
      'outfit',
      style + paper + cardCss,
      `${card.current!.outerHTML}<div id="water"></div><script type="application/json" id="frame">${known}</script>`,
      script.replaceAll('</script', '<\\/script'),
    );
    toast({ words: `${name} is saved; it opens on a phone without a network, with a form for the day.` });
  };
  useCommands([
    { id: 'print', name: 'Print this card', words: 'paper pdf', keys: [], group: 'Card', run: () => window.print() },
    {
      id: 'copy-card',
      name: 'Copy the card as text',
      words: 'clipboard paste share',
      keys: [],
      group: 'Card',
      run: () => void copy(),
    },
    {
      id: 'save-card',
      name: 'Save the card as a file',
      words: 'html phone offline',
      keys: [],
      group: 'Card',
      run: () => void save(),
    },
  ]);

  return (
    <main id="main" className="px-4 py-3">
      <div className="no-print mx-auto mb-4 flex max-w-[44rem] flex-wrap items-center gap-2 border-b border-hair pb-3">
        <Link className="quiet underline underline-offset-4" to={base}>
          Back to the chain
        </Link>
        <span className="flex-1" />
        <Link className="btn inline-flex items-center" to={`/log/new?brief=${base.split('/').at(-1)}`}>
          Note the day
        </Link>
        <button className="btn" onClick={() => window.print()}>
          Print
        </button>
        <button className="btn" onClick={() => void copy()}>
          Copy as text
        </button>
        <button className="btn" onClick={() => void save()}>
          Save for the phone
        </button>
      </div>
      <Card ref={card} name={work.name} day={day} solution={solution} figures={figures} />
    </main>
  );
}

type CardOf = { name: string; day: string; solution: Solution; figures: OutfitFigures; ref: Ref<HTMLElement> };

/** What is to be looked at, in the order of the chain. */
const mindedOf = ({ chain }: Solution) => chain.filter((l) => l.verdict === 'fails' || l.verdict === 'look');

/** The card as it is printed, shared and taken along. */
function Card({ name, day, solution, figures, ref }: CardOf) {
  const g = useMemo(() => chainGeometry(figures, pictureWidth, false), [figures]);
  const { card: lines, cautions, chain } = solution;
  const numberOf = (link: string) => chain.findIndex((l) => l.id === link) + 1;
  const buy = lines.lines.filter((l) => l.toBuy);
  const minded = mindedOf(solution);
  return (
    <article ref={ref} className="card" aria-label="Outfit card">
      <h1>{name}</h1>
      <p>{day}</p>
      <ChainPicture figures={figures} chain={chain} width={pictureWidth} roomy={false} g={g} />
      <table>
        <tbody>
          {lines.lines.map((line) => (
            <tr key={line.link}>
              <th scope="row">
                {numberOf(line.link)} {line.name}
              </th>
              <td>
                <Say parts={line.says} />
              </td>
              <td className="has">{line.toBuy ? 'to buy' : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        <strong>
          It <Say parts={lines.reach} />.
        </strong>{' '}
        {buy.length === 0 ? 'Rod, line and reel are in the shed.' : `To buy: ${buy.map((l) => l.name).join(', ')}.`}
      </p>
      {minded.length > 0 && (
        <ul>
          {minded.map((l) => (
            <li key={l.id}>
              {l.verdict === 'fails' ? 'Fails' : 'Look'}: {l.name.toLowerCase()}, <Say parts={l.why} />
            </li>
          ))}
        </ul>
      )}
      <h2>Mind</h2>
      <ul className="small">
        {cautions.map((c) => (
          <li key={c.id} className={c.urgent ? 'today' : undefined}>
            {c.urgent && 'Today: '}
            <Say parts={c.says} />
          </li>
        ))}
      </ul>
      <p className="small">
        Worked out by Zing Cast on {new Date().toLocaleDateString(undefined, { dateStyle: 'long' })}. Numbers in the
        drawing count from the fly to the hand.
      </p>
    </article>
  );
}

/** The same as text to paste. */
function asText(name: string, day: string, solution: Solution, text: (parts: Part[]) => string) {
  const { card: lines, cautions } = solution;
  return [
    name,
    day,
    '',
    ...lines.lines.map((l) => `${l.name}: ${text(l.says)}${l.toBuy ? ' (to buy)' : ''}`),
    '',
    `It ${text(lines.reach)}.`,
    ...mindedOf(solution).map(
      (l) => `${l.verdict === 'fails' ? 'Fails' : 'Look'}: ${l.name.toLowerCase()}, ${text(l.why)}`,
    ),
    '',
    ...cautions.map((c) => `${c.urgent ? 'Today: ' : ''}${text(c.says)}`),
  ].join('\n');
}
