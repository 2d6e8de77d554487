import loadHighs from 'highs';
import {
  computeCost,
  comesOver,
  findBackPressure,
  isThrough,
  leadsToSafety,
  type Requirement,
} from '../../src/core/isolation';
import { modesBefore, ITSELF, LEAKED, MODES } from '../../src/core/isolation/modes';
import {
  canStandOpen,
  linksOf,
  otherEnd,
  type IsolationPlan,
  type PlantGraph,
} from '../../src/core/plant';

/**
 * The least effort of a job as an integer programme, apart from the planner's search: one 0-1 variable a point, and for each rule of the check
 * labels that spread from the work over whatever is not closed. A general solver (HiGHS) finds the optimum. Earths, reliefs,
 * interlocks and stores that are released elsewhere are left out: jobs that have them are not asked (see `isExpressible`).
 */
class Programme {
  private readonly rows: string[] = [];
  private readonly binaries = new Set<string>();
  private readonly free = new Set<string>();
  private readonly bounded = new Set<string>();
  readonly costs = new Map<string, number>();

  binary(name: string, cost = 0): string {
    this.binaries.add(name);
    if (cost > 0) this.costs.set(name, cost);
    return name;
  }

  /** A label between 0 and `most`. */
  label(name: string, most = 1): string {
    this.bounded.add(`0 <= ${name} <= ${most}`);
    return name;
  }

  flow(name: string): string {
    this.free.add(name);
    return name;
  }

  /** The sum of terms is at least a bound. */
  atLeast(terms: readonly (readonly [number, string])[], bound: number): void {
    const sum = terms
      .map(([by, name]) => `${by < 0 ? '-' : '+'} ${Math.abs(by)} ${name}`)
      .join(' ');
    this.rows.push(`r${this.rows.length}: ${sum} >= ${bound}`);
  }

  write(): string {
    const sum = [...this.costs].map(([name, cost]) => `+ ${cost} ${name}`).join(' ');
    return [
      'Minimize',
      ` obj: ${sum || '0 nothing'}`,
      'Subject To',
      ...this.rows.map((row) => ` ${row}`),
      'Bounds',
      ...[...this.bounded].map((bound) => ` ${bound}`),
      ...[...this.free].map((name) => ` ${name} free`),
      'Binary',
      ` ${[...this.binaries].join('\n ')}`,
      'End',
    ].join('\n');
  }
}

type Term = readonly [number, string];

class Writer {
  private readonly made = new Programme();
  private readonly many: number;

  constructor(
    private readonly graph: PlantGraph,
    private readonly requirement: Requirement,
  ) {
    this.many = 2 * graph.sections.length;
  }

  private get sections(): number[] {
    return [...this.graph.sections.keys()];
  }

  private get links(): number[] {
    return [...this.graph.links.keys()];
  }

  private readonly canClose = (link: number): boolean =>
    this.graph.strength[link] !== 0 && isThrough(this.graph, link);

  private readonly canStand = (link: number): boolean =>
    this.graph.isNormallyClosed[link] === 1 &&
    canStandOpen(this.graph.links[link] as never) &&
    isThrough(this.graph, link);

  private readonly isSafe = (outlet: number): boolean => {
    const row = this.graph.outlets[outlet] as never;
    return leadsToSafety(this.graph, row) && findBackPressure(this.graph, row) === undefined;
  };

  private priced(part: keyof IsolationPlan, id: string): number {
    const nothing = { close: [], open: [], restrain: [] };
    return computeCost(this.graph, { ...nothing, [part]: [id] }).effort;
  }

  private points(): void {
    const { graph, made } = this;
    for (const link of this.links) {
      const id = graph.links[link]?.id ?? '';
      if (this.canClose(link)) made.binary(`x${link}`, this.priced('close', id));
      if (!this.canStand(link)) continue;
      made.binary(`s${link}`, this.priced('stand', id));
      // Nothing is locked shut and locked open at once.
      if (this.canClose(link)) made.atLeast([[-1, `x${link}`], [-1, `s${link}`]], -1); // prettier-ignore
    }
    graph.outlets.forEach(({ id }, outlet) => made.binary(`o${outlet}`, this.priced('open', id)));
    graph.stores.forEach(({ store }, n) => made.binary(`t${n}`, this.priced('restrain', store.id)));
  }

