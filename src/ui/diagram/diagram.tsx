'use client';

import { select, zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3';
import { useEffect, useRef, useState } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import { wordsOfKind } from '../../core/plant/position-words';
import { LinkSymbol } from './symbol';

const ENERGY_MARK: Readonly<Record<string, string>> = {
  electrical: 'E',
  mechanical: 'M',
  pressure: 'P',
  process: 'F',
  thermal: 'T',
  gravity: 'G',
  radiation: 'R',
};

/** What can be chosen on the diagram. */
export type Pick = (kind: 'link' | 'outlet', id: string) => void;

interface Marks {
  readonly work: ReadonlySet<string>;
  readonly route: ReadonlySet<string>;
  readonly planned: ReadonlySet<string>;
  readonly locked: ReadonlySet<string>;
  readonly opened: ReadonlySet<string>;
  /** Points found as drawn, with who and when. */
  readonly asBuilt: Readonly<Record<string, string>>;
}

/** A small tick: found in the field as it is drawn. */
const Tick = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <path d={`M${x},${y} l3,4 l6,-8`} className="fill-none stroke-success" strokeWidth="2" />
);

/** The outlets of a section, hanging below its plate: hollow while shut, filled when the plan opens them. */
function Outlets({
  section,
  marks,
  onPick,
}: {
  readonly section: Diagram['sections'][number];
  readonly marks: Marks;
  readonly onPick?: Pick;
}) {
  return section.outlets.map(({ id, kind }, at) => {
    const isOpen = marks.opened.has(id);
    const seen = marks.asBuilt[id];
    return (
      <g
        key={id}
        transform={`translate(${14 + at * 22},${section.height})`}
        className={onPick ? 'cursor-pointer' : ''}
        onClick={onPick ? () => onPick('outlet', id) : undefined}
      >
        <title>{`${id}: ${kind}, ${isOpen ? 'to be opened' : 'shut'}${seen ? `; as built: ${seen}` : ''}`}</title>
        <rect x="-8" width="16" height="12" className="fill-transparent" />
        <path
          d="M0,0 V3 M-5,3 H5 L0,11 Z"
          className={isOpen ? 'fill-info stroke-info' : 'fill-base-100 stroke-base-content/60'}
        />
        {seen && <Tick x={6} y={6} />}
      </g>
    );
  });
}

function Sections({
  drawing,
  marks,
  onPick,
}: {
  readonly drawing: Diagram;
  readonly marks: Marks;
  readonly onPick?: Pick;
}) {
  const { work } = marks;
  return drawing.sections.map((section) => (
    <g key={section.id} transform={`translate(${section.x},${section.y})`}>
      <title>{`${section.id}: ${section.name} (${section.energy}${section.source ? ', a source' : ''})`}</title>
      <rect
        width={section.width}
        height={section.height}
        rx={section.source ? 17 : 2}
        className={
          work.has(section.id)
            ? 'fill-base-300 stroke-base-content'
            : 'fill-base-200 stroke-base-content/60'
        }
        strokeWidth={work.has(section.id) ? 3 : 1}
      />
      <text x="8" y="14" fontSize="11" className="fill-current font-mono">
        {section.id}
      </text>
      <text x="8" y="27" fontSize="9" className="fill-current">
        {section.name.length > 24 ? `${section.name.slice(0, 23)}…` : section.name}
      </text>
      <text
        x={section.width - 6}
        y="14"
        fontSize="10"
        textAnchor="end"
        className="fill-current font-bold"
      >
        {ENERGY_MARK[section.energy]}
      </text>
      <Outlets section={section} marks={marks} onPick={onPick} />
    </g>
  ));
}

function Links({
  drawing,
  marks,
  onPick,
}: {
  readonly drawing: Diagram;
  readonly marks: Marks;
  readonly onPick?: Pick;
}) {
  return drawing.links.map((link) => {
    const lit = marks.route.has(link.id);
    const planned = marks.planned.has(link.id);
    const locked = marks.locked.has(link.id);
    const seen = marks.asBuilt[link.id];
    const closed = planned || link.normal === 'closed';
    const state = locked
      ? 'locked'
      : planned
        ? `to be isolated: ${wordsOfKind(link.kind).isolate} and lock`
        : `normally ${wordsOfKind(link.kind)[link.normal]}`;
    return (
      <g
        key={link.id}
        transform={`translate(${link.x},${link.y})`}
        className={`${lit ? 'text-warning' : 'text-base-content'} ${onPick ? 'cursor-pointer' : ''}`}
        onClick={onPick ? () => onPick('link', link.id) : undefined}
      >
        <title>{`${link.id}: ${link.kind}, ${state}${lit ? ', on the lit route' : ''}${seen ? `; as built: ${seen}` : ''}`}</title>
        {onPick && <rect x="-15" y="-13" width="30" height="38" className="fill-transparent" />}
        {planned && (
          <rect
            x="-15"
            y="-13"
            width="30"
            height="26"
            className="fill-none stroke-info"
            strokeWidth="2"
            strokeDasharray={locked ? undefined : '4 3'}
          />
        )}
        <LinkSymbol kind={link.kind} closed={closed} />
        <text y="22" fontSize="9" textAnchor="middle" className="fill-current font-mono">
          {link.id}
        </text>
        {seen && <Tick x={11} y={-9} />}
      </g>
    );
  });
}

