import { memo } from 'react';
import type { Diagram, DrawnLink } from '../../core/plant/drawing';
import { wordsOfKind } from '../../core/plant/position-words';
import type { MarkSets, Presses } from './marks';
import { pressable } from './pressable';
import { Order, Tick } from './signs';
import { LinkSymbol } from './symbol';

/** How many letters of a tag stand under its symbol before it meets its neighbours. */
const MOST_LETTERS = 10;

function say({ id, kind, normal }: DrawnLink, marks: MarkSets): string {
  const words = wordsOfKind(kind);
  const state = marks.locked.has(id)
    ? 'locked'
    : marks.planned.has(id)
      ? `to be isolated: ${words.isolate} and lock`
      : `normally ${words[normal]}`;
  const seen = marks.asBuilt[id];
  return `${id}: ${kind.replaceAll('-', ' ')}, ${state}${marks.lit.has(id) ? ', on the lit route' : ''}${seen ? `; as built: ${seen}` : ''}`;
}

function Symbol({
  link,
  marks,
  onLink,
}: {
  readonly link: DrawnLink;
  readonly marks: MarkSets;
  readonly onLink: Presses['onLink'];
}) {
  const { id, kind, normal, x, y } = link;
  const isPlanned = marks.planned.has(id);
  const title = say(link, marks);
  const press = pressable(id, title, onLink && (() => onLink(id)));
  return (
    <g
      transform={`translate(${x},${y})`}
      {...press}
      className={`${marks.lit.has(id) ? 'text-warning' : 'text-base-content'} ${onLink ? 'cursor-pointer' : ''}`}
    >
      <title>{title}</title>
      <rect x="-15" y="-15" width="30" height="42" className="fill-transparent" />
      {isPlanned && (
        <rect
          x="-16"
          y="-14"
          width="32"
          height="28"
          className="fill-none stroke-info"
          strokeWidth="2.5"
          strokeDasharray={marks.locked.has(id) ? undefined : '4 3'}
        />
      )}
      <LinkSymbol kind={kind} closed={isPlanned || normal === 'closed'} />
      <text y="26" fontSize="12" textAnchor="middle" className="fill-current font-mono">
        {id.length > MOST_LETTERS ? `${id.slice(0, MOST_LETTERS - 1)}…` : id}
      </text>
      {marks.asBuilt[id] && <Tick x={11} y={-9} />}
      <Order at={marks.order[id]} x={-18} y={-16} />
    </g>
  );
}

/** The links of a diagram as symbols: dashed frame when planned, whole when locked. */
export const Symbols = memo(function Symbols({
  links,
  marks,
  onLink,
}: {
  readonly links: Diagram['links'];
  readonly marks: MarkSets;
  readonly onLink: Presses['onLink'];
}) {
  return links.map((link) => <Symbol key={link.id} link={link} marks={marks} onLink={onLink} />);
});

/** The lines between them; those of lit routes thick. */
export const Lines = memo(function Lines({
  lines,
  lit,
}: {
  readonly lines: Diagram['lines'];
  readonly lit: ReadonlySet<string>;
}) {
  // What is lit lies over what is not.
  const sorted = [...lines].sort((a, b) => Number(lit.has(a.link)) - Number(lit.has(b.link)));
  return sorted.map(({ link, points }, index) => (
    <polyline
      key={`${link}-${index}`}
      points={points.map((point) => point.join(',')).join(' ')}
      className={`fill-none ${lit.has(link) ? 'stroke-warning' : 'stroke-base-content/60'}`}
      strokeWidth={lit.has(link) ? 4 : 1.25}
    />
  ));
});
