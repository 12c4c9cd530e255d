import { useNavigate } from 'react-router';
import { api, unwrap } from '../../api/client';
import type { BriefWork } from '../../state/useBrief';

/** Begins a rigging ticket for the outfit of a brief, and goes there. */
export function useRigIt(work: BriefWork) {
  const navigate = useNavigate();
  return async () => {
    const { name, draft, pins, off } = work;
    const ticket = await unwrap(
      api.POST('/api/rigging/tickets', { body: { name, solve: { brief: draft, pins, off } } }),
    );
    await navigate(`/rigging/${ticket.id}`);
  };
}
