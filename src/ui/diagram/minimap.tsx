import type { PointerEvent } from 'react';
import type { Diagram } from '../../core/plant/drawing';

const WIDE = 150;
const HIGH = 90;

/** The whole diagram in small, with the part that is looked at framed. A press moves there. */
export function Minimap({
  drawing,
  work,
  view,
  size,
  onMove,
}: {
  readonly drawing: Diagram;
  readonly work: ReadonlySet<string>;
  readonly view: { readonly x: number; readonly y: number; readonly k: number };
  readonly size: { readonly width: number; readonly height: number };
  readonly onMove: (x: number, y: number) => void;
}) {
  const scale = Math.min(WIDE / drawing.width, HIGH / drawing.height);
  const move = ({ currentTarget, clientX, clientY }: PointerEvent<SVGSVGElement>) => {
    const { left, top } = currentTarget.getBoundingClientRect();
    onMove((clientX - left) / scale, (clientY - top) / scale);
  };
  return (
    <svg
      aria-hidden
      width={drawing.width * scale}
      height={drawing.height * scale}
      className="absolute bottom-2 right-2 cursor-pointer border border-base-content/40 bg-base-100/90 print:hidden"
      onPointerDown={move}
    >
      {drawing.sections.map(({ id, x, y, width, height, source }) => (
        <rect
          key={id}
          x={x * scale}
          y={y * scale}
          width={Math.max(width * scale, 2)}
          height={Math.max(height * scale, 2)}
          className={
            work.has(id) ? 'fill-primary' : source ? 'fill-base-content' : 'fill-base-content/40'
          }
        />
      ))}
      <rect
        x={(-view.x / view.k) * scale}
        y={(-view.y / view.k) * scale}
        width={(size.width / view.k) * scale}
        height={(size.height / view.k) * scale}
        className="fill-none stroke-info"
        strokeWidth="2"
      />
    </svg>
  );
}
