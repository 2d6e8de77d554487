'use client';

import dynamic from 'next/dynamic';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import { LaneGrounds, LaneNames } from './lanes';
import { Lines, Symbols } from './links';
import { toSets, type Marks, type Presses } from './marks';
import { Minimap } from './minimap';
import { findSpot } from './places';
import { Plates } from './plates';
import { useZoom } from './use-zoom';

/** A phone does without. */
const DiagramTools = dynamic(() => import('./tools').then((file) => file.DiagramTools));

const NO_MARKS: Marks = {};
const NO_PRESSES: Presses = {};

/** What stands on a diagram: lanes, lines, symbols, plates, and a ring round what is looked for. */
export function DiagramBody({
  drawing,
  marks,
  presses = NO_PRESSES,
  ringed,
}: {
  readonly drawing: Diagram;
  readonly marks: Marks;
  readonly presses?: Presses;
  readonly ringed?: string | undefined;
}) {
  const sets = useMemo(() => toSets(marks), [marks]);
  const ring = findSpot(drawing, ringed);
  return (
    <>
      <LaneGrounds drawing={drawing} />
      <Lines lines={drawing.lines} lit={sets.lit} />
      <Plates sections={drawing.sections} marks={sets} presses={presses} />
      <Symbols links={drawing.links} marks={sets} onLink={presses.onLink} />
      {ring && (
        <ellipse
          cx={ring.x}
          cy={ring.y}
          rx={ring.rx}
          ry={ring.ry}
          fill="none"
          stroke="currentColor"
          strokeWidth={3}
          className="pointer-events-none text-primary"
        />
      )}
    </>
  );
}

const describe = ({ sections, links }: Diagram, lit: readonly string[] = []) =>
  `Plant diagram with ${sections.length} sections and ${links.length} links${lit.length > 0 ? `; lit route: ${lit.join(', ')}` : ''}`;

/**
 * The plant by energy, in a lane for each carrier: sections as plates, links as symbols, routes lit. Drag to move, Ctrl and wheel to zoom;
 * with the keyboard arrows, + and −, 0 for all of it and Home for its middle.
 */
export function PlantDiagram({
  drawing,
  marks = NO_MARKS,
  presses = NO_PRESSES,
  height = 380,
  focus,
  isSmall = false,
  children,
}: {
  readonly drawing: Diagram;
  readonly marks?: Marks;
  readonly presses?: Presses;
  readonly height?: number | string;
  /** A link, outlet or section to stand in the middle, ringed. */
  readonly focus?: string | undefined;
  /** Without tools: on a phone. */
  readonly isSmall?: boolean;
  /** More tools, beside those of the diagram. */
  readonly children?: ReactNode;
}) {
  const whole = useRef<HTMLDivElement>(null);
  const [found, setFound] = useState<string>();
  const middle = focus ?? marks.work?.[0];
  const { frame, view, size, look, goTo, showAll, zoomBy, onKeyDown } = useZoom(drawing, middle);
  const isWhole = drawing.width * view.k <= size.width && drawing.height * view.k <= size.height;
  const find = (id: string) => {
    setFound(id);
    goTo(id);
    // Where it can be pressed, the next key presses it.
    const part = frame.current?.querySelector(`[data-tag="${CSS.escape(id)}"]`);
    (part instanceof SVGElement ? part : frame.current)?.focus();
  };
  const toggleFull = () =>
    void (document.fullscreenElement
      ? document.exitFullscreen()
      : whole.current?.requestFullscreen());
  return (
    <div
      ref={whole}
      className="group relative flex flex-col bg-base-100 [&:fullscreen]:h-screen [&:fullscreen]:p-2"
    >
      {!isSmall && (
        <DiagramTools
          drawing={drawing}
          onFind={find}
          onZoom={zoomBy}
          onAll={showAll}
          onFull={toggleFull}
        >
          {children}
        </DiagramTools>
      )}
      <div className="relative min-h-0 group-[&:fullscreen]:grow" style={{ height }}>
        <svg
          ref={frame}
          tabIndex={0}
          onKeyDown={onKeyDown}
          className="h-full w-full touch-none border border-base-300 bg-base-100"
          role="group"
          aria-label={describe(drawing, marks.lit)}
        >
          <g transform={`translate(${view.x},${view.y}) scale(${view.k})`}>
            <DiagramBody
              drawing={drawing}
              marks={marks}
              presses={presses}
              ringed={found ?? focus}
            />
          </g>
          {!isSmall && <LaneNames lanes={drawing.lanes} view={view} height={size.height} />}
        </svg>
        {!isSmall && !isWhole && (
          <Minimap
            drawing={drawing}
            work={new Set(marks.work)}
            view={view}
            size={size}
            onMove={(x, y) => look(x, y, view.k)}
          />
        )}
      </div>
    </div>
  );
}

/** A whole diagram as it is printed, as large as the paper lets it be. */
export function PrintedDiagram({
  drawing,
  marks,
}: {
  readonly drawing: Diagram;
  readonly marks: Marks;
}) {
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      className="max-h-[165mm] w-full"
      role="img"
      aria-label={describe(drawing)}
    >
      <DiagramBody drawing={drawing} marks={marks} />
    </svg>
  );
}
