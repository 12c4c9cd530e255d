import { useState } from 'react';
import { api, onVersion, unwrap, type Calibration } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { Measure, Refused, Text } from '../../ui/fields';
import { draftOf, endDraft, useForm, useRows, type Form } from '../../ui/form';
import { Message } from '../../ui/Message';
import { Panel } from '../../ui/Panel';
import { useDone } from '../../ui/toast';

/** A table as it is edited: weights in kilograms, as everything that is typed. */
type Table = { name: string; plusMinus: number; points: { kg: number; number: number }[] };

const tableOf = ({ name, plusMinus, points }: Calibration): Table => ({
  name,
  plusMinus: plusMinus ?? 0.3,
  points: points.map((p) => ({ kg: p.grams / 1000, number: p.number })),
});

/** A table from weight to number: the one that comes with the house to look at, one's own to change. */
export function CalibrationPanel({
  all,
  name,
  onClose,
  onRead,
}: {
  all: Calibration[];
  name: string;
  onClose: () => void;
  onRead: (name: string) => void;
}) {
  const start = all.find((c) => c.name === name) ?? all[0]!;
  const [copying, setCopying] = useState(false);
  // The table of the house is only looked at, until somebody makes a copy of it.
  const own = start.id !== 0 && !copying;
  const copy: Calibration = { ...start, id: 0, version: 0, name: 'my own rods' };
  return (
    <Panel
      title={copying ? copy.name : start.name}
      about="Weight that bends a rod by a third of its length, and the number that stands for. Rods you trust make the best table."
      onClose={onClose}
    >
      {own || copying ? (
        <Editor table={copying ? copy : start} onRead={onRead} onGone={() => onRead(all[0]!.name)} />
      ) : (
        <>
          <table>
            <Head />
            <tbody>
              {start.points.map((p) => (
                <tr key={p.grams} className="border-t border-hair">
                  <td className="py-1 pr-6">{p.grams} g</td>
                  <td>{p.number}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <button className="btn mt-4" type="button" onClick={() => setCopying(true)}>
            Make one of your own from it
          </button>
        </>
      )}
      <p className="mt-3 text-sm text-soft">
        {start.id === 0
          ? `From memory of a published table, ± ${start.plusMinus}. It cannot be changed; a copy can.`
          : 'Your own.'}
      </p>
    </Panel>
  );
}

const Head = () => (
  <thead>
    <tr className="rubric text-left">
      <th scope="col" className="pr-6">
        weight at a third
      </th>
      <th scope="col">number</th>
    </tr>
  </thead>
);

function Editor({ table, onRead, onGone }: { table: Calibration; onRead: (name: string) => void; onGone: () => void }) {
  const done = useDone();
  const { attempt, words } = useAttempt();
  const of = draftOf('calibration', table.id || null);
  const form = useForm<Table>(of, tableOf(table), table.version ?? 0);
  const which = { params: { path: { id: table.id! } } };
  const keep = () =>
    form.keep(async ({ points, ...now }, version) => {
      const body = { ...table, ...now, points: points.map((p) => ({ grams: p.kg * 1000, number: p.number })) };
      await unwrap(
        table.id
          ? api.PUT('/api/shed/calibrations/{id}', { ...onVersion(table.id, version), body })
          : api.POST('/api/shed/calibrations', { body }),
      );
      onRead(now.name);
    });
  const putAway = () =>
    attempt(async () => {
      await unwrap<unknown>(api.DELETE('/api/shed/calibrations/{id}', which));
      endDraft(of);
      done(`“${table.name}” is put away.`, () =>
        unwrap<unknown>(api.POST('/api/shed/calibrations/{id}/restore', which)),
      );
      onGone();
    });
  const theirs = async () => {
    const now = (await unwrap(api.GET('/api/rods/calibrations'))).find((c) => c.id === table.id);
    return now ? { values: tableOf(now), version: now.version ?? 0 } : null;
  };
  return (
    <form
      {...form.area}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Text of={form} at="name" label="Name" className="mb-3 max-w-xs" />
      <Points form={form} />
      <Refused form={form} theirs={theirs} again={keep} />
      <Message>{words}</Message>
      <div className="mt-4 flex gap-3">
        <button className="btn bg-ink! text-paper!" type="submit">
          Keep it and read with it
        </button>
        {(table.id ?? 0) > 0 && (
          <button className="quiet" type="button" onClick={() => void putAway()}>
            Put it away
          </button>
        )}
      </div>
    </form>
  );
}

function Points({ form }: { form: Form<Table> }) {
  const { rows, add, takeOut } = useRows(form, 'points');
  return (
    <>
      <table>
        <Head />
        <tbody>
          {rows.map(({ key, at }, i) => (
            <tr key={key} className="border-t border-hair">
              <td className="py-1 pr-4">
                <Measure of={form} at={`${at}.kg`} label={`Weight ${i + 1}`} kind="benchMass" />
              </td>
              <td className="py-1 pr-2">
                <Measure of={form} at={`${at}.number`} label={`Number ${i + 1}`} kind="lineClass" />
              </td>
              <td>
                <button
                  type="button"
                  className="quiet"
                  aria-label={`Take point ${i + 1} out`}
                  onClick={() => takeOut(i)}
                >
                  take out
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex items-end gap-3">
        <button
          type="button"
          className="btn"
          onClick={() => {
            const last = form.lib.getValues('points').at(-1) ?? { kg: 0.08, number: 4 };
            add({ kg: last.kg * 1.2, number: last.number + 1 });
          }}
        >
          Add a rod
        </button>
        <div className="w-32">
          <Measure of={form} at="plusMinus" label="Good to, ±" kind="lineClass" />
        </div>
      </div>
    </>
  );
}
