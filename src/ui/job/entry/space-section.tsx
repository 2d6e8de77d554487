'use client';

import { scaleLinear } from 'd3';
import type { Space } from '../../../core/space';
import { HOSE_END_M } from '../../../core/space/purge';

const WIDTH = 340;
const HEIGHT = 240;
const TOP = 60;
const FLOOR = 214;

/** The space cut through: where the blower takes its air, where the hose ends, where it is sampled. Heights are to scale. */
export function SpaceSection({ space }: { readonly space: Space | undefined }) {
  const depth = space?.depth_m ?? 2;
  const y = scaleLinear([0, depth], [FLOOR, TOP]);
  const hose = y(Math.min((HOSE_END_M[0] + HOSE_END_M[1]) / 2, depth / 2));
  const levels = [
    ['top', y(depth * 0.92)],
    ['middle', y(depth / 2)],
    ['bottom', y(Math.min(0.15, depth / 10))],
  ] as const;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`Section of ${space?.name ?? 'the space'}: hose end ${HOSE_END_M[0]} to ${HOSE_END_M[1]} m above the floor, blower intake upwind outside`}
      className="w-full max-w-md border border-base-content/40 bg-base-100"
    >
      <path
        d={`M0 ${TOP}H130M190 ${TOP}H${WIDTH}M110 ${TOP}V${FLOOR}H290V${TOP}`}
        className="fill-none stroke-base-content"
        strokeWidth={3}
      />
      <path
        d={`M34 40H160V${hose}`}
        className="fill-none stroke-primary"
        strokeWidth={5}
        strokeLinejoin="round"
      />
      <rect
        x={14}
        y={28}
        width={28}
        height={24}
        className="fill-base-100 stroke-primary"
        strokeWidth={3}
      />
      <text x={14} y={18} className="fill-base-content text-[11px]">
        blower, upwind, away from exhausts
      </text>
      <path d={`M154 ${hose}L160 ${hose + 9}L166 ${hose}Z`} className="fill-primary" />
      <text x={172} y={hose - 2} className="fill-base-content text-[11px]">
        {HOSE_END_M[0]} to {HOSE_END_M[1]} m up
      </text>
      {levels.map(([level, at]) => (
        <g key={level} transform={`translate(272 ${at})`}>
          <path d="M-6 0H6M0-6V6" className="stroke-base-content" strokeWidth={2} />
          <text x={-10} y={4} textAnchor="end" className="fill-base-content text-[10px]">
            {level}
          </text>
        </g>
      ))}
      <text x={296} y={(TOP + FLOOR) / 2} className="fill-base-content font-mono text-[11px]">
        {space?.depth_m === undefined ? 'depth?' : `${depth} m`}
      </text>
    </svg>
  );
}
