import type { ReactNode } from 'react';
import { api, unwrap, type Standards } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { FishMark } from '../../drawing/FishMark';
import { MoneyMark, RoomMark, WaterMark } from '../../drawing/PlaceMark';
import { Message } from '../../ui/Message';
import { useAddress } from '../../ui/useAddress';
import { useUnits } from '../../ui/units';
import { FirstAnswer } from './FirstAnswer';

type Cover = Standards['choices']['cover'][number]['id'];

const listed = (asked: string | null) => asked?.split(',') ?? [];

/** The bigger the fish the bigger its picture, though not by as much. */
const fishPx = (kg: number) => Math.min(92, 62 * kg ** 0.12);

/** For somebody who owns nothing: four questions in pictures, and the outfit to begin with. The address holds the answers. */
export function FirstPage() {
  const { standards } = useUnits();
  const { asked, ask } = useAddress();
  const { species, choices, beginnings } = standards;
  const waters = choices.water.filter((w) => listed(asked('water')).includes(w.id));
  const here = species.filter((f) => waters.some((w) => w.id === f.water));
  const fish = here.filter((f) => listed(asked('fish')).includes(f.id)).map((f) => f.id);
  const cover = choices.cover.find((c) => c.id === asked('room'))?.id ?? null;
  const money = asked('money');
  const budget = beginnings.budgets.find((b) => String(b) === money) ?? null;
  const flip = (name: string, all: string[], one: string) =>
    ask({ [name]: (all.includes(one) ? all.filter((a) => a !== one) : [...all, one]).join(',') });
  const wish = { fish, cover: cover ?? ('open' as Cover), budget };
  const { data, fields, error } = useAsk(
    key('firstOutfit', wish),
    (signal) => unwrap(api.POST('/api/trips/first', { body: wish, signal })),
    fish.length > 0,
  );
  const words = Object.values(fields)[0] ?? (error && !data ? error.message : null);
  return (
    <main id="main" className="mx-auto max-w-[84rem] px-5 py-4">
      <h1 className="text-2xl font-semibold">A first outfit</h1>
      <p className="text-soft">
        You own nothing yet. Four presses, and here stands what to ask for in a shop, how far it gets you, and what it
        costs.
      </p>
      <div className="mt-3 grid gap-x-8 gap-y-5 lg:grid-cols-[25rem_minmax(0,1fr)]">
        <div className="no-print flex flex-col gap-4">
          <Question title="Which waters?">
            {choices.water.map((w) => (
              <Tile
                key={w.id}
                name={w.name}
                on={waters.includes(w)}
                onPress={() => flip('water', waters.map((x) => x.id), w.id)} // prettier-ignore
              >
                <WaterMark kind={w.id} />
              </Tile>
            ))}
          </Question>
          <Question
            title="Which fish?"
            many
            hint={waters.length === 0 ? 'First a water; then its fish stand here.' : null}
          >
            {here.map((f) => (
              <Tile key={f.id} name={f.name} on={fish.includes(f.id)} onPress={() => flip('fish', fish, f.id)}>
                <svg viewBox="0 0 96 52" className="block w-full" aria-hidden>
                  <FishMark kind={f.id} px={fishPx(f.kg)} at={[48 - fishPx(f.kg) / 2, 28]} />
                </svg>
              </Tile>
            ))}
          </Question>
          <Question title="How far behind you is free?">
            {choices.cover.map((c) => (
              <Tile key={c.id} name={c.name} on={cover === c.id} onPress={() => ask({ room: c.id })}>
                <RoomMark kind={c.id} />
              </Tile>
            ))}
          </Question>
          <Question title="What may it cost?">
            {beginnings.budgets.map((b, i) => (
              <Tile key={b} name={`up to ${b}`} on={budget === b} onPress={() => ask({ money: String(b) })}>
                <MoneyMark stacks={i + 1} />
              </Tile>
            ))}
            <Tile name="no matter" on={money === 'any'} onPress={() => ask({ money: 'any' })}>
              <MoneyMark stacks={null} />
            </Tile>
          </Question>
        </div>
        <div className="min-w-0">
          <Message>{words}</Message>
          {fish.length === 0 ? (
            <p className="text-lg text-soft">Pick a water, then the fish you dream of.</p>
          ) : data ? (
            <FirstAnswer
              outfit={data}

              assumed={cover === null || money === null}
            />
          ) : (
            !words && <p className="late text-lg text-soft">Trying what there is to buy on every day…</p>
          )}
        </div>
      </div>
    </main>
  );
}

type Asked = { title: string; hint?: string | null; many?: boolean; children: ReactNode };

function Question({ title, hint, many, children }: Asked) {
  return (
    <section aria-label={title}>
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">{title}</h2>
      {hint ? (
        <p className="py-1 text-soft">{hint}</p>
      ) : (
        <div className={`mt-2 grid gap-2 ${many ? 'grid-cols-4' : 'grid-cols-3'}`}>{children}</div>
      )}
    </section>
  );
}

/** A picture to press. */
function Tile(props: { name: string; on: boolean; onPress: () => void; children: ReactNode }) {
  const { name, on, onPress, children } = props;
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onPress}
      className={`rounded-[3px] border p-1 text-center text-sm leading-tight hover:bg-water ${on ? 'border-signal bg-sheet font-semibold outline-2 outline-signal' : 'border-hair'}`}
    >
      {children}
      <span className="block px-0.5 pt-0.5">{name}</span>
    </button>
  );
}
