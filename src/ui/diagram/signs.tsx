/** A small tick: found in the field as it is drawn. */
export const Tick = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <path d={`M${x},${y} l3,4 l6,-8`} className="fill-none stroke-success" strokeWidth="2" />
);

/** The number of a point in the order of work. */
export function Order({
  at,
  x,
  y,
}: {
  readonly at: number | undefined;
  readonly x: number;
  readonly y: number;
}) {
  if (at === undefined) return null;
  return (
    <g transform={`translate(${x},${y})`}>
      <circle r="9" className="fill-base-content" />
      <text y="4" fontSize="12" textAnchor="middle" className="fill-base-100 font-bold">
        {at}
      </text>
    </g>
  );
}
