import { api, unwrap } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { usePeople } from '../../state/casters';
import { Choice, Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { useDone } from '../../ui/toast';
import { named, useUnits } from '../../ui/units';
import { AwayList } from '../shared/AwayList';

const restore = (id: number) =>
  unwrap<unknown>(api.POST('/api/log/casters/{id}/restore', { params: { path: { id } } }));

/** Who casts in this house: each by name, beginning as one of the presets. */
export function People() {
  const { standards } = useUnits();
  const { data } = usePeople();
  const done = useDone();
  const { attempt, words } = useAttempt();
  const form = useForm(draftOf('person', null), { name: '', from: 'club' });
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
                  done(`${p.name} was put away; briefs that name them stay as they are.`, () => restore(p.id));
                })
              }
            >
              put away
            </button>
          </li>
        ))}
      </ul>
      <form
        {...form.area}
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={async (event) => {
          event.preventDefault();
          const went = await form.keep(async (body) => {
            const kept = await unwrap(api.POST('/api/log/casters', { body }));
            done(`${kept.name} casts here now.`, () => putAway(kept.id));
          });
          if (went) form.startOver();
        }}
      >
        <Text of={form} at="name" label="First name" maxLength={40} />
        <span className="w-44">
          <Choice of={form} at="from" label="Casts like" options={standards.casters} />
        </span>
        <button type="submit" className="btn min-h-[44px]">
          Add somebody
        </button>
        <Message>{form.words ?? words}</Message>
      </form>
      <AwayList
        what="people"
        list={() => unwrap(api.GET('/api/log/casters/away'))}
        nameOf={(p) => p.name}
        bringBack={restore}
      />
    </section>
  );
}
