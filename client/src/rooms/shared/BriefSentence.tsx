import { useCasters } from '../../state/casters';
import type { Said } from '../../state/said';
import { useMemo } from 'react';
import type { BriefDraft, FieldWords, Solution } from '../../api/client';
import { Term } from '../../ui/Term';
import { HookField, MeasureField } from '../../ui/TypedField';
import { Pick } from '../../ui/Pick';
import { useUnits } from '../../ui/units';

export type SayDraft = (key: string, patch: Partial<BriefDraft>, said?: Said) => void;

type Props = {
  draft: BriefDraft;
  brief: Solution['brief'];
  problems: FieldWords;
  onChange: SayDraft;
  /** Room is kept for a longer sentence, so that what stands below does not move while one is changed. */
  steady?: boolean;
};

const article = (name: string) => (/^[aeiou]/.test(name) ? 'an' : 'a');

/** The brief as one sentence to complete. What was picked or typed stands in it at once, whether or not anybody answers. */
export function BriefSentence({ draft, brief, problems, onChange, steady = false }: Props) {
  const { standards } = useUnits();
  const assumed = (field: keyof BriefDraft) => draft[field] == null;
  const windFrom = draft.windFromDeg ?? brief.windFromDeg;
  const nearest = String((Math.round(windFrom / 45) % 8) * 45);
  const hook = standards.hooks.find((h) => h.number === draft.hookSize)?.name ?? brief.fly.sizeName ?? '';
  const caster = draft.caster ?? brief.caster.id;
  const casters = useCasters(brief.caster);
  const casterName = casters.find((c) => c.id === caster)?.name ?? caster;
  const { windFrom: winds } = standards.choices;
  const windsFrom = useMemo(() => winds.map((w) => ({ id: String(w.deg), name: w.ofMe })), [winds]);
  const calm = (draft.windMps ?? brief.windMps) === 0;
  return (
    <p className={`text-[1.16rem] leading-[1.75] ${steady ? 'min-h-[3lh] lg:min-h-[5lh]' : ''}`}>
      I want to throw a{' '}
      <HookField
        inline
        label="Hook size"
        hook={hook}
        assumed={assumed('hookSize')}
        problem={problems.hookSize}
        onChange={(hookSize) => onChange('hookSize', { hookSize })}
      />{' '}
      <Pick
        inline
        label="Fly"
        value={draft.flyKind ?? brief.fly.kind.id}
        options={standards.flyKinds}
        assumed={assumed('flyKind')}
        problem={problems.flyKind}
        onChange={(flyKind) => onChange('flyKind', { flyKind, hookSize: null, flyWetKg: null, flyLengthM: null })}
      />{' '}
      to{' '}
      <Pick
        inline
        label="Fish"
        value={draft.species ?? brief.species.id}
        options={standards.species}
        assumed={assumed('species')}
        problem={problems.species}
        onChange={(species) => onChange('species', { species, fishKg: null })}
      />{' '}
      at{' '}
      <MeasureField
        inline
        label="Distance"
        kind="distance"
        value={draft.distanceM ?? brief.distanceM}
        said={draft.said?.distanceM}
        assumed={assumed('distanceM')}
        problem={problems.distanceM}
        onChange={(distanceM, said) => onChange('distanceM', { distanceM }, said)}
      />{' '}
      {calm ? 'when it is' : 'in'}{' '}
      <MeasureField
        inline
        label="Wind"
        kind="windSpeed"
        value={draft.windMps ?? brief.windMps}
        said={draft.said?.windMps}
        assumed={assumed('windMps')}
        problem={problems.windMps}
        onChange={(windMps, said) => onChange('windMps', { windMps }, said)}
      />
      {!calm && (
        <>
          {' '}
          of wind{' '}
          <span className="whitespace-nowrap">
            <Pick
              inline
              label="Wind direction"
              value={nearest}
              options={windsFrom}
              assumed={assumed('windFromDeg')}
              problem={problems.windFromDeg}
              onChange={(deg) => onChange('windFromDeg', { windFromDeg: Number(deg) })}
            />
            ;
          </span>
        </>
      )}
      {calm && ';'} <Term id="caster">I cast like</Term> {article(casterName)}{' '}
      <Pick
        inline
        label="Caster"
        value={caster}
        options={casters}
        assumed={assumed('caster')}
        problem={problems.caster}
        onChange={(id) => onChange('caster', { caster: id })}
      />
      .
    </p>
  );
}
