import { Link } from 'react-router';
import type { Pins, Solution } from '../../api/client';
import { PinMark } from '../../ui/Mark';
import { Say } from '../../ui/Say';

type Props = {
  solution: Solution;
  base: string;
  pins: Pins;
  onPin: (pins: Partial<Pins>) => void;
  /** Lets go of every pin; null while there is none. */
  onLetGo: (() => void) | null;
  onCopy: () => void;
};

/** The outfit in shop words, what is to buy, and the pins at hand. */
export function OutfitWords({ solution, base, pins, onPin, onLetGo, onCopy }: Props) {
  const { outfit, card } = solution;
  const pieces = {
    rod: { pin: 'rod', id: outfit.rod.id ?? 0 },
    head: { pin: 'line', id: outfit.line.id ?? 0 },
    reel: { pin: 'reel', id: outfit.reel.id ?? 0 },
  } as const;
  return (
    <section aria-label="The outfit in words" className="text-[0.88rem] leading-snug">
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-2 gap-y-0.5">
        {/* The fly stands in the sentence. */}
        {card.lines
          .filter((line) => line.link !== 'fly')
          .map((line) => {
            const piece = line.link in pieces ? pieces[line.link as keyof typeof pieces] : null;
            const pinned = piece !== null && piece.id !== 0 && pins[piece.pin] === piece.id;
            return (
              <div key={line.link} className="contents">
                <dt className="text-soft">{line.name}</dt>
                <dd className="m-0 min-w-0">
                  {line.toBuy && <span className="rubric">to buy: </span>}
                  <Say parts={line.says} />
                  {piece !== null && piece.id !== 0 && (
                    <button
                      className="quiet ml-1 inline-flex min-h-0! items-center py-0!"
                      aria-pressed={pinned}
                      aria-label={pinned ? `Let go of the ${line.name}` : `Pin the ${line.name}`}
                      title={pinned ? 'Let go' : 'Pin'}
                      onClick={() => onPin({ [piece.pin]: pinned ? null : piece.id })}
                    >
                      <PinMark on={pinned} />
                    </button>
                  )}
                </dd>
              </div>
            );
          })}
        <dt className="text-soft">reach</dt>
        <dd className="m-0 font-semibold">
          <Say parts={card.reach} />
        </dd>
      </dl>
      <p className="mt-1 flex flex-wrap gap-x-3">
        <Link className="quiet -ml-1 underline underline-offset-4" to={`${base}/card`}>
          Outfit card
        </Link>
        <Link className="quiet underline underline-offset-4" to={`/compare?a=${base.split('/').at(-1)}`}>
          Compare
        </Link>
        <button className="quiet underline underline-offset-4" onClick={onCopy}>
          Copy the brief
        </button>
        {onLetGo && (
          <button className="quiet underline underline-offset-4" onClick={onLetGo}>
            Let go of all pins
          </button>
        )}
      </p>
    </section>
  );
}
