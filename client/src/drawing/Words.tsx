import type { SVGProps } from 'react';

type Props = Omit<SVGProps<SVGTextElement>, 'fontSize' | 'textAnchor' | 'ref'> & {
  size?: number | string;
  anchor?: 'start' | 'middle' | 'end' | undefined;
  bold?: boolean | undefined;
  /** Beside the point: in the softer ink. */
  soft?: boolean | undefined;
  /** Kept readable over lines, by an edge of what lies under it. */
  halo?: 'paper' | 'sheet' | 'water' | 'land' | undefined;
};

/** Words in a drawing. */
export const Words = ({ size = 12, anchor, bold, soft, halo, ...text }: Props) => (
  <text
    fontSize={size}
    textAnchor={anchor}
    fontWeight={bold ? 700 : undefined}
    fill={soft ? 'var(--soft)' : 'var(--ink)'}
    {...(halo && { stroke: `var(--${halo})`, strokeWidth: 3.5, paintOrder: 'stroke' })}
    {...text}
  />
);
