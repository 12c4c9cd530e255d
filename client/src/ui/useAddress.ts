import { useNavigate, useSearchParams } from 'react-router';

/** The choice that filters nothing is not in the address. */
export const all = 'all';

/**
 * State kept in the address: filters, tabs, what is open; so back and forward work, and a link can be shared. Typing replaces the history
 * entry; any other change adds one.
 */
export function useAddress() {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const ask = (change: Record<string, string | null>, typed = false) => {
    // From the present address, because two changes may happen within one press.
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
