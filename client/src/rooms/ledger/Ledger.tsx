import { Collapsible } from 'radix-ui';
import { memo, useState } from 'react';
import type { LedgerStep, LinkId, Pins, Solution, Source } from '../../api/client';
import { Say } from '../../ui/Say';
import { Glossed } from '../../ui/Term';
import { useUnits } from '../../ui/units';
import { Cautions } from '../chain/Cautions';

const sourceWords: Record<Source['mark'], string> = {
  published: 'published',
  memory: 'from memory',
  practice: 'practice',
  assumption: 'our estimate',
  measured: 'measured',
  label: 'off the label',
  computed: 'worked out',
  yours: 'yours',
};

type Props = {
  solution: Solution;
  before: Solution | null;
  off: string[];
  /** The link whose bench is open; its reasons come first. */
  open?: LinkId | undefined;
  onOff: (rule: string, off: boolean) => void;
  onOpen: (link: string) => void;
  onPin: (pins: Partial<Pins>) => void;
};

/**
 * The reasons in the order they were decided, by the link they speak of; number first, each to be opened, doubted and switched off.
 * With a bench open its own reasons come first and the others fold away.
 */
// A new answer changes it; what is only on its way does not.
export const Ledger = memo(function Ledger({ solution, before, off, open, onOff, onOpen, onPin }: Props) {
  const was = new Map((before?.ledger ?? []).map((s) => [s.rule.id, s]));
  const gone = before ? before.ledger.filter((s) => !solution.ledger.some((n) => n.rule.id === s.rule.id)) : [];
  const changed = (s: LedgerStep) =>
    before !== null &&
    (JSON.stringify(was.get(s.rule.id)?.figure) !== JSON.stringify(s.figure) || was.get(s.rule.id)?.off !== s.off);
  const changes = solution.ledger.filter(changed);
  const [onlyNew, setOnlyNew] = useState(false);
  const filtered = onlyNew && changes.length > 0;
  const shown = filtered ? changes : solution.ledger;
  const [folded, setFolded] = useState(true);
  const groups = Map.groupBy(shown, (s) => s.rule.link);
  const mine = open && !filtered ? (groups.get(open) ?? []) : [];
  const rest = [...groups].filter(([link]) => filtered || link !== open);
  const others = rest.flatMap(([, steps]) => steps);
  const newOthers = others.filter(changed).length;
  const nameOf = (link: LinkId) => solution.chain.find((l) => l.id === link)?.name ?? link;
  const list = (steps: LedgerStep[]) =>
    steps.map((step) => (
      <Reason
        key={step.rule.id}
        step={step}
        changed={changed(step)}
        switchedOff={off.includes(step.rule.id)}
        pin={pinOf(step)}
        onPin={onPin}
        onOff={onOff}
        onOpen={onOpen}
      />
    ));
  const byLink = rest.map(([link, steps]) => (
    <section key={link} aria-label={`Reasons for the ${nameOf(link).toLowerCase()}`}>
      <h3 className="rubric border-b border-ink pt-2">{nameOf(link)}</h3>
      <ol>{list(steps)}</ol>
    </section>
  ));
  return (
    <section aria-label="Ledger" id="ledger" className="min-w-0 scroll-mt-14">
      <header className="flex items-baseline justify-between border-b border-ink">
        <h2 className="text-xl font-semibold">Ledger</h2>
        <span className="sr-only" aria-live="polite">
          {changes.length > 0 ? `${changes.length} reasons changed` : ''}
        </span>
        {changes.length > 0 ? (
          <button className="rubric quiet underline" aria-pressed={filtered} onClick={() => setOnlyNew(!onlyNew)}>
            {filtered ? 'show all reasons' : `${changes.length} changed: show`}
          </button>
        ) : (
          <span className="rubric">{solution.ledger.length} reasons</span>
        )}
      </header>
      {open && !filtered ? (
        <>
          <ol>{list(mine)}</ol>
          {mine.length === 0 && <p className="py-2 text-soft">No reason speaks of this link by itself.</p>}
          <Collapsible.Root open={!folded} onOpenChange={(is) => setFolded(!is)}>
            <Collapsible.Trigger className="quiet -ml-1 font-semibold">
              {folded ? '▸' : '▾'} The other {others.length} reasons{newOthers > 0 ? `, ${newOthers} changed` : ''}
            </Collapsible.Trigger>
            <Collapsible.Content>{byLink}</Collapsible.Content>
          </Collapsible.Root>
        </>
      ) : (
        byLink
      )}
      {off.length > 0 && (
        <button
          className="quiet -ml-1 underline underline-offset-4"
          onClick={() => off.forEach((r) => onOff(r, false))}
        >
          Switch every reason on again
        </button>
      )}
      <ol>
        {gone.map((step) => (
          <li key={step.rule.id} className="border-b border-hair py-1 pl-[5.7rem] text-[0.86rem] text-soft">
            <s>{step.rule.title}</s> no longer applies
          </li>
        ))}
      </ol>
      <Cautions cautions={solution.cautions} />
    </section>
  );
});

