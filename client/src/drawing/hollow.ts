import type { Link, LinkId } from '../api/client';

/** Whether a link is a piece that nobody here has: it is drawn hollow. */
export const toBuy = (chain: Link[], id: LinkId) => chain.some((link) => link.id === id && link.verdict === 'toBuy');

/** How a piece is inked: full, or hollow with a broken edge. */
export const inkOf = (hollow: boolean, ink: string) =>
  hollow ? { fill: 'var(--paper)', stroke: ink, strokeWidth: 1.2, strokeDasharray: '5 3' } : { fill: ink };
