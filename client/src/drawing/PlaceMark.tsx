import type { ReactNode } from 'react';

const line = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 1.2,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;
const land = { ...line, fill: 'var(--land)' };
const water = { fill: 'var(--water)' };

const Tree = ({ x, y, r = 8 }: { x: number; y: number; r?: number }) => (
  <g {...line}>
    <path d={`M${x},${y}v${-r * 0.9}`} />
    <circle cx={x} cy={y - r * 1.5} r={r} fill="var(--land)" />
  </g>
);

const Wave = ({ x, y, w = 10 }: { x: number; y: number; w?: number }) => (
  <path {...line} stroke="var(--soft)" d={`M${x},${y}q${w / 4},-3 ${w / 2},0t${w / 2},0`} />
);

/** Somebody casting, seen from the side: rod back, line out behind. */
function Caster({ x, y, back }: { x: number; y: number; back: string }) {
  return (
    <g {...line}>
      <circle cx={x} cy={y - 21} r="3" fill="var(--sheet)" />
      <path d={`M${x},${y - 18}v10M${x},${y - 8}l-3,8M${x},${y - 8}l3,8M${x},${y - 15}l-5,-1`} />
      <path d={`M${x - 5},${y - 16}l-7,-16`} />
      <path d={`M${x - 12},${y - 32}${back}`} stroke="var(--signal)" strokeWidth="1.6" />
    </g>
  );
}

// Each 96 by 52, from the side or a little from above.
const waters: Record<string, ReactNode> = {
  smallStream: (
    <>
      <path {...land} d="M0,52V30q20,-4 34,2q8,8 2,20zM96,52V26q-22,0 -34,8q-6,8 2,18z" />
      <path {...water} d="M34,32q8,8 2,20h28q-8,-10 -2,-18q-6,-10 -8,-14h-8q-4,6 -12,12z" />
      <Tree x={14} y={31} r={10} />
      <Tree x={80} y={29} r={11} />
      <Tree x={30} y={27} r={6} />
      <Wave x={44} y={42} />
      <Wave x={48} y={32} w={7} />
    </>
  ),
  river: (
    <>
      <path {...water} d="M0,28q30,-8 96,-2v22q-50,8 -96,-2z" />
      <path {...land} d="M0,28q30,-8 96,-2v-6q-50,-6 -96,2zM0,46q46,10 96,2v4h-96z" />
      <Tree x={78} y={21} r={6} />
      <Wave x={14} y={36} w={14} />
      <Wave x={42} y={33} w={14} />
      <Wave x={62} y={41} w={14} />
      <path {...line} d="M30,43l4,-5l5,1l3,5z" fill="var(--land)" />
    </>
  ),
  stillwater: (
    <>
      <path {...land} d="M0,24q14,-10 26,-4t24,-2t26,2t20,-1v10h-96z" />
      <path {...water} d="M0,27h96v25h-96z" />
      <path {...line} stroke="var(--soft)" d="M30,36h22M58,42h20M36,46h12" />
      <path {...line} d="M8,48v-16M12,49v-20M16,48v-14M11,28v-4" strokeWidth="1.6" />
    </>
  ),
  flat: (
    <>
      <path {...water} d="M0,26h96v26h-96z" />
      <path {...line} stroke="var(--soft)" d="M10,34h18M40,32h22M70,36h14" />
      <path {...land} d="M0,46q24,-6 48,0t48,-1v7h-96z" />
      <circle cx="76" cy="12" r="6" {...line} fill="var(--sheet)" />
      <path {...line} d="M6,26q8,-9 22,-8q-3,5 -6,8zM12,26v4M17,26v4M22,26v4" fill="var(--land)" />
    </>
  ),
  shore: (
    <>
      <path {...water} d="M0,24h96v28h-96z" />
      <path {...line} stroke="var(--soft)" d="M8,24h50" />
      <path {...land} d="M96,52V16l-14,2l-8,12l-12,2l-8,12l-14,8z" />
      <path {...line} fill="var(--sheet)" d="M0,40q10,-12 22,-8q6,4 2,8q-4,-4 -8,0q-8,6 -16,4z" />
      <Wave x={26} y={33} w={12} />
      <Wave x={20} y={47} w={12} />
    </>
  ),
};

const rooms: Record<string, ReactNode> = {
  open: (
    <>
      <path {...land} d="M0,46h70q12,0 14,6h-84z" />
      <path {...water} d="M72,46h24v6h-12q-2,-5 -12,-6z" />
      <Caster x={68} y={46} back="q-16,-6 -34,-3q-10,1 -10,5q2,4 12,1" />
    </>
  ),
  behind: (
    <>
      <path {...land} d="M0,46h70q12,0 14,6h-84z" />
      <path {...water} d="M72,46h24v6h-12q-2,-5 -12,-6z" />
      <Tree x={10} y={46} r={9} />
      <Tree x={25} y={46} r={7} />
      <Caster x={68} y={46} back="q-8,-10 -20,-9q-8,1 -8,4q2,3 8,1" />
    </>
  ),
  canopy: (
    <>
      <path {...land} d="M0,46h70q12,0 14,6h-84z" />
      <path {...water} d="M72,46h24v6h-12q-2,-5 -12,-6z" />
      <path {...land} d="M0,0h96v7q-8,6 -14,1q-8,7 -16,1q-8,7 -17,1q-9,7 -17,0q-8,6 -16,0q-9,6 -16,-1z" />
      <path {...line} d="M12,46V8M12,20l8,-8" strokeWidth="2.5" />
      <Caster x={68} y={46} back="q-8,8 -22,10q-6,1 -6,-2q2,-3 8,-2" />
    </>
  ),
};

const Framed = ({ children }: { children: ReactNode }) => (
  <svg viewBox="0 0 96 52" className="block w-full" aria-hidden>
    {children}
  </svg>
);

/** A kind of water. */
export const WaterMark = ({ kind }: { kind: string }) => <Framed>{waters[kind]}</Framed>;

/** How much room is behind somebody who casts. */
export const RoomMark = ({ kind }: { kind: string }) => <Framed>{rooms[kind]}</Framed>;

/** So many coins; none for as many as it takes. */
export const MoneyMark = ({ stacks }: { stacks: number | null }) => (
  <Framed>
    {Array.from({ length: stacks ?? 1 }, (_, i) => (
      <g key={i} transform={`translate(${48 + (i - ((stacks ?? 1) - 1) / 2) * 26},0)`} {...line} fill="var(--sheet)">
        {stacks === null ? (
          <>
            <path d="M-9,14q9,6 18,0q12,20 4,30q-13,8 -26,0q-8,-10 4,-30z" fill="var(--land)" />
            <path d="M-9,14q9,6 18,0l-3,-7q-6,4 -12,0z" />
          </>
        ) : (
          Array.from({ length: 2 + i * 2 }, (_, coin) => (
            <g key={coin}>
              <path d={`M-10,${42 - coin * 5}v4a10,3.4 0 0 0 20,0v-4`} />
              <ellipse cx="0" cy={42 - coin * 5} rx="10" ry="3.4" />
            </g>
          ))
        )}
      </g>
    ))}
  </Framed>
);
