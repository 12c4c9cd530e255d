import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { useLastGood } from '../../api/answers';
import { api, unwrap, type ReachGain } from '../../api/client';
import { key } from '../../api/keys';
import { Say } from '../../ui/Say';
import { useCommands } from '../../ui/commands';
import { useToast } from '../../ui/toast';
import { distance, useUnits } from '../../ui/units';
import type { BriefWork } from '../../state/useBrief';

/** What could be changed, best first; one press makes the change and one takes it back. */
export function Gains({ work }: { work: BriefWork }) {
  const { show } = useUnits();
  const toast = useToast();
  const asked = useDeferredValue({ brief: work.draft, pins: work.pins, off: work.off });
  const {
    data: fresh,
    error,
    isFetching,
  } = useQuery({
    queryKey: key('gains', asked),
    queryFn: async ({ signal }) => {
      // Every change is solved in full: that waits until the hand has come to rest.
      await new Promise((rest) => setTimeout(rest, 250));
      if (signal.aborted) throw new DOMException('Aborted', 'AbortError');
      return unwrap(api.POST('/api/casting/gains', { body: asked, signal }));
    },
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 30_000,
  });
  const data = useLastGood(fresh);
  const worth = data?.gains.filter((h) => h.worth === 'more') ?? [];
  const apply = (help: ReachGain) => {
    const before = { draft: work.draft, pins: work.pins };
    work.change(`help-${help.id}`, (w) => ({ ...w, draft: help.brief, pins: help.pins }));
    toast({ words: 'Changed.', undo: () => work.change('help-back', (w) => ({ ...w, ...before })) });
  };
  useCommands([
    {
      id: 'help',
      name: 'Try what would help most',
      keys: [],
      group: 'Cast',
      run: worth[0] ? () => apply(worth[0]!) : null,
    },
  ]);
  if (!data)
    return (
      <p className="text-soft">{error ? 'An entry in the brief needs another look first.' : 'Trying every change…'}</p>
    );
  const not = data.gains.filter((h) => h.worth !== 'more');
  const row = (help: ReachGain, plus: boolean) => (
    <tr key={help.id} className="border-t border-hair align-baseline" data-help={help.id}>
      <td className="w-24 py-1.5 pr-3 text-right text-lg font-semibold whitespace-nowrap">
        {plus
          ? `+ ${show(distance(help.gainM))}`
          : help.worth === 'nothing'
            ? '± 0'
            : `− ${show(distance(-help.gainM))}`}
      </td>
      <td className="py-1.5 leading-snug">
        <Say parts={help.says} />
        <span className="text-soft"> · then {show(distance(help.reach.value))}</span>
      </td>
      <td className="py-1 text-right">
        <button className="btn whitespace-nowrap" onClick={() => apply(help)}>
          Try it
        </button>
      </td>
    </tr>
  );
  return (
    <div className={isFetching ? 'opacity-70' : ''} aria-busy={isFetching}>
      <table className="w-full">
        <caption className="sr-only">Changes and what each adds to the reach</caption>
        <tbody>
          {worth.map((h) => row(h, true))}
          {worth.length === 0 && (
            <tr>
              <td className="py-1.5">Nothing here adds distance. Get closer.</td>
            </tr>
          )}
        </tbody>
      </table>
      {not.length > 0 && (
        <details className="mt-1">
          <summary className="quiet inline-block cursor-pointer">What would not help ({not.length})</summary>
          <table className="w-full">
            <tbody>{not.map((h) => row(h, false))}</tbody>
          </table>
        </details>
      )}
      <ul className="mt-2 list-disc pl-5 text-soft">
        {data.always.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </div>
  );
}
