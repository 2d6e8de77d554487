import type { Diagram } from '../../core/plant/drawing';

/** A place on a diagram, and how much room what stands there takes (half widths, pixels). */
export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly rx: number;
  readonly ry: number;
}

/** Where the outlets of a section hang, from its upper left corner. */
export const OUTLET = { first: 16, apart: 22 } as const;
const ROUND = 36;

/** Where a link, an outlet or a section stands; undefined when it is not on the diagram. */
export function findSpot({ links, sections }: Diagram, id: string | undefined): Spot | undefined {
  if (id === undefined) return undefined;
  const link = links.find((one) => one.id === id);
  if (link) return { x: link.x, y: link.y, rx: ROUND, ry: ROUND };
  const section = sections.find(
    (one) => one.id === id || one.outlets.some((outlet) => outlet.id === id),
  );
  if (!section) return undefined;
  const { x, y, width, height, outlets } = section;
  const at = outlets.findIndex((outlet) => outlet.id === id);
  return at < 0
    ? { x: x + width / 2, y: y + height / 2, rx: width * 0.62, ry: height * 0.95 }
    : { x: x + OUTLET.first + at * OUTLET.apart, y: y + height + 6, rx: ROUND, ry: ROUND };
}

/** Everything on a diagram that has a tag, for whoever looks for one. */
export const listTags = ({ links, sections }: Diagram) => [
  ...sections.map(({ id, name }) => ({ id, name })),
  ...links.map(({ id, kind }) => ({ id, name: kind.replaceAll('-', ' ') })),
  ...sections.flatMap(({ outlets, name }) =>
    outlets.map(({ id, kind }) => ({ id, name: `${kind} of ${name}` })),
  ),
];
