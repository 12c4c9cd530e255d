import { useState } from 'react';
import type { BriefDraft, BriefRow, PlannedDay, Regret } from '../../api/client';
import { Text } from '../../ui/fields';
import { useForm } from '../../ui/form';
import { Panel } from '../../ui/Panel';
import { Pick } from '../../ui/Pick';
import { Stepper } from '../../ui/Stepper';
import { useUnits } from '../../ui/units';
import { useAnswer } from '../../state/useAnswer';
import { changed } from '../../state/said';
import { BriefSentence, type SayDraft } from '../shared/BriefSentence';

type Said = { name: string; draft: BriefDraft };

const none = {};
const nothing: string[] = [];

/** The kinds of day of a trip: how often each comes, how much it is missed, and one more. */
export function DayList({
  days,
  briefs,
  onChange,
}: {
  days: PlannedDay[];
  briefs: BriefRow[];
  onChange: (days: PlannedDay[]) => void;
}) {
  const { standards } = useUnits();
  const [said, setSaid] = useState<number | 'new' | null>(null);
  const nameOf = (d: PlannedDay) =>
    d.briefId ? (briefs.find((b) => b.id === d.briefId)?.name ?? 'a brief that was put away') : (d.name ?? 'a day');
  const put = (at: number, change: Partial<PlannedDay>) =>
    onChange(days.map((d, i) => (i === at ? { ...d, ...change } : d)));
  const open = briefs.filter((b) => days.every((d) => d.briefId !== b.id));
  return (
    <section aria-label="Days">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Days to come</h2>
      {days.length === 0 && <p className="py-2 text-soft">None yet. Add a kept brief, or say what the day is.</p>}
      <ul>
        {days.map((day, i) => (
          <li key={i} className="border-b border-hair py-1.5" data-planned={nameOf(day)}>
            <div className="flex items-baseline gap-2">
              <span className="min-w-0 flex-1 font-semibold wrap-anywhere">{nameOf(day)}</span>
              {!day.briefId && (
                <button className="quiet underline" aria-label={`Change ${nameOf(day)}`} onClick={() => setSaid(i)}>
                  change
                </button>
              )}
              <button
                className="quiet underline"
                aria-label={`Take ${nameOf(day)} out`}
                onClick={() => onChange(days.filter((_, at) => at !== i))}
              >
                out
              </button>
            </div>
            <div className="grid grid-cols-2 items-end gap-2">
              <Stepper
                label={`How often, ${nameOf(day)}`}
                less="a day less"
                more="a day more"
                value={day.times === 1 ? 'one day' : `${day.times} days`}
                onLess={() => day.times > 1 && put(i, { times: day.times - 1 })}
                onMore={() => put(i, { times: day.times + 1 })}
              />
              <Pick
                label="Missed"
                value={day.regret}
                options={standards.choices.regret}
                onChange={(regret) => put(i, { regret: regret as Regret })}
              />
            </div>
          </li>
        ))}
      </ul>
      <div className="mt-2 grid grid-cols-2 items-end gap-2">
        {open.length > 0 && (
          <Pick
            label="Add a kept brief"
            value=""
            options={open.map((b) => ({ id: String(b.id), name: b.name }))}
            onChange={(id) => onChange([...days, { times: 1, regret: 'some', briefId: Number(id) }])}
          />
        )}
        <button className="btn" onClick={() => setSaid('new')}>
          Say another day
        </button>
      </div>
      {said !== null && (
        <SaidDay
          day={said === 'new' ? null : days[said]!}
          onClose={() => setSaid(null)}
          onDone={(name, draft) => {
            if (said === 'new') onChange([...days, { times: 1, regret: 'some', name, draft }]);
            else put(said, { name, draft });
            setSaid(null);
          }}
        />
      )}
    </section>
  );
}

/** A day said in a sentence, as a brief is, and kept with the trip. */
export function SaidDay({
  day,
  onClose,
  onDone,
}: {
  day: PlannedDay | null;
  onClose: () => void;
  onDone: (name: string, draft: BriefDraft) => void;
}) {
  const { standards } = useUnits();
  const form = useForm<Said>(null, { name: day?.name ?? '', draft: day?.draft ?? {} });
  const { draft } = form.values;
  const say: SayDraft = (_, patch, words) => form.put('draft', changed(form.lib.getValues('draft'), patch, words));
  const { solution, problems, failure } = useAnswer({ draft, pins: none, off: nothing });
  if (!solution)
    return (
      <Panel title="A day" onClose={onClose}>
        <p>{failure?.message ?? 'One moment…'}</p>
      </Panel>
    );
  const fish = standards.species.find((s) => s.id === solution.brief.species.id)?.name ?? 'a fish';
  const usual = `${fish[0]!.toUpperCase()}${fish.slice(1)}, ${solution.brief.fly.kind.name}`;
  return (
    <Panel title="A day to come" onClose={onClose}>
      <form
        {...form.area}
        onSubmit={(event) => {
          event.preventDefault();
          void form.keep(async (now) => {
            if (Object.keys(problems).length === 0) onDone(now.name.trim() || usual, now.draft);
          });
        }}
      >
        <p className="text-soft">Say what you know. What is dotted is assumed until you change it.</p>
        <div className="my-3 border-y border-hair py-3">
          <BriefSentence draft={draft} brief={solution.brief} problems={problems} onChange={say} />
        </div>
        <Text of={form} at="name" label="Call it" className="max-w-md" maxLength={80} placeholder={usual} />
        <button className="btn mt-4 bg-ink! text-paper!" type="submit">
          Add this day
        </button>
      </form>
    </Panel>
  );
}
