import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, unwrap, ApiError, type BriefDraft, type Solution } from '../../api/client';
import { FlyActual } from '../../drawing/FlyActual';
import { WaterPlan } from '../../drawing/WaterPlan';
import { useUnits } from '../../ui/units';
import { planFigures } from '../../state/figures';
import { asSaid } from '../../state/asSaid';
import { BriefSentence, type SayDraft } from '../shared/BriefSentence';
import { changed } from '../../state/said';
import { forget, recallParts, remember } from '../../ui/remember';
import { EntryScope, settleEntries } from '../../ui/useReading';
import { useAnswer } from '../../state/useAnswer';

const none = {};
const place = 'new-brief';
type Begun = { name: string; draft: BriefDraft };
const rememberBegun = (begun: Begun) => remember(place, JSON.stringify(begun));
const recallBegun = (): Begun => ({ name: '', draft: {}, ...recallParts<Partial<Begun>>(place, {}) });
const nothing: string[] = [];

/** A newcomer's first brief: one sentence, everything else assumed until said. */
export function NewBriefPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { standards } = useUnits();
  // Begun and not kept yet: it is here again after a reload.
  const [begun] = useState(recallBegun);
  const [name, setName] = useState(begun.name);
  const [draft, showDraft] = useState(begun.draft);
  const latest = useRef(begun.draft);
  const say: SayDraft = (_, patch, said) => {
    latest.current = changed(latest.current, patch, said);
    showDraft(latest.current);
    rememberBegun({ name, draft: latest.current });
  };
  const [words, setWords] = useState<string | null>(null);
  // The core completes the sentence, so that the blanks show what is assumed.
  const { solution, problems, failure } = useAnswer({ draft, pins: none, off: nothing });
  if (!solution) return failure ? <p className="p-6">{failure.message}</p> : null;
  const nameOf = ({ species, fly }: Solution['brief']) => {
    const fish = standards.species.find((s) => s.id === species.id)?.name ?? 'fish';
    return `${fish[0]!.toUpperCase()}${fish.slice(1)}, ${fly.kind.name}`;
  };
  const usual = nameOf(solution.brief);
  return (
    <main id="main" className="mx-auto max-w-2xl px-5 py-8">
      <h1 className="text-2xl font-semibold">A new brief</h1>
      <p className="mb-4 text-soft">
        Say what you know. What is dotted is assumed until you change it.
        {Object.keys(draft).length > 0 && (
          <button
            className="quiet ml-2 underline"
            type="button"
            onClick={() => {
              latest.current = {};
              showDraft({});
              forget(place);
            }}
          >
            Begin anew
          </button>
        )}
      </p>
      <form
        onSubmit={async (event) => {
          event.preventDefault();
          if (await settleEntries(event.currentTarget)) return;
          try {
            const draft = latest.current;
            // What is on the screen may still be the answer to an earlier word; the name is that of what is kept.
            const solved = unwrap(
              api.POST('/api/matching/solve', { body: { brief: draft, pins: none, off: nothing } }),
            );
            const brief = await unwrap(
              api.POST('/api/briefs', {
                body: { name: name.trim() || nameOf((await solved).brief), draft, pins: {}, off: [] },
              }),
            );
            forget(place);
            await queries.invalidateQueries({ queryKey: ['briefs'] });
            navigate(`/briefs/${brief.id}`);
          } catch (failure) {
            setWords(
              failure instanceof ApiError ? (Object.values(failure.fields)[0] ?? failure.message) : 'Not saved.',
            );
          }
        }}
      >
        <div className="border-y border-hair py-4 text-[1.2rem]">
          <EntryScope value="new">
            <BriefSentence draft={draft} brief={solution.brief} problems={problems} onChange={say} />
          </EntryScope>
        </div>
        <label className="mt-4 block">
          <span className="rubric block">Call it</span>
          <input
            className="entry w-full max-w-md"
            value={name}
            maxLength={80}
            placeholder={usual}
            onChange={(event) => {
              setName(event.target.value);
              rememberBegun({ name: event.target.value, draft: latest.current });
            }}
          />
        </label>
        {words && (
          <p role="alert" className="mt-2 font-semibold text-fails">
            {words}
          </p>
        )}
        <button className="btn mt-5 bg-ink! text-lg text-paper!" type="submit">
          Lay out the chain
        </button>
        <div className="mt-8 grid gap-6 sm:grid-cols-2">
          <WaterPlan
            {...planFigures(asSaid(solution, draft, problems, standards.limits))}
            said={draft.said}
            onWind={(windMps, windFromDeg) => say('wind', { windMps, windFromDeg })}
            onDistance={(distanceM) => say('distance', { distanceM })}
          />
          <FlyActual fly={solution.brief.fly} />
        </div>
      </form>
    </main>
  );
}
