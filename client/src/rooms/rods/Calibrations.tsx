import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap, ApiError, type Calibration, type FieldWords } from '../../api/client';
import { MeasureField } from '../../ui/TypedField';
import { Panel } from '../../ui/Panel';
import { useDone } from '../../ui/toast';
import { useSettled } from '../../ui/useSettled';
import { Message } from '../../ui/Message';

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
  onRead: (name: string) => Promise<void>;
}) {
  const queries = useQueryClient();
  const done = useDone(() => queries.invalidateQueries({ queryKey: ['calibrations'] }));
  const start = all.find((c) => c.name === name) ?? all[0]!;
  const [own, setOwn] = useState<Calibration>(start);
  const [fields, setFields] = useState<FieldWords>({});
  const [words, setWords] = useState<string | null>(null);
  const settled = useSettled(own);
  // The table of the house is only looked at, until somebody makes a copy of it.
  const [editable, setEditable] = useState(start.id !== 0);
  const point = (i: number, next: { grams?: number; number?: number }) =>
    setOwn((c) => ({ ...c, points: c.points.map((p, k) => (k === i ? { ...p, ...next } : p)) }));
  const which = { params: { path: { id: own.id } } };
  const keep = async (now: Calibration) => {
    try {
      await unwrap(
        now.id
          ? api.PUT('/api/shed/calibrations/{id}', { ...which, body: now })
          : api.POST('/api/shed/calibrations', { body: now }),
      );
      await onRead(now.name);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFields(error.fields);
      setWords(error.message);
      if (error.status !== 412) return;
      const other = (await unwrap(api.GET('/api/rods/calibrations'))).find((c) => c.id === now.id);
      setOwn((c) => ({ ...c, version: other?.version ?? c.version }));
      setWords(`${error.message} Yours is still here: keep it again to put it over the other.`);
    }
  };
  const putAway = async () => {
    try {
      await unwrap<unknown>(api.DELETE('/api/shed/calibrations/{id}', which));
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setWords(error.message);
      return;
    }
    await done(`“${start.name}” is put away.`, () =>
      unwrap<unknown>(api.POST('/api/shed/calibrations/{id}/restore', which)),
    );
    await onRead(all[0]!.name);
  };
  return (
    <Panel
      title={own.name}
      about="Weight that bends a rod by a third of its length, and the number that stands for. Rods you trust make the best table."
      onClose={onClose}
    >
      <form
        data-entries
        onSubmit={(event) => {
          event.preventDefault();
          void settled(event.currentTarget, keep);
        }}
      >
        {editable && (
          <label className="mb-3 block max-w-xs">
            <span className="rubric block">Name</span>
            <input
              className="entry w-full"
              value={own.name}
              aria-invalid={fields.name ? true : undefined}
              onChange={(e) => setOwn((c) => ({ ...c, name: e.target.value }))}
            />
            <Message>{fields.name}</Message>
          </label>
        )}
        <table>
          <thead>
            <tr className="rubric text-left">
              <th scope="col" className="pr-6">
                weight at a third
              </th>
              <th scope="col">number</th>
            </tr>
          </thead>
          <tbody>
            {own.points.map((p, i) => (
              <tr key={i} className="border-t border-hair">
                {editable ? (
                  <>
                    <td className="py-1 pr-4">
                      <MeasureField
                        label={`Weight ${i + 1}`}
                        kind="benchMass"
                        value={p.grams / 1000}
                        onChange={(kg) => point(i, { grams: kg * 1000 })}
                      />
                    </td>
                    <td className="py-1 pr-2">
                      <MeasureField
                        label={`Number ${i + 1}`}
                        kind="lineClass"
                        value={p.number}
                        onChange={(number) => point(i, { number })}
                      />
                    </td>
                    <td>
                      <button
                        type="button"
                        className="quiet"
                        aria-label={`Take point ${i + 1} out`}
                        onClick={() => setOwn((c) => ({ ...c, points: c.points.filter((_, k) => k !== i) }))}
                      >
                        take out
                      </button>
                    </td>
                  </>
                ) : (
                  <>
                    <td className="py-1 pr-6">{p.grams} g</td>
                    <td>{p.number}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
        <Message>{fields.points}</Message>
        {editable && (
          <div className="mt-2 flex items-end gap-3">
            <button
              type="button"
              className="btn"
              onClick={() =>
                setOwn((c) => {
                  const last = c.points.at(-1) ?? { grams: 80, number: 4 };
                  return { ...c, points: [...c.points, { grams: last.grams * 1.2, number: last.number + 1 }] };
                })
              }
            >
              Add a rod
            </button>
            <div className="w-32">
              <MeasureField
                label="Good to, ±"
                kind="lineClass"
                value={own.plusMinus ?? 0.3}
                problem={fields.plusMinus}
                onChange={(plusMinus) => setOwn((c) => ({ ...c, plusMinus }))}
              />
            </div>
          </div>
        )}
        <Message>{words}</Message>
        <div className="mt-4 flex gap-3">
          {/* Two buttons, not one that changes: a press on the first must not submit as the second. */}
          {editable ? (
            <button key="keep" className="btn bg-ink! text-paper!" type="submit">
              Keep it and read with it
            </button>
          ) : (
            <button
              key="copy"
              className="btn"
              type="button"
              onClick={() => {
                setOwn((c) => ({ ...c, name: 'my own rods' }));
                setEditable(true);
              }}
            >
              Make one of your own from it
            </button>
          )}
          {(own.id ?? 0) > 0 && (
            <button className="quiet" type="button" onClick={() => void putAway()}>
              Put it away
            </button>
          )}
        </div>
        <p className="mt-3 text-sm text-soft">
          {start.id === 0
            ? `From memory of a published table, ± ${start.plusMinus}. It cannot be changed; a copy can.`
            : 'Your own.'}
        </p>
      </form>
    </Panel>
  );
}
