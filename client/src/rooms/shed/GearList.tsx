import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type FlyLine, type Reel, type Rod } from '../../api/client';
import { bringBack, useShelving } from '../../state/gear';
import { AwayList } from '../shared/AwayList';
import { EditButton } from '../shared/EditButton';
import { LongList } from '../../ui/LongList';
import { named, useUnits } from '../../ui/units';

export type Piece = Rod | FlyLine | Reel;

/** One thing told of a piece; sorted by where it can be. */
export type Column<T> = { head: string; cell: (piece: T) => ReactNode; by?: (piece: T) => number | string | null };

type Props<T extends Piece> = {
  kind: 'rods' | 'lines' | 'reels';
  title: string;
  pieces: T[];
  /** How many there are before anything was filtered. */
  all: number;
  columns: Column<T>[];
  onEdit: (id: number | null) => void;
};

const byTag = (tag: string) => tag.replace(/\d+/g, (n) => n.padStart(6, '0'));

/** What state it is in and whose it is, where that is worth a word. */
function Keeping({ piece }: { piece: Piece }) {
  const { standards } = useUnits();
  const { condition = 'good', owner, price } = piece;
  const words = [
    owner && `${owner}’s`,
    price != null && `paid ${price}`,
    condition === 'worn' && named(standards.choices.condition, condition),
  ].filter(Boolean);
  return (
    <>
      {condition === 'mend' && (
        <b className="block text-sm leading-tight text-look">{named(standards.choices.condition, condition)}</b>
      )}
      {words.length > 0 && <span className="block text-sm leading-tight text-soft">{words.join(', ')}</span>}
    </>
  );
}

/** The pieces of one kind: sorted as asked, each with what is known of it and what can be done with it. */
export function GearList<T extends Piece>({ kind, title, pieces, all, columns, onEdit }: Props<T>) {
  const { copy, away } = useShelving();
  const [sort, setSort] = useState<{ head: string; down: boolean } | null>(null);
  const by = columns.find((c) => c.head === sort?.head)?.by;
  const key = (p: T) => (by ? by(p) : byTag(p.tag));
  const sorted = [...pieces].sort((a, b) => {
    const [x, y] = [key(a), key(b)];
    if (x === null || y === null) return x === y ? 0 : x === null ? 1 : -1;
    const order = x < y ? -1 : x > y ? 1 : byTag(a.tag) < byTag(b.tag) ? -1 : 1;
    return sort?.down ? -order : order;
  });
  const grid = { gridTemplateColumns: `3.2rem minmax(0,2.2fr) repeat(${columns.length},minmax(0,1fr)) 13.2rem` };
  const sorter = (head: string) => (
    <button
      key={head}
      className={`text-left ${sort?.head === head ? 'underline' : ''}`}
      aria-pressed={sort?.head === head}
      onClick={() => setSort((s) => (s?.head !== head ? { head, down: false } : s.down ? null : { head, down: true }))}
    >
      {head}
      {sort?.head === head && <span aria-hidden="true">{sort.down ? ' ↓' : ' ↑'}</span>}
    </button>
  );
  return (
    <section aria-label={title} id={kind} className="min-w-0 scroll-mt-24">
      <header className="flex items-baseline justify-between border-b border-ink pb-1">
        <h2 className="text-lg font-semibold">
          {title}{' '}
          <span className="font-normal text-soft">{pieces.length === all ? all : `${pieces.length} of ${all}`}</span>
        </h2>
        <button className="btn" onClick={() => onEdit(null)}>
          Add a {kind.slice(0, -1)}
        </button>
      </header>
      {all === 0 ? (
        <p className="py-3 text-soft">Nothing here yet.</p>
      ) : pieces.length === 0 ? (
        <p className="py-3 text-soft">None of the {kind} is like that.</p>
      ) : (
        <>
          <div className="rubric hidden gap-x-4 py-1 md:grid" style={grid} role="group" aria-label={`Sort the ${kind}`}>
            {sorter('tag')}
            <span>name</span>
            {columns.map((c) => (c.by ? sorter(c.head) : <span key={c.head}>{c.head}</span>))}
            <span className="invisible whitespace-nowrap" aria-hidden="true">
              measure edit copy away
            </span>
          </div>
          <LongList label={title} rows={sorted} rowKey={(p) => p.id ?? 0} rowHeight={44}>
            {(piece) => (
              <div
                className="gap-x-4 border-t border-hair py-1 md:grid md:items-baseline"
                style={grid}
                data-tag={piece.tag}
              >
                <strong className="mr-2">{piece.tag}</strong>
                <span className="min-w-0 wrap-anywhere">
                  {piece.name}
                  <Keeping piece={piece} />
                  {piece.note && <span className="block text-sm leading-tight text-soft italic">{piece.note}</span>}
                </span>
                <span className="block md:contents">
                  {columns.map((c) => (
                    <span key={c.head} className="mr-3 inline-block min-w-0 md:mr-0">
                      <span className="rubric font-normal md:sr-only">{c.head} </span>
                      {c.cell(piece)}
                    </span>
                  ))}
                </span>
                <span className="block whitespace-nowrap md:text-right">
                  <Link
                    className="quiet inline-block underline max-md:min-h-[44px] max-md:py-2.5"
                    to={`/${kind}/${piece.id}`}
                    aria-label={`Measure ${piece.tag}`}
                  >
                    measure
                  </Link>
                  <EditButton tag={piece.tag} onPress={() => onEdit(piece.id ?? null)} />
                  <button
                    className="quiet max-md:min-h-[44px]"
                    aria-label={`Copy ${piece.tag}`}
                    onClick={() => void copy(kind, piece)}
                  >
                    copy
                  </button>
                  <button
                    className="quiet max-md:min-h-[44px]"
                    aria-label={`Put ${piece.tag} away`}
                    onClick={() => void away(kind, { id: piece.id!, tag: piece.tag })}
                  >
                    away
                  </button>
                </span>
              </div>
            )}
          </LongList>
        </>
      )}
      <AwayList
        what={kind}
        list={() => unwrap(api.GET(`/api/shed/${kind}/away` as '/api/shed/rods/away'))}
        nameOf={(p) => `${p.tag} ${p.name}`}
        bringBack={(id) => bringBack(kind, id)}
      />
    </section>
  );
}
