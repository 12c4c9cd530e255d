import { useState } from 'react';
import { api, unwrap } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { usePeople } from '../../state/casters';
import { useRefreshLog } from '../../state/log';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { useDone } from '../../ui/toast';
import { named, useUnits } from '../../ui/units';
import { AwayList } from '../shared/AwayList';

const restore = (id: number) =>
  unwrap<unknown>(api.POST('/api/log/casters/{id}/restore', { params: { path: { id } } }));

/** Who casts in this house: each by name, beginning as one of the presets. */
export function People() {
  const { standards } = useUnits();
  const { data } = usePeople();
  const again = useRefreshLog();
  const done = useDone(again);
  const { attempt, fields, words } = useAttempt();
  const [name, setName] = useState('');
  const [like, setLike] = useState('club');
  const putAway = (id: number) => unwrap<unknown>(api.DELETE('/api/log/casters/{id}', { params: { path: { id } } }));
  return (
    <section aria-label="Who casts here" className="mt-8">
      <h2 className="border-b border-ink pb-1 text-xl font-semibold">Who casts here</h2>
      <ul>
        {data?.map((p) => (
          <li key={p.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-1.5">
            <b className="min-w-40">{p.name}</b>
            <span className="flex-1 text-soft">began as a {named(standards.casters, p.from)}</span>
            <button
              className="quiet underline"
              aria-label={`Put ${p.name} away`}
              onClick={() =>
                void attempt(async () => {
                  await putAway(p.id);
                  await done(`${p.name} was put away; briefs that name them stay as they are.`, () => restore(p.id));
                })
              }
            >
              put away
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void attempt(async () => {
            const kept = await unwrap(api.POST('/api/log/casters', { body: { name, from: like } }));
            setName('');
            await done(`${kept.name} casts here now.`, () => putAway(kept.id));
          });
        }}
      >
        <label className="block">
          <span className="rubric block">First name</span>
          <input
            className="entry"
            value={name}
            maxLength={40}
            aria-invalid={fields.name ? true : undefined}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <span className="w-44">
          <Pick label="Casts like" value={like} options={standards.casters} onChange={setLike} />
        </span>
        <button type="submit" className="btn min-h-[44px]">
          Add somebody
        </button>
        <Message>{words}</Message>
      </form>
      <AwayList
        what="people"
        list={() => unwrap(api.GET('/api/log/casters/away'))}
        nameOf={(p) => p.name}
        bringBack={restore}
        onBack={again}
      />
    </section>
  );
}
