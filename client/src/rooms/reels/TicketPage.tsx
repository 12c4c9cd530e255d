import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { api, onVersion, unwrap, type TicketAnswer, type WindingStep } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { Caution } from '../../ui/Message';
import { useCommands } from '../../ui/commands';
import { useSayText } from '../../ui/Say';
import { useDone, useToast } from '../../ui/toast';
import { spooled, useUnits } from '../../ui/units';
import { Lost } from '../../ui/Lost';
import { TicketSteps } from '../shared/TicketSteps';
import { StepAtHand, woundKind, type Reply } from './StepAtHand';
import './ticket.css';

/** A spool being wound: what is done, what comes now, what is still to come; on paper the whole ticket. */
export function TicketPage() {
  const id = Number(useParams().id);
  const queries = useQueryClient();
  const which = key('ticket', id);
  const { data: ticket, error } = useQuery({
    queryKey: which,
    queryFn: ({ signal }) => unwrap(api.GET('/api/reels/tickets/{id}', { params: { path: { id } }, signal })),
    refetchInterval: (q) => (q.state.data?.running ? 350 : false),
  });
  if (error && !ticket) return <Lost words={error.message} to="/winding" name="All winding tickets" />;
  if (!ticket) return <p className="p-6">Looking for the ticket…</p>;
  return <Ticket key={id} ticket={ticket} onAnswer={(next) => queries.setQueryData(which, next)} />;
}

function Ticket({ ticket, onAnswer }: { ticket: TicketAnswer; onAnswer: (next: TicketAnswer) => void }) {
  const { show } = useUnits();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const done = useDone();
  const toast = useToast();
  const tried = useAttempt();
  const path = { params: { path: { id: ticket.id } } };
  const seen = onVersion(ticket.id, ticket.version);
  const which = key('ticket', ticket.id);
  const wound = ticket.spoolId !== null;
  const at = ticket.at;
  const change = (work: () => Promise<TicketAnswer>) =>
    tried.attempt(async () => {
      await queries.cancelQueries({ queryKey: which });
      const next = await work();
      onAnswer(next);
      if (next.spoolId !== null) {
        toast({
          words: `${next.lineWords} is on ${next.reelWords}.`,
          undo: async () => {
            onAnswer(await unwrap(api.POST('/api/reels/tickets/{id}/reopen', path)));
          },
        });
      }
    });
  const reply = (answer: Reply) =>
    change(() =>
      unwrap(
        api.POST('/api/reels/tickets/{id}/reply', {
          ...seen,
          body: { reply: { goOn: false, ...answer } },
        }),
      ),
    );
  const wind = (on: boolean) =>
    change(() => unwrap(api.POST('/api/reels/tickets/{id}/wind', { ...seen, body: { on } })));
  const takeOff = (lengthM: number) =>
    change(() => unwrap(api.POST('/api/reels/tickets/{id}/take-off', { ...seen, body: { lengthM } })));
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
                  done('The ticket was taken off the bench.', () =>
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
      {wound && <Wound spool={ticket.spoolId!} />}
      <TicketSteps
        steps={ticket.steps}
        at={at}
        nameOf={(step) => step.kind}
        did={(step) => (
          <span className="ml-2 font-normal text-soft">
            <WasDone step={step} />
          </span>
        )}
      >
        {(step) => (
          <>
            {step.caution && <CautionOf step={step} />}
            {!wound && (
              <StepAtHand
                key={`${step.kind}-${ticket.version}`}
                step={step}
                ticket={ticket}
                tried={tried}
                reply={reply}
                wind={wind}
                takeOff={takeOff}
              />
            )}
          </>
        )}
      </TicketSteps>
    </main>
  );
}

function Wound({ spool }: { spool: number }) {
  return (
    <p className="my-2 text-lg font-semibold text-fits" role="status">
      Wound. The shed knows what lies on it.{' '}
      <Link className="underline print:hidden" to={`/spools/${spool}`}>
        Print its label
      </Link>
    </p>
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
    done.lengthM != null && show(done.lengthM, woundKind(step)),
    done.turns != null && `${Math.round(done.turns)} turns`,
    done.measuredM != null && show(done.measuredM, 'spoolSize'),
  ].filter(Boolean);
  return <>{parts.length ? parts.join(', ') : 'done'}</>;
}
