import { useState } from 'react';
import { Link } from 'react-router';
import type { GearShed, Reel, Solution } from '../../api/client';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { MeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';
import { Filling, Turning, useFill } from './Filling';
import { useStart } from './useStart';

export type TabProps = { reel: Reel; shed: GearShed; today: Solution | null };

/** What goes on this spool. */
export function FillTab({ reel, shed, today }: TabProps) {
  const { standards } = useUnits();
  const start = useStart(reel, shed, today);
  const [lineId, setLineId] = useState(start.lineId);
  const [backing, setBacking] = useState(start.backing);
  const [backingM, setBackingM] = useState(start.backingM);
  const sent = { reel, line: start.lineOf(lineId), backing, backingM };
  const { data, fields, error } = useFill(sent, { speciesId: today?.brief.species.id ?? null });
  return (
    <>
      <div className="mb-3 grid max-w-3xl gap-3 sm:grid-cols-3">
        <Pick
          label="Line over it"
          value={String(lineId)}
          options={[
            { id: '0', name: 'an ordinary line' },
            ...shed.lines.map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` })),
          ]}
          onChange={(id) => setLineId(Number(id))}
        />
        <Pick label="Backing" value={backing} options={standards.backings} onChange={setBacking} />
        <MeasureField
          label="How much backing"
          kind="spooled"
          value={backingM}
          problem={fields.backingM}
          onChange={setBackingM}
        />
      </div>
      <Message>{error && !fields.backingM ? error.message : null}</Message>
      {data && (
        <>
          <Filling answer={data} backing={backing} onBacking={setBacking} onLength={setBackingM} />
          <div className="mt-5">
            <Turning answer={data} />
          </div>
          {lineId > 0 && (
            <p className="mt-4">
              <Link
                className="btn inline-block"
                to={{
                  pathname: `/reels/${reel.id}`,
                  search: new URLSearchParams({
                    part: 'spools',
                    line: String(lineId),
                    backing,
                    metres: String(backingM),
                  }).toString(),
                }}
              >
                Write a winding ticket for this
              </Link>
            </p>
          )}
        </>
      )}
    </>
  );
}
