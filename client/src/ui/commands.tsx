import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';

export type Command = {
  id: string;
  name: string;
  /** Other words by which people look for it. */
  words?: string;
  keys: string[];
  group: string;
  run: (() => void) | null;
};

type Board = { commands: Command[]; put: (owner: symbol, commands: Command[]) => void };

// What is typed into, and what takes letters or arrows itself: a single key pressed there is meant for it.
const typedInto = 'input:not([type=checkbox], [type=radio], [type=range], [type=button]), textarea, [contenteditable]';
const roles = ['combobox', 'listbox', 'slider', 'spinbutton', 'grid', 'menu', 'menubar', 'radiogroup', 'tablist'];
const ofItsOwn = ['[type=radio]', '[type=range]', 'select', ...roles.map((role) => `[role=${role}]`)].join();

/** Whether what has the focus has its own use for keys, or a sheet lies on top. */
export const keysAreTaken = (target: HTMLElement) =>
  target.closest(`${typedInto}, ${ofItsOwn}`) !== null || document.querySelector('[role="dialog"]') !== null;

const BoardContext = createContext<Board | null>(null);

/** Everything that can be done now, in one place for keys, palette and the list under "?". */
export function CommandsProvider({ children }: { children: ReactNode }) {
  const [byOwner, setByOwner] = useState<Map<symbol, Command[]>>(new Map());
  const commands = useMemo(() => [...byOwner.values()].flat(), [byOwner]);
  const put = useCallback<Board['put']>((owner, list) => {
    setByOwner((all) => {
      const next = new Map(all);
      if (list.length > 0) next.set(owner, list);
      else next.delete(owner);
      return next;
    });
  }, []);
  const board = useMemo<Board>(() => ({ commands, put }), [commands, put]);

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      // Whoever lies on top has taken the key, as Escape closes one sheet and no more.
      if (event.defaultPrevented) return;
      const target = event.target as HTMLElement;
      // A sheet has the keys to itself, even in the moment before it takes the focus.
      const typing = target.closest(typedInto) ?? document.querySelector('[role="dialog"]');
      const mod = event.metaKey || event.ctrlKey;
      // Escape leaves a field or a handle first, and does no more.
      if (event.key === 'Escape' && target.matches(`${typedInto}, ${ofItsOwn}`)) return target.blur();
      if (event.altKey || (typing && !(mod && event.key.toLowerCase() === 'k'))) return;
      if (!mod && target.closest(ofItsOwn)) return;
      const combo = `${mod ? 'mod+' : ''}${mod && event.shiftKey ? 'shift+' : ''}${event.key.length === 1 ? event.key.toLowerCase() : event.key}`;
      const found = commands.find((c) => c.run && c.keys.includes(combo));
      if (!found) return;
      event.preventDefault();
      found.run!();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [commands]);

  return <BoardContext value={board}>{children}</BoardContext>;
}

export function useBoard() {
  const board = useContext(BoardContext);
  if (!board) throw new Error('Commands are asked for outside their provider.');
  return board;
}

/** Offers commands while a component is on the screen. */
export function useCommands(commands: Command[]) {
  const { put } = useBoard();
  const [owner] = useState(() => Symbol());
  const latest = useRef(commands);
  useEffect(() => {
    latest.current = commands;
  });
  // Runs reach the newest closures through the ref; the board only needs to know when the offer itself changes.
  const offer = JSON.stringify(commands.map((c) => [c.id, c.name, c.words, c.keys, c.group, c.run !== null]));
  useEffect(() => {
    put(
      owner,
      latest.current.map((c, i) => ({ ...c, run: c.run && (() => latest.current[i]?.run?.()) })),
    );
    return () => put(owner, []);
  }, [offer, owner, put]);
}

export const keyWords = (keys: string[]) =>
  keys.map((k) => k.replace('mod+', 'Ctrl ').replace('shift+', 'Shift ').replace('Escape', 'Esc'));
