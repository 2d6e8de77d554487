import type { LinkKind } from './kinds';

/** A drawn diagram: sections and link symbols with places in pixels, and the lines between them. */
export interface Diagram {
  readonly width: number;
  readonly height: number;
  readonly sections: readonly {
    id: string;
    name: string;
    energy: string;
    source: boolean;
    x: number;
    y: number;
    width: number;
    height: number;
    outlets: readonly { id: string; kind: string }[];
  }[];
  readonly links: readonly {
    id: string;
    kind: LinkKind;
    normal: 'open' | 'closed';
    x: number;
    y: number;
  }[];
  readonly lines: readonly { link: string; points: readonly (readonly [number, number])[] }[];
}
