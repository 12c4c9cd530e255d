import { useState } from 'react';
import type { Kind, TicketAnswer, WindingReply, WindingStep } from '../../api/client';
import type { useAttempt } from '../../api/useAttempt';
import { Measure, Text } from '../../ui/fields';
import { useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { useUnits } from '../../ui/units';

export type Reply = Partial<WindingReply>;

type Props = {
  step: WindingStep;
  ticket: TicketAnswer;
  tried: Pick<ReturnType<typeof useAttempt>, 'fields' | 'words'>;
  reply: (r: Reply) => Promise<boolean>;
  wind: (on: boolean) => Promise<boolean>;
  takeOff: (metres: number) => Promise<boolean>;
};

/** Backing is counted in yards, a line is as long as its own page says. */
export const woundKind = (step: WindingStep): Kind => (step.kind === 'backing' ? 'spooled' : 'length');

const strong = 'btn bg-ink! text-paper! min-h-[44px] px-5';

/** What is pressed or typed in the step at hand. */
export function StepAtHand({ step, ticket, tried, reply, wind, takeOff }: Props) {
  if (step.way === 'choose')
    return (
      <div className="mt-2 flex flex-wrap gap-3 print:hidden">
        {step.choices.map((c) => (
          <button key={c.id} className="btn min-h-[44px]" onClick={() => void reply({ choice: c.id })}>
            {c.name}
          </button>
        ))}
        <Message>{tried.words}</Message>
      </div>
    );
  if (step.way === 'wind') return <WindIt step={step} ticket={ticket} tried={tried} reply={reply} wind={wind} />;
  if (step.way === 'measure') return <MeasureIt step={step} tried={tried} reply={reply} takeOff={takeOff} />;
  return (
    <div className="mt-2 print:hidden">
      <button className={strong} onClick={() => void reply({})}>
        Done
      </button>
      <Message>{tried.words}</Message>
    </div>
  );
}

function WindIt({ step, ticket, tried, reply, wind }: Omit<Props, 'takeOff'>) {
  const { show } = useUnits();
  const kind = woundKind(step);
  const [byHand, setByHand] = useState(false);
  const share = Math.min(1, ticket.turns / Math.max(1, step.turns));
  const counted: Reply = { lengthM: ticket.lengthM, turns: ticket.turns };
  const begun = ticket.turns > 0;
  const atMark = ticket.atMark && !ticket.running;
  const [last, setLast] = useState<Reply>(counted);
  const send = (r: Reply) => {
    setLast(r);
    return reply(r);
  };
  const disagree = tried.fields.believe !== undefined;
  const off = tried.fields.lengthM !== undefined;
  return (
    <div className="mt-2 print:hidden">
      <div
        role="progressbar"
        aria-label={step.title}
        aria-valuemin={0}
        aria-valuemax={Math.round(step.turns)}
        aria-valuenow={Math.round(ticket.turns)}
        aria-valuetext={`${Math.round(ticket.turns)} of ${Math.round(step.turns)} turns`}
        className="relative h-6 border border-ink bg-paper"
      >
        <div className="h-full bg-signal" style={{ width: `${100 * share}%` }} />
      </div>
      <p className="flex flex-wrap gap-x-4 tabular-nums" aria-live="off">
        <b className="text-2xl" data-turns={Math.round(ticket.turns)}>
          {Math.round(ticket.turns)} of {Math.round(step.turns)} turns
        </b>
        <span className="text-2xl">{show(ticket.lengthM, kind)} counted</span>
        <span className="self-center text-soft">
          so many turns lay {show(ticket.byTurnsM, kind)}; {ticket.winder}
        </span>
      </p>
      <p role="status" className="min-h-6">
        {ticket.running
          ? 'Winding…'
          : atMark
            ? 'At the stop mark.'
            : begun
              ? 'Stopped. What was counted is kept, whatever happens.'
              : ''}
      </p>
      <div className="flex flex-wrap gap-3">
        {ticket.running ? (
          <button className={strong} onClick={() => void wind(false)}>
            Stop
          </button>
        ) : (
          <>
            {!atMark && (
              <button className={strong} onClick={() => void wind(true)}>
                {begun ? 'Wind on' : 'Start the winder'}
              </button>
            )}
            {begun && (
              <button className={atMark ? strong : 'btn min-h-[44px]'} onClick={() => void send(counted)}>
                It is wound
              </button>
            )}
            {!begun && (
              <button className="btn min-h-[44px]" aria-expanded={byHand} onClick={() => setByHand(!byHand)}>
                I wind by hand
              </button>
            )}
          </>
        )}
      </div>
      {byHand && !begun && <ByHand of={`wound-${ticket.id}-${step.kind}`} kind={kind} send={send} />}
      <Message>{tried.words}</Message>
      {disagree && (
        <div className="flex flex-wrap gap-3">
          <button className="btn" onClick={() => void send({ ...last, believe: 'length' })}>
            Believe the length
          </button>
          <button className="btn" onClick={() => void send({ ...last, believe: 'turns' })}>
            Believe the turns
          </button>
        </div>
      )}
      {off && !disagree && (
        <button className="btn" onClick={() => void reply({ ...last, goOn: true })}>
          Go on with what is there
        </button>
      )}
    </div>
  );
}

/** What was wound on by hand, as a length or in turns. */
function ByHand({ of, kind, send }: { of: string; kind: Kind; send: (r: Reply) => Promise<boolean> }) {
  const form = useForm<{ lengthM: number | null; turns: number | null }>(of, { lengthM: null, turns: null });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3" {...form.area}>
      <div className="w-40">
        <Measure of={form} at="lengthM" label="Wound on, length" kind={kind} empty />
      </div>
      <Text of={form} at="turns" label="or turns" digits empty className="w-28" />
      <button className="btn min-h-[44px]" onClick={() => void form.keep(send)}>
        That is on
      </button>
    </div>
  );
}

function MeasureIt({ step, tried, reply, takeOff }: Pick<Props, 'step' | 'tried' | 'reply' | 'takeOff'>) {
  const { show } = useUnits();
  const form = useForm<{ measuredM: number | null; offM: number | null }>(null, { measuredM: null, offM: null });
  const short = (value: number) => show(value, 'spoolSize');
  const warned = tried.fields.measuredM !== undefined;
  return (
    <div className="mt-2 print:hidden" {...form.area}>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-40">
          <Measure of={form} at="measuredM" label="The ruler says" kind="spoolSize" empty />
        </div>
        <button className={strong} onClick={() => void form.keep(({ measuredM }) => reply({ measuredM }))}>
          Write it down
        </button>
        <button
          className="btn min-h-[44px]"
          onClick={() => void form.keep(({ measuredM }) => reply({ measuredM, goOn: true }))}
        >
          {warned ? 'Go on all the same' : 'Go on without'}
        </button>
      </div>
      {step.expectBandM && (
        <p className="text-soft">
          From {short(Math.max(0, step.expectBandM.low))} to {short(Math.max(0, step.expectBandM.high))} by how tight it
          is wound.
        </p>
      )}
      <Message>{tried.words}</Message>
      {warned && step.kind === 'over' && (
        <div className="flex flex-wrap items-end gap-3">
          <div className="w-40">
            <Measure of={form} at="offM" label="Backing taken off" kind="spooled" empty />
          </div>
          <button
            className="btn min-h-[44px]"
            onClick={() => void form.keep(async ({ offM }) => offM !== null && takeOff(offM))}
          >
            So much is off
          </button>
        </div>
      )}
    </div>
  );
}
