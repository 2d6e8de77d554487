import { memo } from 'react';
import type { Diagram, DrawnSection } from '../../core/plant/drawing';
import type { MarkSets, Presses } from './marks';
import { OUTLET } from './places';
import { pressable } from './pressable';
import { Order, Tick } from './signs';

/** How many letters of a name fit on a plate. */
const MOST_LETTERS = 19;
const shorten = (words: string, most: number) =>
  words.length > most ? `${words.slice(0, most - 1)}…` : words;

/** The outlets of a section, hanging below its plate: hollow while shut, filled when the plan opens them. */
function Outlets({
  section,
  marks,
  onOutlet,
}: {
  readonly section: DrawnSection;
  readonly marks: MarkSets;
  readonly onOutlet: Presses['onOutlet'];
}) {
  return section.outlets.map(({ id, kind }, at) => {
    const isOpen = marks.opened.has(id);
    const seen = marks.asBuilt[id];
    const earth = marks.earths[id];
    const title = `${id}: ${kind}, ${earth ? `earthed with ${earth}` : isOpen ? 'to be opened' : 'shut'}${seen ? `; as built: ${seen}` : ''}`;
    return (
      <g
        key={id}
        transform={`translate(${OUTLET.first + at * OUTLET.apart},${section.height})`}
        {...pressable(id, title, onOutlet && (() => onOutlet(id)))}
      >
        <title>{title}</title>
        <rect x="-10" width="20" height="14" className="fill-transparent" />
        <path
          d="M0,0 V3 M-5,3 H5 L0,11 Z"
          className={isOpen ? 'fill-info stroke-info' : 'fill-base-100 stroke-base-content/60'}
        />
        {seen && <Tick x={6} y={6} />}
        {earth && (
          <text y={24} fontSize={12} textAnchor="middle" className="fill-base-content font-mono">
            {earth}
          </text>
        )}
        <Order at={marks.order[id]} x={0} y={20} />
      </g>
    );
  });
}

/** "+6": so many links more hang on a section than are drawn. */
function More({
  section,
  onMore,
}: {
  readonly section: DrawnSection;
  readonly onMore: Presses['onMore'];
}) {
  const { id, more, width } = section;
  if (more === 0) return null;
  const title = `${more} more behind ${id}`;
  return (
    <g
      transform={`translate(${width - 15},-9)`}
      {...pressable(`+${id}`, title, onMore && (() => onMore(id)))}
    >
      <title>{onMore ? `${title}: press to show` : title}</title>
      <rect
        x="-17"
        width="34"
        height="18"
        rx="9"
        className="fill-base-100 stroke-base-content/60"
        strokeDasharray="3 2"
      />
      <text y="13" fontSize="12" textAnchor="middle" className="fill-current">
        +{more}
      </text>
    </g>
  );
}

function Plate({
  section,
  marks,
  presses,
}: {
  readonly section: DrawnSection;
  readonly marks: MarkSets;
  readonly presses: Presses;
}) {
  const { id, name, source, x, y, width, height } = section;
  const isWork = marks.work.has(id);
  const title = `${id}: ${name}${source ? ', a source' : ''}${isWork ? ', worked on' : ''}`;
  const { onSection } = presses;
  return (
    <g transform={`translate(${x},${y})`}>
      <g {...pressable(id, title, onSection && (() => onSection(id)))}>
        <title>{title}</title>
        <rect
          width={width}
          height={height}
          rx={source ? height / 2 : 2}
          className={
            isWork
              ? 'fill-primary stroke-primary'
              : source
                ? 'fill-base-100 stroke-base-content'
                : 'fill-base-200 stroke-base-content/60'
          }
          strokeWidth={source ? 2 : 1}
        />
        <g className={isWork ? 'fill-primary-content' : 'fill-base-content'}>
          <text x={source ? 14 : 8} y="15" fontSize="12" className="font-mono font-bold">
            {shorten(id, source ? 14 : 16)}
          </text>
          <text x={source ? 14 : 8} y="30" fontSize="12">
            {shorten(name, source ? MOST_LETTERS - 3 : MOST_LETTERS)}
          </text>
        </g>
      </g>
      <Outlets section={section} marks={marks} onOutlet={presses.onOutlet} />
      <More section={section} onMore={presses.onMore} />
    </g>
  );
}

/** The sections of a diagram: sources rounded, the work filled. */
export const Plates = memo(function Plates({
  sections,
  marks,
  presses,
}: {
  readonly sections: Diagram['sections'];
  readonly marks: MarkSets;
  readonly presses: Presses;
}) {
  return sections.map((section) => (
    <Plate key={section.id} section={section} marks={marks} presses={presses} />
  ));
});
