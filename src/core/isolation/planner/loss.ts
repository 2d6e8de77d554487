import { labelParts, linksOf, otherEnd } from '../../plant';
import { isThrough } from '../bodies';
import { computeFed, suppliesFrom } from '../cost';
import type { Cells } from './cells';
import type { PlannerModel } from './model';
import type { Possible } from './possible';
import { BEYOND, type Standing } from './standings';

/** So many sections are looked at for another supply before it is taken that there is one. */
const MOST_LOOKED_AT = 400;

/** What no plan can save of the supply, and what is lost besides when a cell comes to stand on the side of the work. */
export class CertainLoss {
  /** 1 for each section whose supply no plan can save. */
  readonly isLost: Uint8Array;
  /** What all these cost together. */
  readonly total: number;
  /** By network of supply: 1 where every source has to be kept out, and nothing but its own sources can feed it. */
  private readonly network: Int32Array;
  private readonly isClosed = new Set<number>();
  private readonly sectionsOf = new Map<number, number[]>();

  constructor(
    private readonly model: PlannerModel,
    cells: Cells,
    private readonly standings: readonly Standing[],
    possible: Possible,
  ) {
    const { graph, supply, fed } = model;
    // Within a network the supply of what stands near the work would arrive there; over a converter it may come another way.
    this.network = labelParts(graph, (link) => supply[link] === 1 && isThrough(graph, link));
    const demanded = new Set(model.demands.map(({ source }) => source));
    const isOpen = new Set<number>();
    graph.isSource.forEach((isSource, section) => {
      if (isSource && !demanded.has(section)) isOpen.add(this.network[section] as number);
    });
    const isFedBy = new Set<number>();
    graph.links.forEach((_, link) => {
      if (!supply[link] || isThrough(graph, link)) return;
      for (const end of [2 * link, 2 * link + 1]) {
        const [at, from] = [graph.ends[end], otherEnd(graph, link, graph.ends[end] as number)];
        if (fed[from] && suppliesFrom(graph, link, from)) {
          isFedBy.add(this.network[at as number] as number);
        }
      }
    });
    this.network.forEach((one) => {
      if (!isOpen.has(one) && !isFedBy.has(one)) this.isClosed.add(one);
    });
    const isDead = Uint8Array.from(this.network, (_, section) => {
      if (!fed[section]) return 0;
      const cell = cells.cellOf[section] as number;
      return possible.every(cell, (n) => this.diesAt(section, n)) ? 1 : 0;
    });
    const after = computeFed(
      graph,
      (link) =>
        supply[link] === 1 &&
        !isDead[graph.ends[2 * link] as number] &&
        !isDead[graph.ends[2 * link + 1] as number],
    );
    this.isLost = fed.map((isFed, section) =>
      isFed && (!after[section] || isDead[section]) ? 1 : 0,
    );
    this.total = model.served.reduce(
      (sum, section) => sum + (this.isLost[section] ? this.servedBy(section) : 0),
      model.lostAlready,
    );
    cells.cellOf.forEach((cell, section) => {
      if (!fed[section] || this.isLost[section]) return;
      const known = this.sectionsOf.get(cell);
      if (known) known.push(section);
      else this.sectionsOf.set(cell, [section]);
    });
  }

  private servedBy(section: number): number {
    return this.model.graph.sections[section]?.serves ?? 0;
  }

  /** Whether a section surely has no supply when its cell has a standing: whatever fed it would arrive at the work. */
  private diesAt(section: number, standing: number): boolean {
    const { near, isDead, driven } = this.standings[standing] as Standing;
    if (this.isClosed.has(this.network[section] as number)) return near !== BEYOND || isDead;
    // A machine feeds in its driving direction alone, and what it makes is followed as danger is.
    return !this.model.hasUnasked && near !== BEYOND && driven.barriers === 0;
  }

  /** What is lost of a cell's own supply when it has a standing, besides what no plan can save. */
  ownLoss(cell: number, standing: number): number {
    return (this.sectionsOf.get(cell) ?? []).reduce(
      (sum, one) => sum + (this.diesAt(one, standing) ? this.servedBy(one) : 0),
      0,
    );
  }

  /** The least loss of every plan in which a cell has a standing; looked at only as far as `limit`. */
  leastWith(cell: number, standing: number, limit: number): number {
    const { graph, supply, fed } = this.model;
    const dead = (this.sectionsOf.get(cell) ?? []).filter((one) => this.diesAt(one, standing));
    const gone = new Set(dead);
    let least = this.total + dead.reduce((sum, one) => sum + this.servedBy(one), 0);
    const isAlive = (section: number) =>
      fed[section] === 1 && !this.isLost[section] && !gone.has(section);
    for (const one of dead) {
      for (const link of linksOf(graph, one)) {
        const next = otherEnd(graph, link, one);
        if (least > limit) return least;
        if (!supply[link] || !isAlive(next)) continue;
        const cut = this.cutOff(next, isAlive);
        for (const section of cut) {
          gone.add(section);
          least += this.servedBy(section);
        }
      }
    }
    return least;
  }

  /** A section and all that may feed it, when no source is among them; none when there is or may be one. */
  private cutOff(from: number, isAlive: (section: number) => boolean): Iterable<number> {
    const { graph, supply } = this.model;
    const seen = new Set([from]);
    for (const section of seen) {
      if (graph.isSource[section] || seen.size > MOST_LOOKED_AT) return [];
      for (const link of linksOf(graph, section)) {
        const next = otherEnd(graph, link, section);
        if (supply[link] && isAlive(next) && suppliesFrom(graph, link, next)) seen.add(next);
      }
    }
    return seen;
  }
}
