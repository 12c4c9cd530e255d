import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, onVersion, unwrap, type RigAnswer, type RigStep } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { Caution, Message } from '../../ui/Message';
import { useCommands } from '../../ui/commands';
import { Say } from '../../ui/Say';
import { useDone } from '../../ui/toast';
import { Lost } from '../../ui/Lost';
import { TicketSteps } from '../shared/TicketSteps';
import { KnotFacts, KnotSteps } from './KnotSteps';

/** An outfit being put together: what is done, what comes now with its knot drawn large, what is still to come. */
export function RigPage() {
  const id = Number(useParams().id);
  const queries = useQueryClient();
  const which = key('rig', id);
  const { data: ticket, error } = useQuery({
    queryKey: which,
    queryFn: ({ signal }) => unwrap(api.GET('/api/rigging/tickets/{id}', { params: { path: { id } }, signal })),
  });
  if (error && !ticket) return <Lost words={error.message} to="/rigging" name="All rigging tickets" />;
  if (!ticket) return <p className="p-6">Looking for the ticket…</p>;
  return <Ticket key={id} ticket={ticket} onAnswer={(next) => queries.setQueryData(which, next)} />;
}

function Ticket({ ticket, onAnswer }: { ticket: RigAnswer; onAnswer: (next: RigAnswer) => void }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const done = useDone();
  const { attempt, words } = useAttempt();
  const path = { params: { path: { id: ticket.id } } };
  const { at, steps } = ticket;
  const rigged = at >= steps.length;
  const busy = useRef(false);
  const change = async (work: () => Promise<RigAnswer>) => {
    // A thumb that comes down twice means once.
    if (busy.current) return;
    busy.current = true;
    const went = await attempt(async () => onAnswer(await work()));
    busy.current = false;
    // Refused, it may have moved on elsewhere: look again.
    if (!went) await queries.invalidateQueries({ queryKey: key('rig', ticket.id) });
  };
  const tick = (step: string) =>
    void change(() =>
      unwrap(api.POST('/api/rigging/tickets/{id}/tick', { ...onVersion(ticket.id, ticket.version), body: { step } })),
    );
  const untick = () =>
    void change(() =>
      unwrap(api.POST('/api/rigging/tickets/{id}/untick', { ...onVersion(ticket.id, ticket.version), body: {} })),
    );
  useCommands([
    {
      id: 'print',
      name: 'Print this ticket',
      words: 'paper pdf',
      keys: [],
      group: 'Rigging',
      run: () => window.print(),
    },
    {
      id: 'rig-done',
      name: 'This step is done',
      words: 'tick next',
      keys: ['t'],
      group: 'Rigging',
      run: rigged ? null : () => tick(steps[at]!.id),
    },
  ]);
  return (
    <main id="main" className="paper-list mx-auto max-w-[48rem] px-4 py-3">
      <header className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 basis-full sm:basis-0">
          <p className="rubric">Rigging ticket</p>
          <h1 className="text-2xl leading-tight font-semibold wrap-anywhere">{ticket.name}</h1>
          <p className="text-soft">
            {ticket.plan.rod}; {ticket.plan.reel}; {ticket.plan.line}; {ticket.plan.fly}
          </p>
        </div>
        <div className="no-print flex flex-wrap gap-2">
          <button className="btn min-h-[44px]" disabled={at === 0} onClick={untick}>
            Step back
          </button>
          <button className="btn min-h-[44px]" onClick={() => window.print()}>
            Print
          </button>
          <button
            className="btn min-h-[44px]"
            onClick={() =>
              void attempt(async () => {
                await unwrap(api.DELETE('/api/rigging/tickets/{id}', path));
                await navigate('/rigging');
                done('The ticket was put away.', () => unwrap(api.POST('/api/rigging/tickets/{id}/restore', path)));
              })
            }
          >
            Put away
          </button>
        </div>
      </header>
      {rigged ? (
        <p className="my-2 text-lg font-semibold text-fits" role="status">
          Rigged. Hook it into the keeper until you fish.
        </p>
      ) : (
        at < steps.length - 1 && <Caution>Hooks stay covered, in the box, until the last step.</Caution>
      )}
      <Message>{words}</Message>
      <TicketSteps steps={steps} at={at} nameOf={(step) => step.id} did={() => <span className="sr-only">, done</span>}>
        {(step) => <AtHand key={step.id} step={step} onDone={() => tick(step.id)} />}
      </TicketSteps>
    </main>
  );
}

function AtHand({ step, onDone }: { step: RigStep; onDone: () => void }) {
  const [drawn, setDrawn] = useState(true);
  return (
    <div className="mt-1">
      {step.materials && (
        <p>
          <b>At hand: </b>
          <Say parts={step.materials} />.
        </p>
      )}
      {step.caution && <Caution>{step.caution}</Caution>}
      {step.knot && (
        <div className="no-print">
          <p className="flex items-baseline gap-3">
            <b className="first-letter:uppercase">{step.knot.name}</b>
            <button className="quiet underline" aria-expanded={drawn} onClick={() => setDrawn(!drawn)}>
              {drawn ? 'I know this one' : 'Show me how'}
            </button>
          </p>
          {drawn && <KnotSteps id={step.knot.id} />}
          <KnotFacts id={step.knot.id} />
        </div>
      )}
      {step.test && (
        <p>
          <b>Test: </b>
          <Say parts={step.test} />, before you go on.
        </p>
      )}
      <button
        className="btn no-print mt-2 min-h-[52px] w-full bg-ink! text-lg text-paper! sm:w-auto sm:px-10"
        onClick={onDone}
      >
        Done
      </button>
    </div>
  );
}