  /**
   * A label of sections and modes that spreads backwards from states at the work. `step` says what of a closed link holds it up, by how
   * much; `strikes` what of the section that it would enter does.
   */
  private spread(
    name: string,
    seeds: readonly (readonly [number, number])[],
    step: (link: number) => number,
    {
      most = 1,
      strikes,
      grows = true,
    }: {
      readonly most?: number;
      readonly strikes?: (section: number) => Term[];
      readonly grows?: boolean;
    } = {},
  ): (section: number, mode: number) => string {
    const { graph, made } = this;
    const of = (section: number, mode: number) => made.label(`${name}_${section}_${mode}`, most);
    for (const [section, mode] of seeds) {
      // Near the work: a label of 1 that spreads; or, for a distance, 0 that only closed links raise.
      made.atLeast([[grows ? 1 : -1, of(section, mode)]], grows ? 1 : 0);
    }
    for (const section of this.sections) {
      for (const link of linksOf(graph, section)) {
        const before = otherEnd(graph, link, section);
        const held: Term[] =
          step(link) > 0 && this.canClose(link) ? [[step(link), `x${link}`]] : [];
        for (const mode of MODES.keys()) {
          for (const one of modesBefore(graph, link, before, mode)) {
            const [near, far] = [of(section, mode), of(before, one)];
            if (grows)
              made.atLeast([[1, far], [-1, near], ...held, ...(strikes?.(before) ?? [])], 0);
            else made.atLeast([[-1, far], [1, near], ...held], 0);
          }
        }
      }
    }
    return of;
  }

  /** A label of sections alone that spreads over links of some kind while they are not closed. */
  private grow(
    name: string,
    from: readonly number[],
    heldUp: (
      link: number,
    ) => { readonly terms: readonly Term[]; readonly slack: number } | undefined,
  ): (section: number) => string {
    const { graph, made } = this;
    const of = (section: number) => made.label(`${name}_${section}`);
    for (const section of from) made.atLeast([[1, of(section)]], 1);
    for (const link of this.links) {
      const held = heldUp(link);
      if (!held) continue;
      const [a, b] = [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number];
      for (const [one, other] of [
        [a, b],
        [b, a],
      ] as const)
        // prettier-ignore
        made.atLeast([[1, of(other)], [-1, of(one)], ...held.terms], -held.slack);
    }
    return of;
  }

  private readonly unlessClosed = (link: number) =>
    isThrough(this.graph, link)
      ? { terms: this.canClose(link) ? ([[1, `x${link}`]] as Term[]) : [], slack: 0 }
      : undefined;

  /** Over what surely passes, unless it is closed; over what is locked open for it. */
  private readonly surely = (link: number) => {
    const held = this.unlessClosed(link);
    if (!held || this.graph.surelyOpen[link]) return held;
    return this.canStand(link)
      ? { terms: [...held.terms, [-1, `s${link}`] as Term], slack: 1 }
      : undefined;
  };

  /** Sections that send to an opened outlet along what surely passes: each that has to be bled sends one unit. */
  private letDown(sends: (section: number) => readonly string[]): void {
    const { graph, made, many } = this;
    const flows = this.links.filter((link) => this.surely(link));
    for (const link of flows) {
      made.flow(`f${link}`);
      for (const sign of [1, -1]) {
        const flow: Term = [sign, `f${link}`];
        if (this.canClose(link)) made.atLeast([flow, [-many, `x${link}`]], -many);
        else made.atLeast([flow], -many);
        if (!graph.surelyOpen[link]) made.atLeast([flow, [many, `s${link}`]], 0);
      }
    }
    for (const section of this.sections) {
      const outlets = [...graph.outlets.keys()].filter(
        (outlet) => graph.outletSection[outlet] === section && this.isSafe(outlet),
      );
      const through = flows.flatMap((link): Term[] => {
        if (graph.ends[2 * link] === section) return [[1, `f${link}`]];
        return graph.ends[2 * link + 1] === section ? [[-1, `f${link}`]] : [];
      });
      const out: Term[] = outlets.map((outlet) => [many, `o${outlet}`]);
      const sent: Term[] = sends(section).map((name) => [-1, name]);
      // What leaves by an outlet is what was sent here and what flowed here: never negative, nothing without an opened outlet.
      made.atLeast([...through, ...sent, ...out], 0);
      const back = (terms: readonly Term[]): Term[] => terms.map(([by, name]) => [-by, name]);
      made.atLeast([...back(through), ...back(sent)], 0);
    }
  }

