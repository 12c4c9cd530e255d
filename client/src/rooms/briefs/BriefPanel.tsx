import { Collapsible } from 'radix-ui';
import type { BriefDraft, Kind } from '../../api/client';
import { DepthSection } from '../../drawing/DepthSection';
import { FlyActual } from '../../drawing/FlyActual';
import { WaterPlan } from '../../drawing/WaterPlan';
import { Pick } from '../../ui/Pick';
import { useUnits } from '../../ui/units';
import { depthFigures, planFigures } from '../../state/figures';
import { asSaid } from '../../state/asSaid';
import { DayMeasure } from '../shared/bench';
import { BriefSentence } from '../shared/BriefSentence';
import type { BriefWork } from '../../state/useBrief';

const waterIs = [
  { id: 'fresh', name: 'fresh' },
  { id: 'salt', name: 'salt' },
];

const lightIs = [
  { id: 'day', name: 'day' },
  { id: 'night', name: 'night' },
];

/** The day: one sentence, the water to drag about in, and every answer to type. */
export function BriefPanel({ work }: { work: BriefWork }) {
  const { solution, draft, setDraft, problems } = work;
  const { standards } = useUnits();
  const { choices } = standards;
  if (!solution) return null;
  const brief = solution.brief;
  const shown = asSaid(solution, draft, problems, standards.limits);
  // A drawing shows what it can be drawn by; what was refused stands in its field.
  const said = Object.fromEntries(Object.entries(draft.said ?? {}).filter(([field]) => !problems[field]));
  const assumed = (field: keyof BriefDraft) => draft[field] == null;
  const pick = <K extends keyof BriefDraft>(
    label: string,
    field: K,
    value: string,
    options: { id: string; name: string; about?: string | null }[],
  ) => (
    <Pick
      label={label}
      value={(draft[field] as string | null | undefined) ?? value}
      options={options}
      assumed={assumed(field)}
      problem={problems[field]}
      onChange={(id) => setDraft(field, { [field]: id } as Partial<BriefDraft>)}
    />
  );
  const measure = (label: string, at: Parameters<typeof DayMeasure>[0]['at'], kind: Kind, value: number) => (
    <DayMeasure work={work} at={at} label={label} kind={kind} value={value} />
  );

  return (
    <section aria-label="Brief" id="brief" className="flex min-w-0 flex-col gap-3">
      <input
        aria-label="Name of this brief"
        className="w-full border-b border-transparent bg-transparent text-xl font-semibold hover:border-hair focus:border-ink"
        value={work.name}
        maxLength={80}
        onChange={(event) => work.change('name', (w) => ({ ...w, name: event.target.value }))}
      />
      <BriefSentence steady draft={draft} brief={brief} problems={problems} onChange={setDraft} />
      <WaterPlan
        {...planFigures(shown)}
        said={said}
        onWind={(windMps, windFromDeg, typed) => setDraft('wind', { windMps, windFromDeg }, typed)}
        onDistance={(distanceM, typed) => setDraft('plan-distance', { distanceM }, typed)}
      />
      <DepthSection
        {...depthFigures(shown)}
        said={said.depthM}
        onDepth={(depthM, typed) => setDraft('section-depth', { depthM }, typed)}
      />
      <FlyActual fly={brief.fly} />

      <Collapsible.Root defaultOpen>
        <Collapsible.Trigger className="quiet -ml-1 text-lg font-semibold">The day, in full</Collapsible.Trigger>
        <Collapsible.Content>
          <div className="grid grid-cols-2 gap-x-3 gap-y-2">
            {pick('Water', 'water', brief.water, choices.water)}
            {pick('Cover', 'cover', brief.cover, choices.cover)}
            {pick('You stand', 'stance', brief.stance, choices.stance)}
            {pick('The fish are', 'wariness', brief.wariness, choices.wariness)}
            {measure('Fish of about', 'fishKg', 'fishMass', brief.fishKg)}
            {measure('Depth of the fly', 'depthM', 'depth', brief.depthM)}
            {measure('Current', 'currentMps', 'waterSpeed', brief.currentMps)}
            {measure('Water temperature', 'waterC', 'temperature', brief.waterC)}
            {measure('Wind from', 'windFromDeg', 'angle', brief.windFromDeg)}
            <Pick
              label="Water is"
              value={(draft.salt ?? brief.salt) ? 'salt' : 'fresh'}
              options={waterIs}
              assumed={assumed('salt')}
              onChange={(id) => setDraft('salt', { salt: id === 'salt' })}
            />
            <Pick
              label="It is"
              value={(draft.night ?? brief.night) ? 'night' : 'day'}
              options={lightIs}
              assumed={assumed('night')}
              onChange={(id) => setDraft('night', { night: id === 'night' })}
            />
            {pick('Casting hand', 'hand', brief.hand, choices.hand)}
            {measure('Fly, soaked', 'flyWetKg', 'lineMass', brief.fly.wetKg)}
            {pick('Start from', 'school', brief.school, choices.school)}
            {pick('Lean', 'lean', brief.lean, choices.lean)}
            {pick('Put together from', 'owned', brief.owned, choices.owned)}
            {brief.fly.kind.byLength && measure('Fly, over all', 'flyLengthM', 'shortLength', brief.fly.bodyM)}
          </div>
          {Object.keys(draft).some((key) => draft[key as keyof BriefDraft] != null) && (
            <div className="mt-2 flex flex-wrap gap-1 text-sm">
              <span className="rubric self-center">Back to assumed:</span>
              {(['flyWetKg', 'flyLengthM', 'fishKg', 'depthM', 'currentMps', 'waterC'] as const)
                .filter((field) => draft[field] != null)
                .map((field) => (
                  <button
                    key={field}
                    className="quiet underline"
                    onClick={() => setDraft(`clear-${field}`, { [field]: null })}
                  >
                    {
                      {
                        flyWetKg: 'fly',
                        flyLengthM: 'fly length',
                        fishKg: 'fish size',
                        depthM: 'depth',
                        currentMps: 'current',
                        waterC: 'temperature',
                      }[field]
                    }
                  </button>
                ))}
            </div>
          )}
          <p className="rubric mt-2 font-normal">
            Like {brief.caster.article} {brief.caster.name}: {brief.caster.about}.
          </p>
        </Collapsible.Content>
      </Collapsible.Root>
    </section>
  );
}
