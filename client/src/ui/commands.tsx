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

// Elements that use letters or arrows themselves, so that a single key pressed there is meant for them.
const typedInto = 'input:not([type=checkbox], [type=radio], [type=range], [type=button]), textarea, [contenteditable]';
const roles = ['combobox', 'listbox', 'slider', 'spinbutton', 'grid', 'menu', 'menubar', 'radiogroup', 'tablist'];
const ofItsOwn = ['[type=radio]', '[type=range]', 'select', ...roles.map((role) => `[role=${role}]`)].join();

/** Whether the focused element uses keys itself, or a dialog is open. */
export const keysAreTaken = (target: HTMLElement) =>
  target.closest(`${typedInto}, ${ofItsOwn}`) !== null || document.querySelector('[role="dialog"]') !== null;

const BoardContext = createContext<Board | null>(null);

/** Every command available now, for keys, the palette and the list under "?". */
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
      // A dialog has handled the key: Escape closes one dialog and no more.
      if (event.defaultPrevented) return;
      const target = event.target as HTMLElement;
      // An open dialog gets all keys, even before it has the focus.
      const typing = target.closest(typedInto) ?? document.querySelector('[role="dialog"]');
      const mod = event.metaKey || event.ctrlKey;
      // Escape first leaves a field or a handle, and does no more.
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

/** Offers commands while a component is mounted. */
export function useCommands(commands: Command[]) {
  const { put } = useBoard();
  const [owner] = useState(() => Symbol());
  const latest = useRef(commands);
  useEffect(() => {
    latest.current = commands;
  });
  // Commands call the newest closures through the ref; the registry changes only when the offer does.
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
