import { useEffect, useState, type ReactNode } from 'react';
import { forget, recallParts, remember } from './remember';
import { Texts } from './texts';
import { TextsContext } from './useReading';

/** Inside, typed text that was not read yet is kept in the browser under a name, and is restored after a reload. */
export const TextScope = ({ name, children }: { name: string; children: ReactNode }) => (
  <Scope key={name} name={name}>
    {children}
  </Scope>
);

function Scope({ name, children }: { name: string; children: ReactNode }) {
  const place = `texts-${name}`;
  const [texts] = useState(() => new Texts(recallParts<Record<string, string>>(place, {})));
  useEffect(
    () => texts.follow((all) => (Object.keys(all).length > 0 ? remember(place, JSON.stringify(all)) : forget(place))),
    [texts, place],
  );
  return <TextsContext value={texts}>{children}</TextsContext>;
}