/** The ring round a link or outlet. */
const ROUND = { rx: 36, ry: 36 };

/** The middle of a link, of an outlet or of a section of the drawing, and the ring round it. */
function findCentre(drawing: Diagram, id: string | undefined) {
  const link = drawing.links.find((one) => one.id === id);
  if (link) return { x: link.x, y: link.y, ...ROUND };
  const section = drawing.sections.find(
    (one) => one.id === id || one.outlets.some((outlet) => outlet.id === id),
  );
  if (!section) return undefined;
  const { x, y, width, height, outlets } = section;
  const at = outlets.findIndex((outlet) => outlet.id === id);
  return at < 0
    ? { x: x + width / 2, y: y + height / 2, rx: width * 0.62, ry: height * 0.95 }
    : { x: x + 14 + at * 22, y: y + height + 6, ...ROUND };
}

/** The scale at which codes are read at arm's length. */
const CLOSE_UP = 1.4;

/** The plant by energy: sections as plates, links as symbols, one route lit. Drag to move, Ctrl and wheel to zoom. */
export function PlantDiagram({
  drawing,
  work = [],
  route = [],
  planned = [],
  locked = [],
  opened = [],
  asBuilt = {},
  height = 300,
  focus,
  onPick,
}: {
  readonly drawing: Diagram;
  readonly work?: readonly string[];
  readonly route?: readonly string[];
  readonly planned?: readonly string[];
  readonly locked?: readonly string[];
  readonly opened?: readonly string[];
  readonly asBuilt?: Readonly<Record<string, string>>;
  readonly height?: number;
  /** A link, outlet or section to stand in the middle, ringed. */
  readonly focus?: string;
  readonly onPick?: Pick;
}) {
  const frame = useRef<SVGSVGElement>(null);
  const [zooming, setZooming] = useState<ZoomBehavior<SVGSVGElement, unknown>>();
  const middle = work[0];
  const least = focus !== undefined ? CLOSE_UP : middle === undefined ? 0.42 : 0.72;
  const [view, setView] = useState({ x: 8, y: 8, k: 1 });
  useEffect(() => {
    const svg = frame.current;
    if (!svg) return;
    const behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.15, 3])
      .filter((event: MouseEvent) => (event.type === 'wheel' ? event.ctrlKey : event.button === 0))
      .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => {
        const { x, y, k } = event.transform;
        setView({ x, y, k });
      });
    const wide = svg.clientWidth;
    const scale = Math.max(
      Math.min(1.2, (wide - 16) / drawing.width, (height - 16) / drawing.height),
      least,
    );
    const centre = findCentre(drawing, focus) ?? findCentre(drawing, middle);
    const fits = drawing.width * scale <= wide;
    const x = centre && !fits ? wide / 2 - centre.x * scale : 8;
    const y = centre ? height / 2 - centre.y * scale : 8;
    const start = zoomIdentity.translate(x, y).scale(scale);
    select(svg)
      .call(behaviour)
      .call((selection) => behaviour.transform(selection, start));
    setZooming(() => behaviour);
  }, [drawing, height, least, middle, focus]);
  const ring = findCentre(drawing, focus);
  const zoomBy = (factor: number) => {
    const svg = frame.current;
    if (svg && zooming) select(svg).call((selection) => zooming.scaleBy(selection, factor));
  };
  const marks = {
    work: new Set(work),
    route: new Set(route),
    planned: new Set(planned),
    locked: new Set(locked),
    opened: new Set(opened),
    asBuilt,
  };
  return (
    <div className="relative">
      <div className="no-print absolute top-1 right-1 flex gap-1">
        <button className="btn btn-xs" aria-label="larger" onClick={() => zoomBy(1.3)}>
          +
        </button>
        <button className="btn btn-xs" aria-label="smaller" onClick={() => zoomBy(1 / 1.3)}>
          −
        </button>
      </div>
      <svg
        ref={frame}
        height={height}
        className="w-full touch-none border border-base-300 bg-base-100"
        role="img"
        aria-label={`Plant diagram with ${drawing.sections.length} sections and ${drawing.links.length} links${route.length > 0 ? `; lit route: ${route.join(', ')}` : ''}`}
      >
        <g transform={`translate(${view.x},${view.y}) scale(${view.k})`}>
          {drawing.lines.map(({ link, points }, index) => (
            <polyline
              key={`${link}-${index}`}
              points={points.map((point) => point.join(',')).join(' ')}
              className={`fill-none ${marks.route.has(link) ? 'stroke-warning' : 'stroke-base-content/60'}`}
              strokeWidth={marks.route.has(link) ? 4 : 1}
            />
          ))}
          <Sections drawing={drawing} marks={marks} onPick={onPick} />
          <Links drawing={drawing} marks={marks} onPick={onPick} />
          {ring && (
            <ellipse
              cx={ring.x}
              cy={ring.y}
              rx={ring.rx}
              ry={ring.ry}
              fill="none"
              stroke="currentColor"
              strokeWidth={3}
              className="text-primary"
            />
          )}
        </g>
      </svg>
    </div>
  );
}
