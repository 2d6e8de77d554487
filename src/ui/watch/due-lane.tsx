import type { ScaleTime } from 'd3';
import type { NextUp } from '../../core/watch';
import { useMoments } from '../kit/moment';

/** Room that a job's number takes beside its flag (pixels). */
const WIDE = 54;
const TRACKS = 3;
const TRACK = 15;
export const DUE_HEIGHT = TRACKS * TRACK + 6;

/** What is due in the hours ahead, each as a flag at its moment; flags that would lie over each other go to the next track. */
export function DueLane({
  queue,
  scale,
}: {
  readonly queue: readonly NextUp[];
  readonly scale: ScaleTime<number, number>;
}) {
  const { time } = useMoments();
  const [from, to] = scale.domain();
  const ends = Array.from({ length: TRACKS }, () => -Infinity);
  const due = queue
    .filter(
      ({ at }) => at !== undefined && new Date(at) >= (from ?? 0) && new Date(at) <= (to ?? 0),
    )
    .map((next) => ({ next, x: scale(new Date(next.at ?? '')) }))
    .sort((a, b) => a.x - b.x);
  return due.map(({ next, x }, n) => {
    const track = ends.findIndex((end) => end <= x);
    if (track >= 0) ends[track] = x + WIDE;
    const y = Math.max(0, track) * TRACK;
    return (
      <g key={`${next.job} ${next.what} ${n}`} transform={`translate(${x},${y})`}>
        <title>{`${time(next.at ?? '')} ${next.job}: ${next.what}; ${next.who}`}</title>
        <path d={`M0,${DUE_HEIGHT - y} V2 L7,6 L0,10`} className="fill-primary stroke-primary" />
        {track >= 0 && (
          <text x={10} y={11} fontSize={12} className="fill-base-content font-mono">
            {next.job}
          </text>
        )}
      </g>
    );
  });
}
