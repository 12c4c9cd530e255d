import { useQuery } from '@tanstack/react-query';
import { api, unwrap, type Found, type Rod } from '../../api/client';
import { key } from '../../api/keys';
import { Caution, Message } from '../../ui/Message';
import { useKeeping } from '../../state/gear';
import { saidDay } from '../../ui/dates';
import { Again, Day, Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { useUnits } from '../../ui/units';

type Entries = { on: string; points: Record<string, Found>; note: string };

const today = () => new Date().toLocaleDateString('en-CA');

/** What to look at before buying and at the start of a season, dated and kept with the rod. */
export function InspectionTab({ rod }: { rod: Rod }) {
  const { data: checklist } = useQuery({
    queryKey: key('checklist'),
    queryFn: () => unwrap(api.GET('/api/rods/checklist')),
    staleTime: Infinity,
  });
  const { keep } = useKeeping('rods', rod);
  const { standards } = useUnits();
  const form = useForm<Entries>(draftOf('inspection', rod.id), { on: today(), points: {}, note: '' });
  const { points } = form.values;
  if (!checklist) return null;
  const nameOf = (id: string) => checklist.find((p) => p.id === id)?.name ?? id;
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="Checklist">
        <Caution>Cover your eyes while you flex a blank, and mind hooks that somebody left on.</Caution>
        {checklist.map((point) => (
          <fieldset key={point.id} className="border-t border-hair py-2">
            <legend className="float-left w-full font-semibold">{point.name}</legend>
            <p className="clear-left text-soft">{point.look}</p>
            <div className="flex flex-wrap gap-x-4">
              {standards.choices.found.map((f) => (
                <label key={f.id} className="flex min-h-7 items-center gap-1.5">
                  <input
                    type="radio"
                    name={point.id}
                    className="size-4 accent-(--ink)"
                    checked={(points[point.id] ?? 'unseen') === f.id}
                    onChange={() => form.put('points', { ...points, [point.id]: f.id })}
                  />
                  {f.name}
                </label>
              ))}
            </div>
          </fieldset>
        ))}
      </section>
      <section aria-label="Keep it" {...form.area}>
        <Again form={form} />
        <div className="w-44">
          <Day of={form} at="on" label="Day" max={today()} />
        </div>
        <Text of={form} at="note" label="Note" rows={3} className="mt-2" />
        <Message>{form.words}</Message>
        <button
          className="btn mt-3 bg-ink! text-paper!"
          onClick={async () => {
            const kept = await form.keep((now) =>
              keep(
                () =>
                  unwrap(
                    api.POST('/api/rods/{id}/inspections', {
                      params: { path: { id: rod.id } },
                      body: { ...now, note: now.note.trim() || null },
                    }),
                  ),
                `Inspection of ${rod.tag} kept.`,
              ),
            );
            if (kept) form.startOver();
          }}
        >
          Keep this inspection
        </button>
        <h2 className="mt-6 border-b border-ink font-semibold">Looked over before</h2>
        {(rod.inspections ?? []).length === 0 && <p className="py-2 text-soft">Never, as far as is written down.</p>}
        <ul>
          {(rod.inspections ?? []).map((i, k) => {
            const odd = Object.entries(i.points).filter(([, f]) => f === 'watch' || f === 'mend');
            const seen = Object.values(i.points).filter((f) => f !== 'unseen').length;
            return (
              <li key={k} className="border-b border-hair py-2">
                <b>{saidDay(i.on)}</b>: {seen} of {checklist.length} looked at
                {odd.length === 0 ? ', all sound' : ''}
                {odd.map(([id, f]) => (
                  <span key={id} className={`block font-semibold ${f === 'mend' ? 'text-fails' : 'text-look'}`}>
                    {nameOf(id)}: {f === 'mend' ? 'mend first' : 'watch it'}
                  </span>
                ))}
                {i.note && <span className="block text-soft italic">{i.note}</span>}
              </li>
            );
          })}
        </ul>
      </section>
    </div>
  );
}
