import { useNavigate } from 'react-router';
import { api, unwrap, type BriefDraft, type Solution } from '../../api/client';
import { FlyActual } from '../../drawing/FlyActual';
import { WaterPlan } from '../../drawing/WaterPlan';
import { asSaid } from '../../state/asSaid';
import { planFigures } from '../../state/figures';
import { changed } from '../../state/said';
import { useAnswer } from '../../state/useAnswer';
import { Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { useUnits } from '../../ui/units';
import { TextsContext } from '../../ui/useReading';
import { BriefSentence, type SayDraft } from '../shared/BriefSentence';

type Begun = { name: string; draft: BriefDraft };
const fresh: Begun = { name: '', draft: {} };
const none = {};
const nothing: string[] = [];

/** A newcomer's first brief: one sentence, everything else assumed until said. */
export function NewBriefPage() {
  const navigate = useNavigate();
  const { standards } = useUnits();
  // Begun and not kept yet: it is here again after a reload.
  const form = useForm<Begun>(draftOf('brief', null), fresh);
  const { draft } = form.values;
  const say: SayDraft = (_, patch, said) => form.put('draft', changed(form.lib.getValues('draft'), patch, said));
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
        {form.dirty && (
          <button className="quiet ml-2 underline" type="button" onClick={form.startOver}>
            Begin anew
          </button>
        )}
      </p>
      <form
        {...form.area}
        onSubmit={(event) => {
          event.preventDefault();
          void form.keep(async ({ name, draft }) => {
            // What is on the screen may still be the answer to an earlier word; the name is that of what is kept.
            const asked = { brief: draft, pins: none, off: nothing };
            const { brief } = await unwrap(api.POST('/api/matching/solve', { body: asked }));
            const body = { name: name.trim() || nameOf(brief), draft, pins: {}, off: [] };
            const kept = await unwrap(api.POST('/api/briefs', { body }));
            await navigate(`/briefs/${kept.id}`);
          });
        }}
      >
        <div className="border-y border-hair py-4 text-[1.2rem]">
          <TextsContext value={form.texts}>
            <BriefSentence draft={draft} brief={solution.brief} problems={problems} onChange={say} />
          </TextsContext>
        </div>
        <Text of={form} at="name" label="Call it" className="mt-4 max-w-md" maxLength={80} placeholder={usual} />
        <Message>{form.words}</Message>
        <button className="btn mt-5 bg-ink! text-lg text-paper!" type="submit">
          Lay out the chain
        </button>
        <div className="mt-8 grid gap-6 sm:grid-cols-2">
          <WaterPlan
            {...planFigures(asSaid(solution, draft, problems, standards.limits))}
            said={draft.said}
            onWind={(windMps, windFromDeg, typed) => say('wind', { windMps, windFromDeg }, typed)}
            onDistance={(distanceM, typed) => say('distance', { distanceM }, typed)}
          />
          <FlyActual fly={solution.brief.fly} />
        </div>
      </form>
    </main>
  );
}