/** What would hold on to a reason; null where there is nothing to hold on to. */
const pinOf = ({ pin }: LedgerStep): Partial<Pins> | null =>
  pin && Object.fromEntries(Object.entries(pin).filter(([, value]) => value !== null));

type ReasonProps = {
  step: LedgerStep;
  changed: boolean;
  switchedOff: boolean;
  pin: Partial<Pins> | null;
  onPin: Props['onPin'];
  onOff: Props['onOff'];
  onOpen: Props['onOpen'];
};

// Most reasons say the same after a small change; those stand still.
const Reason = memo(
  function Reason({ step, changed, switchedOff, pin, onPin, onOff, onOpen }: ReasonProps) {
    const { showFigure } = useUnits();
    return (
      <Collapsible.Root asChild>
        <li className="border-b border-hair">
          <Collapsible.Trigger
            className="grid w-full grid-cols-[5.2rem_1fr] gap-x-2 py-1.5 text-left hover:bg-water"
            data-rule={step.rule.id}
          >
            <span
              className={`text-right leading-tight font-bold break-words ${step.figure.word ? 'text-[0.84rem]' : ''} ${step.off ? 'text-soft line-through' : ''}`}
            >
              {step.before ? (
                <>
                  <span className="block text-sm font-normal text-soft">{showFigure(step.before)} →</span>
                  {showFigure(step.figure)}
                </>
              ) : (
                showFigure(step.figure)
              )}
            </span>
            <span className="min-w-0">
              <span className="flex items-baseline gap-1.5">
                <span className={`text-[0.86rem] font-semibold ${step.off ? 'line-through' : ''}`}>
                  {step.rule.title}
                </span>
                {changed && (
                  <span
                    className="rounded-sm bg-ink px-1 text-[0.8rem] leading-snug font-semibold text-paper"
                    title="Changed since the last answer"
                  >
                    new
                  </span>
                )}
                {step.doubt && !step.off && <span className="text-[0.8rem] font-semibold text-look">look</span>}
                {step.off && <span className="rubric">off</span>}
              </span>
              <span className="block text-[0.9rem] leading-snug text-soft">
                <Say parts={step.says} />
              </span>
            </span>
          </Collapsible.Trigger>
          <Collapsible.Content className="pb-2 pl-[5.7rem] text-[0.9rem]">
            <p className="leading-snug">
              <Glossed>{step.rule.explains ?? ''}</Glossed>
            </p>
            {step.inputs.length > 0 && (
              <table className="my-1 w-full">
                <caption className="sr-only">What went into {step.rule.title}</caption>
                <tbody>
                  {step.inputs.map((input) => (
                    <tr key={input.name}>
                      <th scope="row" className="pr-2 text-left font-normal text-soft">
                        {input.name}
                      </th>
                      <td className="text-right font-semibold">{showFigure(input.figure)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            <p className="rubric font-normal">
              <strong>{sourceWords[step.source.mark]}</strong>: {step.source.note}
            </p>
            <div className="mt-1 flex gap-2">
              {step.rule.canSwitchOff && (
                <button
                  className="btn text-sm"
                  aria-pressed={switchedOff}
                  onClick={() => onOff(step.rule.id, !switchedOff)}
                >
                  {switchedOff ? 'Switch on again' : 'Leave this out'}
                </button>
              )}
              {pin && (
                <button className="btn text-sm" onClick={() => onPin(pin)}>
                  Pin this
                </button>
              )}
              <button className="btn text-sm" onClick={() => onOpen(step.rule.link)}>
                Open its bench
              </button>
            </div>
          </Collapsible.Content>
        </li>
      </Collapsible.Root>
    );
  },
  (a, b) =>
    a.changed === b.changed &&
    a.switchedOff === b.switchedOff &&
    a.onOff === b.onOff &&
    a.onOpen === b.onOpen &&
    a.onPin === b.onPin &&
    JSON.stringify(a.pin) === JSON.stringify(b.pin) &&
    JSON.stringify(a.step) === JSON.stringify(b.step),
);
