import type { Caution } from '../../api/client';
import { Say } from '../../ui/Say';

/** What can hurt somebody: of one link, or of all. */
export function Cautions({ cautions, link }: { cautions: Caution[]; link?: string }) {
  const shown = link ? cautions.filter((c) => c.link === link) : cautions;
  if (shown.length === 0) return null;
  return (
    <section aria-label={link ? 'Cautions here' : 'Cautions'} className="mt-4">
      <h3 className="font-semibold">Cautions</h3>
      <ul className="mt-1 flex flex-col gap-1.5 text-[0.9rem] leading-snug">
        {shown.map((caution) => (
          <li
            key={caution.id}
            className={`border-l-4 pl-2 ${caution.urgent ? 'border-fails font-semibold' : 'border-hair text-soft'}`}
          >
            {caution.urgent && <span className="text-fails">Today: </span>}
            <Say parts={caution.says} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What today sets off, above everything else. */
export function UrgentCautions({ cautions }: { cautions: Caution[] }) {
  const urgent = cautions.filter((c) => c.urgent);
  if (urgent.length === 0) return null;
  return (
    <ul aria-label="Cautions for today" className="mb-2 flex flex-col gap-1 text-[0.9rem] leading-snug">
      {urgent.map((c) => (
        <li key={c.id} className="border-l-4 border-fails pl-2 font-semibold">
          <Say parts={c.says} />
        </li>
      ))}
    </ul>
  );
}
