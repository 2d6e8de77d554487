import type { Diagram } from '../../core/plant/drawing';
import { CARRIER_WORDS } from './carrier-words';

/** The ground of each lane: every other one shaded. */
export function LaneGrounds({ drawing }: { readonly drawing: Diagram }) {
  return drawing.lanes.map(({ carrier, y, height }, at) => (
    <rect
      key={carrier}
      x={-4000}
      y={y}
      width={drawing.width + 8000}
      height={height}
      className={at % 2 === 0 ? 'fill-base-100' : 'fill-base-200/50'}
    />
  ));
}

/** What each lane carries, at the left edge whatever part of the diagram is looked at. */
export function LaneNames({
  lanes,
  view,
  height,
}: {
  readonly lanes: Diagram['lanes'];
  readonly view: { readonly y: number; readonly k: number };
  readonly height: number;
}) {
  return lanes.map((lane) => {
    const top = Math.max(lane.y * view.k + view.y, 0);
    const bottom = Math.min((lane.y + lane.height) * view.k + view.y, height);
    if (bottom - top < 20) return null;
    return (
      <g key={lane.carrier} transform={`translate(0,${top + 4})`}>
        <rect width="78" height="18" className="fill-base-300" />
        <text x="6" y="13" fontSize="12" className="fill-base-content font-bold">
          {CARRIER_WORDS[lane.carrier]}
        </text>
      </g>
    );
  });
}
