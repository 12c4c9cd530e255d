import type { BriefDraft, FieldWords, Solution } from '../../api/client';
import { HookField, MeasureField } from '../../ui/TypedField';
import { Pick } from '../../ui/Pick';
import { useUnits } from '../../ui/units';

type Props = {
  draft: BriefDraft;
  brief: Solution['brief'];
  problems: FieldWords;
  onChange: (key: string, patch: Partial<BriefDraft>) => void;
};

/** The brief as one sentence to complete. */
export function BriefSentence({ draft, brief, problems, onChange }: Props) {
  const { standards } = useUnits();
  const assumed = (field: keyof BriefDraft) => brief.assumed.includes(field);
  const nearest = String((Math.round(brief.windFromDeg / 45) % 8) * 45);
  return (
    <p className="min-h-[3lh] lg:min-h-[5lh] text-[1.16rem] leading-[1.75]">
      I want to throw a{' '}
      <HookField
        inline
        label="Hook size"
        hook={brief.fly.sizeName ?? ''}
        assumed={assumed('hookSize')}
        problem={problems.hookSize}
        onChange={(hookSize) => onChange('hookSize', { hookSize })}
      />{' '}
      <Pick
        inline
        label="Fly"
        value={brief.fly.kind.id}
        options={standards.flyKinds}
        assumed={assumed('flyKind')}
        problem={problems.flyKind}
        onChange={(flyKind) => onChange('flyKind', { flyKind, hookSize: null, flyWetKg: null })}
      />{' '}
      to{' '}
      <Pick
        inline
        label="Fish"
        value={brief.species.id}
        options={standards.species}
        assumed={assumed('species')}
        problem={problems.species}
        onChange={(species) => onChange('species', { species, fishKg: null })}
      />{' '}
      at{' '}
      <MeasureField
        inline
        label="Distance"
        kind="length"
        value={draft.distanceM ?? brief.distanceM}
        assumed={assumed('distanceM')}
        problem={problems.distanceM}
        onChange={(distanceM) => onChange('distanceM', { distanceM })}
      />{' '}
      in{' '}
      <MeasureField
        inline
        label="Wind"
        kind="windSpeed"
        value={draft.windMps ?? brief.windMps}
        assumed={assumed('windMps')}
        problem={problems.windMps}
        onChange={(windMps) => onChange('windMps', { windMps })}
      />{' '}
      of wind{' '}
      <Pick
        inline
        label="Wind direction"
        value={nearest}
        options={standards.choices.windFrom.map((w) => ({ id: String(w.deg), name: w.ofMe }))}
        assumed={assumed('windFromDeg')}
        problem={problems.windFromDeg}
        onChange={(deg) => onChange('windFromDeg', { windFromDeg: Number(deg) })}
      />
      ; I cast like {brief.caster.article}{' '}
      <Pick
        inline
        label="Caster"
        value={brief.caster.id}
        options={standards.casters}
        assumed={assumed('caster')}
        problem={problems.caster}
        onChange={(caster) => onChange('caster', { caster })}
      />
      .
    </p>
  );
}