  write(): string {
    const { graph, requirement, made } = this;
    const { trace, demands, opened } = requirement;
    const { zone } = trace;
    this.points();
    const sources = this.sections.filter((section) => graph.isSource[section]);
    const at = (sections: readonly number[], modes: readonly number[]) =>
      sections.flatMap((section) => modes.map((mode) => [section, mode] as const));
    const all = [...MODES.keys()];
    const any = (link: number) => (graph.strength[link] ? 1 : 0);
    const positive = (link: number) => (graph.strength[link] === 2 ? 1 : 0);
    const keepOut = (label: (section: number, mode: number) => string, from: readonly number[]) => {
      for (const source of from) made.atLeast([[-1, label(source, ITSELF)]], 0);
    };
    keepOut(this.spread('one', at(zone, all), any), sources);
    const live = this.grow('live', sources, this.unlessClosed);
    const work = this.grow('work', zone, this.unlessClosed);
    const isDead = (name: string, section: number) => made.atLeast([[-1, name], [-1, live(section)]], -1); // prettier-ignore
    const overOf = new Map(trace.sources.map((source) => [source.section, comesOver(source)]));
    for (const isOver of [true, false]) {
      const modes = isOver ? [ITSELF, LEAKED] : all;
      const graded = (grade: string) =>
        demands
          .filter(
            (demand) => demand.grade === grade && (overOf.get(demand.source) ?? false) === isOver,
          )
          .map(({ source }) => source);
      const doubles = graded('double');
      if (doubles.length > 0) {
        const far = this.spread(
          `two${isOver}`,
          at(zone, modes),
          (link) => graph.strength[link] ?? 0,
          {
            most: 2,
            grows: false,
          },
        );
        for (const source of doubles) made.atLeast([[1, far(source, ITSELF)]], 2);
      }
      if (graded('positive').length > 0)
        keepOut(this.spread(`gap${isOver}`, at(zone, modes), positive), graded('positive'));
      if (graded('double-bled').length === 0) continue;
      const strikes = (section: number): Term[] => [[1, `b${section}`]];
      keepOut(
        this.spread(`dbb${isOver}`, at(zone, modes), positive, { strikes }),
        graded('double-bled'),
      );
    }
    for (const section of this.sections) {
      made.binary(`b${section}`);
      isDead(`b${section}`, section);
      made.atLeast(
        [
          [-1, `b${section}`],
          [-1, work(section)],
        ],
        -1,
      );
      if (graph.carrier[section] !== 'fluid') made.atLeast([[-1, `b${section}`]], 0);
    }
    // What is shut in and comes at people is let down where an outlet of its part is.
    const shut = this.spread('shut', [...at(opened, [ITSELF]), ...at(zone, [2, 3])], any);
    const outletsAt = graph.outlets.flatMap((_, outlet) =>
      this.isSafe(outlet) ? [graph.outletSection[outlet] as number] : [],
    );
    const served = this.grow('outlet', outletsAt, this.surely);
    const asked = new Set(demands.flatMap((demand) => (demand.bled ? demand.itself : [])));
    for (const section of this.sections) {
      const isPressed =
        graph.carrier[section] === 'fluid' &&
        !graph.isSource[section] &&
        graph.sections[section]?.pressure_bar !== 0;
      made.label(`e${section}`);
      if (asked.has(section)) made.atLeast([[1, `e${section}`]], 1);
      if (!isPressed) continue;
      // Reached, and with an outlet in its part: then it sends.
      made.atLeast(
        [
          [1, `e${section}`],
          [-1, shut(section, ITSELF)],
          [-1, served(section)],
        ],
        -1,
      );
    }
    this.letDown((section) => [`b${section}`, `e${section}`]);
    graph.outlets.forEach((_, outlet) =>
      isDead(`o${outlet}`, graph.outletSection[outlet] as number),
    );
    const stored = this.spread('store', at(zone, [ITSELF, 2, 3]), any);
    graph.stores.forEach(({ store, section }, n) => {
      if (store.release === 'wait') return;
      const outlet = graph.outletAt.get(store.release);
      const by = outlet === undefined ? `t${n}` : `o${outlet}`;
      made.atLeast(
        [
          [1, by],
          [-1, stored(section, ITSELF)],
        ],
        0,
      );
    });
    return made.write();
  }
}

/** Whether a job has nothing that the programme leaves out. */
export function isExpressible(graph: PlantGraph, { earths }: Requirement): boolean {
  const { plant, stores, links } = graph;
  const isNear = stores.every(({ store, section }) => {
    const outlet = graph.outletAt.get(store.release);
    return outlet === undefined || graph.outletSection[outlet] === section;
  });
  const isPlain = links.every(({ kind, excludes }) => kind !== 'relief-valve' && !excludes);
  return isNear && isPlain && earths.length === 0 && (plant.interlocks ?? []).length === 0;
}

/** The least effort of a job and the points that have it; undefined when no plan passes. Solver: HiGHS. */
export async function solveProgramme(graph: PlantGraph, requirement: Requirement) {
  const highs = await loadHighs();
  const text = new Writer(graph, requirement).write();
  const solution = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false });
  if (solution.Status === 'Infeasible') return undefined;
  if (solution.Status !== 'Optimal') throw new Error(`the solver answered ${solution.Status}`);
  const columns = Object.values(solution.Columns) as { Name: string; Primal?: number }[];
  const chosen = new Set(columns.filter(({ Primal = 0 }) => Primal > 0.5).map(({ Name }) => Name));
  const of = (letter: string, ids: readonly string[]) =>
    ids.filter((_, n) => chosen.has(`${letter}${n}`));
  const plan: IsolationPlan = {
    close: of('x', graph.links.map(({ id }) => id)), // prettier-ignore
    open: of('o', graph.outlets.map(({ id }) => id)), // prettier-ignore
    restrain: of('t', graph.stores.map(({ store }) => store.id)), // prettier-ignore
    stand: of('s', graph.links.map(({ id }) => id)), // prettier-ignore
  };
  return { effort: solution.ObjectiveValue, plan };
}
