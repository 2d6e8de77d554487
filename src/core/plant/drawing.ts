import type { Carrier } from './carriers';
import type { LinkKind } from './kinds';

/** A lane of a diagram: what lies in it is carried by one carrier (y and height in pixels). */
export interface Lane {
  readonly carrier: Carrier;
  readonly y: number;
  readonly height: number;
}

/** A section on a diagram: its plate in pixels, its outlets, and how many of its links are not drawn. */
export interface DrawnSection {
  readonly id: string;
  readonly name: string;
  readonly source: boolean;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly outlets: readonly { readonly id: string; readonly kind: string }[];
  readonly more: number;
}

/** A link on a diagram: the middle of its symbol in pixels. */
export interface DrawnLink {
  readonly id: string;
  readonly kind: LinkKind;
  readonly normal: 'open' | 'closed';
  readonly x: number;
  readonly y: number;
}

/** A drawn diagram: sections and link symbols with places in pixels, the lines between them, and the lanes they lie in. */
export interface Diagram {
  readonly width: number;
  readonly height: number;
  readonly lanes: readonly Lane[];
  readonly sections: readonly DrawnSection[];
  readonly links: readonly DrawnLink[];
  readonly lines: readonly { link: string; points: readonly (readonly [number, number])[] }[];
}
