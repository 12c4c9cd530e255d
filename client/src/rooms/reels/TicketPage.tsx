import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, unwrap, type TicketAnswer, type WindingReply, type WindingStep } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { useRefreshGear } from '../../state/gear';
import { Caution, Message } from '../../ui/Message';
import { useCommands } from '../../ui/commands';
import { Say, useSayText } from '../../ui/Say';
import { useDone, useToast } from '../../ui/toast';
import { OptionalMeasureField } from '../../ui/TypedField';
import { spooled, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import './ticket.css';

type Reply = Partial<WindingReply>;

/** A spool being wound: what is done, what comes now, what is still to come; on paper the whole ticket. */
export function TicketPage() {
  const id = Number(useParams().id);
  const queries = useQueryClient();
  const key = ['ticket', id];
  const { data: ticket, error } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => unwrap(api.GET('/api/reels/tickets/{id}', { params: { path: { id } }, signal })),
    refetchInterval: (q) => (q.state.data?.running ? 350 : false),
  });
  if (error && !ticket)
    return (
      <main id="main" className="p-6">
        <h1 className="text-xl font-semibold">{error.message}</h1>
        <Link className="underline" to="/winding">
          All winding tickets
        </Link>
      </main>
    );
  if (!ticket) return <p className="p-6">Looking for the ticket…</p>;
  return <Ticket key={id} ticket={ticket} onAnswer={(next) => queries.setQueryData(key, next)} />;
}

function Ticket({ ticket, onAnswer }: { ticket: TicketAnswer; onAnswer: (next: TicketAnswer) => void }) {
  const { show } = useUnits();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const refresh = useRefreshGear();
  const done = useDone(refresh);
  const toast = useToast();
  const tried = useAttempt();
  const path = { params: { path: { id: ticket.id } } };
  const key = ['ticket', ticket.id];
  const wound = ticket.spoolId !== null;
  const head = useRef<HTMLHeadingElement>(null);
  const at = ticket.at;
  const shownAt = useRef(at);
  useEffect(() => {
    // After a step the eye, and a screen reader, go on to the next one.
    if (shownAt.current !== at) head.current?.focus();
    shownAt.current = at;
  }, [at]);
  const change = (work: () => Promise<TicketAnswer>) =>
    tried.attempt(async () => {
      await queries.cancelQueries({ queryKey: key });
      const next = await work();
      onAnswer(next);
      if (next.spoolId !== null) {
        await refresh();
        toast({
          words: `${next.lineWords} is on ${next.reelWords}.`,
          undo: async () => {
            onAnswer(await unwrap(api.POST('/api/reels/tickets/{id}/reopen', path)));
            await refresh();
          },
        });
      } else void queries.invalidateQueries({ queryKey: ['tickets'] });
    });
  const reply = (answer: Reply) =>
    change(() =>
      unwrap(
        api.POST('/api/reels/tickets/{id}/reply', {
          ...path,
          body: { reply: { goOn: false, ...answer }, version: ticket.version },
        }),
      ),
    );
  const wind = (on: boolean) =>
    change(() => unwrap(api.POST('/api/reels/tickets/{id}/wind', { ...path, body: { on, version: ticket.version } })));
  const takeOff = (lengthM: number) =>
    change(() =>
      unwrap(api.POST('/api/reels/tickets/{id}/take-off', { ...path, body: { lengthM, version: ticket.version } })),
    );
  useCommands([
    {
      id: 'print',
      name: 'Print this ticket',
      words: 'paper pdf',
      keys: [],
      group: 'Winding',
      run: () => window.print(),
    },
  ]);
  return (
    <main id="main" className="ticket mx-auto max-w-[60rem] px-5 py-3">
      <header className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 basis-full sm:basis-0">
          <p className="rubric">Winding ticket</p>
          <h1 className="text-2xl leading-tight font-semibold break-words">
            {ticket.reelWords}, {ticket.spoolName}
          </h1>
          <p>
            {ticket.lineWords} over {show(spooled(ticket.backingM))} of {ticket.backing}; wound in by the{' '}
            <b>{ticket.rightHand ? 'right' : 'left'} hand</b>
          </p>
        </div>
        <div className="flex gap-2 print:hidden">
          <Link className="btn" to={`/reels/${ticket.reelId}?part=spools`}>
            The reel
          </Link>
          <button className="btn" onClick={() => window.print()}>
            Print
          </button>
          {!wound && (
            <button
              className="btn"
              onClick={() =>
                void tried.attempt(async () => {
                  if (ticket.running) await wind(false);
                  await unwrap(api.DELETE('/api/reels/tickets/{id}', path));
                  await navigate('/winding');
                  await done('The ticket was taken off the bench.', () =>
                    unwrap(api.POST('/api/reels/tickets/{id}/restore', path)),
                  );
                })
              }
            >
              Take it off
            </button>
          )}
        </div>
      </header>
      {wound && (
        <p className="my-2 text-lg font-semibold text-fits" role="status">
          Wound. The shed knows what lies on it.{' '}
          <Link className="underline print:hidden" to={`/spools/${ticket.spoolId}`}>
            Print its label
          </Link>
        </p>
      )}
      <ol className="mt-3">
        {ticket.steps.map((step, i) => (
          <li
            key={step.kind}
            data-step={step.kind}
            aria-current={i === at ? 'step' : undefined}
            className={`border-t border-hair py-2 ${i === at ? 'now border-l-4 border-l-signal bg-sheet pl-3' : ''}`}
          >
            <div className="flex gap-3">
              <span className="tick w-6 shrink-0 text-right text-soft" aria-hidden="true">
                {i < at ? '✓' : i + 1}
              </span>
              <div className="min-w-0 flex-1">
                <h2
                  className={`font-semibold ${i < at ? 'text-soft' : ''}`}
                  tabIndex={-1}
                  ref={i === at ? head : undefined}
                >
                  {step.title}
                  {i < at && (
                    <span className="ml-2 font-normal text-soft">
                      <WasDone step={step} />
                    </span>
                  )}
                </h2>
                <p className={i < at ? 'hidden print:block' : i === at ? 'text-lg' : 'text-soft'}>
                  <Say parts={step.says} />.
                </p>
                {i === at && step.caution && <CautionOf step={step} />}
                {i === at && !wound && (
                  <Act
                    key={`${step.kind}-${ticket.version}`}
                    step={step}
                    ticket={ticket}
                    tried={tried}
                    reply={reply}
                    wind={wind}
                    takeOff={takeOff}
                  />
                )}
              </div>
            </div>
          </li>
        ))}
      </ol>
    </main>
  );
}

