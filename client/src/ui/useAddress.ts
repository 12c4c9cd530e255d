import { useNavigate, useSearchParams } from 'react-router';

/** The choice that narrows nothing down stands nowhere in the address. */
export const all = 'all';

/**
 * What is asked in the address: filters, tabs, what is open. The address is the state itself, so that back and forward go through what
 * was asked and a link that is sent asks the same. What is typed takes the place of the letter before; anything else can be gone back from.
 */
export function useAddress() {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const ask = (change: Record<string, string | null>, typed = false) => {
    // From the address as it is now: two changes may fall into one press.
    const { pathname, search, hash } = window.location;
    const next = new URLSearchParams(search);
    for (const [name, value] of Object.entries(change))
      if (value === null || value === '' || value === all) next.delete(name);
      else next.set(name, value);
    if (next.toString() === new URLSearchParams(search).toString()) return;
    void navigate({ pathname, search: next.toString(), hash }, { replace: typed });
  };
  return { asked: (name: string) => params.get(name), ask };
}
