import { useNavigate } from 'react-router';
import type { BriefWork } from '../../state/useBrief';
import { useCommands } from '../../ui/commands';

/** What can be done to a brief from the palette and by key; null where there is nothing to do. */
export function useBriefCommands(
  work: BriefWork,
  id: number,
  {
    undo,
    letGo,
    watch,
    rigIt,
    copyBrief,
  }: {
    undo: (() => void) | null;
    letGo: (() => void) | null;
    watch: () => void;
    rigIt: () => Promise<void>;
    copyBrief: () => Promise<void>;
  },
) {
  const navigate = useNavigate();
  const base = `/briefs/${id}`;
  usePinCommands(work);
  useCommands([
    { id: 'undo', name: 'Undo', words: 'take back reverse', keys: ['mod+z'], group: 'Work', run: undo },
    {
      id: 'redo',
      name: 'Do again',
      words: 'redo repeat',
      keys: ['mod+shift+z', 'mod+y'],
      group: 'Work',
      run: work.redo,
    },
    {
      id: 'unpin',
      name: 'Let go of every pin',
      words: 'unpin release free',
      keys: [],
      group: 'Work',
      run: letGo,
    },
    {
      id: 'rules-on',
      name: 'Switch every rule on again',
      words: 'rules reset',
      keys: [],
      group: 'Work',
      run: work.off.length > 0 ? () => work.change('rules', (w) => ({ ...w, off: [] })) : null,
    },
    {
      id: 'watch',
      name: 'Watch the cast',
      words: 'play throw animate',
      keys: [],
      group: 'Work',
      run: watch,
    },
    {
      id: 'rig',
      name: 'Rig it, step by step',
      words: 'knots checklist put together tie',
      keys: [],
      group: 'Work',
      run: () => void rigIt(),
    },
    {
      id: 'card',
      name: 'Outfit card: print, copy or save it',
      words: 'print copy text save share take along phone html pdf',
      keys: ['p'],
      group: 'Work',
      run: () => void navigate(`${base}/card`),
    },
    {
      id: 'compare',
      name: 'Compare with another brief or outfit',
      words: 'side by side versus difference',
      keys: [],
      group: 'Work',
      run: () => void navigate(`/compare?a=${id}`),
    },
    {
      id: 'copy-brief',
      name: 'Copy this brief, to try something else',
      words: 'duplicate what if',
      keys: ['c'],
      group: 'Work',
      run: () => void copyBrief(),
    },
  ]);
}

/** Pins by name, for the palette: the piece in the chain is held, or let go. */
function usePinCommands(work: BriefWork) {
  const { solution, pins, setPins } = work;
  const pieces = solution
    ? ([
        ['rod', 'rod', solution.outfit.rod],
        ['line', 'line', solution.outfit.line],
        ['reel', 'reel', solution.outfit.reel],
      ] as const)
    : [];
  useCommands(
    pieces.map(([pin, name, piece]) => {
      const held = pins[pin] != null;
      return {
        id: `pin-${pin}`,
        name: held ? `Let go of the ${name}` : piece.id ? `Pin the ${name}, ${piece.tag}` : `Pin the ${name}`,
        words: held ? 'unpin release' : 'pin hold fix keep',
        keys: [],
        group: 'Work',
        run: held
          ? () => setPins(`unpin-${pin}`, { [pin]: null })
          : piece.id
            ? () => setPins(`pin-${pin}`, { [pin]: piece.id })
            : null,
      };
    }),
  );
}