function CautionOf({ step }: { step: WindingStep }) {
  const text = useSayText();
  return <Caution>{`${text(step.caution!)}.`}</Caution>;
}

function WasDone({ step }: { step: WindingStep }) {
  const { show } = useUnits();
  const { done } = step;
  if (!done) return null;
  const parts = [
    done.lengthM != null && show(spooled(done.lengthM)),
    done.turns != null && `${Math.round(done.turns)} turns`,
    done.measuredM != null && show({ value: done.measuredM, kind: 'spoolSize', plusMinus: null }),
  ].filter(Boolean);
  return <>{parts.length ? parts.join(', ') : 'done'}</>;
}

type ActProps = {
  step: WindingStep;
  ticket: TicketAnswer;
  tried: Pick<ReturnType<typeof useAttempt>, 'fields' | 'words'>;
  reply: (r: Reply) => Promise<boolean>;
  wind: (on: boolean) => Promise<boolean>;
  takeOff: (metres: number) => Promise<boolean>;
};

const strong = 'btn bg-ink! text-paper! min-h-[44px] px-5';

/** What is pressed or typed in the step at hand. */
function Act({ step, ticket, tried, reply, wind, takeOff }: ActProps) {
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

function WindIt({ step, ticket, tried, reply, wind }: Omit<ActProps, 'takeOff'>) {
  const { show } = useUnits();
  const [typed, setTyped] = useState<{ lengthM: number | null; turns: string }>({ lengthM: null, turns: '' });
  const [byHand, setByHand] = useState(false);
  const settled = useSettled(typed);
  const share = Math.min(1, ticket.turns / Math.max(1, step.turns));
  const counted: Reply = { lengthM: ticket.lengthM, turns: ticket.turns };
  const begun = ticket.turns > 0;
  const atMark = begun && !ticket.running && share > 0.985;
  const [last, setLast] = useState<Reply>(counted);
  const send = (r: Reply) => {
    setLast(r);
    return reply(r);
  };
  const disagree = tried.fields.believe !== undefined;
  const off = tried.fields.lengthM !== undefined;
  return (
    <div className="mt-2 print:hidden" data-entries>
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
        <span className="text-2xl">{show(spooled(ticket.lengthM))} counted</span>
        <span className="self-center text-soft">
          so many turns lay {show(spooled(ticket.byTurnsM))}; {ticket.winder}
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
      {byHand && !begun && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <div className="w-40">
            <OptionalMeasureField
              label="Wound on, length"
              kind="spooled"
              value={typed.lengthM}
              onChange={(lengthM) => setTyped((t) => ({ ...t, lengthM }))}
            />
          </div>
          <label className="w-28">
            <span className="rubric block">or turns</span>
            <input
              className="entry w-full"
              inputMode="numeric"
              value={typed.turns}
              onChange={(e) => setTyped((t) => ({ ...t, turns: e.target.value.replace(/\D/g, '') }))}
            />
          </label>
          <button
            className="btn min-h-[44px]"
            onClick={(e) =>
              void settled(e.currentTarget, (now) =>
                send({ lengthM: now.lengthM, turns: now.turns ? Number(now.turns) : null }),
              )
            }
          >
            That is on
          </button>
        </div>
      )}
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

function MeasureIt({ step, tried, reply, takeOff }: Pick<ActProps, 'step' | 'tried' | 'reply' | 'takeOff'>) {
  const { show } = useUnits();
  const [measuredM, setMeasuredM] = useState<number | null>(null);
  const [offM, setOffM] = useState<number | null>(null);
  const settled = useSettled({ measuredM, offM });
  const short = (value: number) => show({ value, kind: 'spoolSize', plusMinus: null });
  const warned = tried.fields.measuredM !== undefined;
  return (
    <div className="mt-2 print:hidden" data-entries>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-40">
          <OptionalMeasureField
            label="The ruler says"
            kind="spoolSize"
            value={measuredM}
            onChange={(m) => setMeasuredM(m)}
          />
        </div>
        <button
          className={strong}
          onClick={(e) => void settled(e.currentTarget, (now) => reply({ measuredM: now.measuredM }))}
        >
          Write it down
        </button>
        <button
          className="btn min-h-[44px]"
          onClick={(e) => void settled(e.currentTarget, (now) => reply({ measuredM: now.measuredM, goOn: true }))}
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
            <OptionalMeasureField label="Backing taken off" kind="spooled" value={offM} onChange={(m) => setOffM(m)} />
          </div>
          <button
            className="btn min-h-[44px]"
            onClick={(e) => void settled(e.currentTarget, (now) => (now.offM === null ? undefined : takeOff(now.offM)))}
          >
            So much is off
          </button>
        </div>
      )}
    </div>
  );
}
