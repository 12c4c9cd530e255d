import { Link } from 'react-router';
import type { GearShed, Reel, Solution } from '../../api/client';
import { taggedName } from '../../state/gear';
import { Choice, Measure } from '../../ui/fields';
import { useFaults, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { useUnits } from '../../ui/units';
import { Filling, Turning, useFill } from './Filling';
import { useStart } from './useStart';

export type TabProps = { reel: Reel; shed: GearShed; today: Solution | null };

/** What goes on this spool. */
export function FillTab({ reel, shed, today }: TabProps) {
  const { standards } = useUnits();
  const start = useStart(reel, shed, today);
  const form = useForm(null, { lineId: start.lineId, backing: start.backing, backingM: start.backingM });
  const { lineId, backing, backingM } = form.values;
  const sent = { reel, line: start.lineOf(lineId), backing, backingM };
  const { data, fields, error } = useFill(sent, { speciesId: today?.brief.species.id ?? null });
  useFaults(form, fields);
  return (
    <>
      <div className="mb-3 grid max-w-3xl gap-3 sm:grid-cols-3">
        <Choice
          of={form}
          at="lineId"
          label="Line over it"
          options={[{ id: 0, name: 'an ordinary line' }, ...shed.lines.map(taggedName)]}
        />
        <Choice of={form} at="backing" label="Backing" options={standards.backings} />
        <Measure of={form} at="backingM" label="How much backing" kind="spooled" />
      </div>
      <Message>{error && !fields.backingM ? error.message : null}</Message>
      {data && (
        <>
          <Filling
            answer={data}
            backing={backing}
            onBacking={(id) => form.put('backing', id)}
            onLength={(m) => form.put('backingM', m)}
          />
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
