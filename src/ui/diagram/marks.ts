/** What a diagram shows of a job besides the plant: by ids of sections, links and outlets. */
export interface Marks {
  /** Sections that are worked on. */
  readonly work?: readonly string[];
  /** Links on the routes that are shown lit. */
  readonly lit?: readonly string[];
  readonly planned?: readonly string[];
  readonly locked?: readonly string[];
  readonly opened?: readonly string[];
  /** Points found as drawn, with who and when. */
  readonly asBuilt?: Readonly<Record<string, string>>;
  /** The number of the set that earths a conductor, by outlet. */
  readonly earths?: Readonly<Record<string, string>>;
  /** The number of each point in the order of work. */
  readonly order?: Readonly<Record<string, number>>;
}

/** What can be pressed on a diagram, and what happens then; what is left out cannot be pressed. */
export interface Presses {
  readonly onLink?: (id: string) => void;
  readonly onOutlet?: (id: string) => void;
  readonly onSection?: (id: string) => void;
  /** Shows what hangs on a section and is not drawn. */
  readonly onMore?: (section: string) => void;
}

type Listed = 'work' | 'lit' | 'planned' | 'locked' | 'opened';

/** Marks as they are looked up. */
export interface MarkSets extends Readonly<Record<Listed, ReadonlySet<string>>> {
  readonly asBuilt: Readonly<Record<string, string>>;
  readonly earths: Readonly<Record<string, string>>;
  readonly order: Readonly<Record<string, number>>;
}

export const toSets = (marks: Marks): MarkSets => ({
  work: new Set(marks.work),
  lit: new Set(marks.lit),
  planned: new Set(marks.planned),
  locked: new Set(marks.locked),
  opened: new Set(marks.opened),
  asBuilt: marks.asBuilt ?? {},
  earths: marks.earths ?? {},
  order: marks.order ?? {},
});
