import { labelParts, linksOf, otherEnd } from '../../plant';
import { computeFed } from '../cost';
import type { Cells } from './cells';
import type { PlannerModel } from './model';
import { suits, type Standing } from './standings';

/** So many sections are looked at for another supply before it is taken that there is one. */
const MOST_LOOKED_AT = 400;

/** What no plan can save of the supply, and what is lost besides when a cell comes to stand on the side of the work. */
export class CertainLoss {
  /** 1 for each section whose supply no plan can save. */
  readonly isLost: Uint8Array;
  /** What all these cost together. */
  readonly total: number;
  private readonly part: Int32Array;
  /** By supply part: bits of the standings at which some source of it may stand. */
  private readonly livesAt: number[] = [];
  private readonly sectionsOf = new Map<number, number[]>();

  constructor(
    private readonly model: PlannerModel,
    cells: Cells,
    private readonly standings: readonly Standing[],
    possible: Uint16Array,
  ) {
    const { graph, supply, fed } = model;
    this.part = labelParts(graph, (link) => supply[link] === 1);
    const demandOf = new Map(model.demands.map(({ source, grade }) => [source, grade]));
    graph.isSource.forEach((isSource, section) => {
      if (!isSource) return;
      const part = this.part[section] as number;
      const grade = demandOf.get(section);
      const bits = standings.reduce(
        (all, standing, n) => all | (!grade || suits(standing, grade) ? 1 << n : 0),
        0,
      );
      this.livesAt[part] = (this.livesAt[part] ?? 0) | bits;
    });
    const isDead = Uint8Array.from(this.part, (_, section) =>
      this.diesAt(section, possible[cells.cellOf[section] as number] as number) ? 1 : 0,
    );
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
      0,
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

  /** Whether a section has no supply at whichever of some standings its cell has. */
  private diesAt(section: number, bits: number): boolean {
    const lives = this.livesAt[this.part[section] as number] ?? 0;
    return this.standings.every(
      (standing, n) =>
        ((bits >> n) & 1) === 0 || n === 0 || standing.bled === 1 || ((lives >> n) & 1) === 0,
    );
  }

  /** The least loss of every plan in which a cell has a standing; looked at only as far as `limit`. */
  leastWith(cell: number, standing: number, limit: number): number {
    const { graph, supply, fed } = this.model;
    const dead = (this.sectionsOf.get(cell) ?? []).filter((one) => this.diesAt(one, 1 << standing));
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

  /** The sections that hang together with one when no source is among them; none when there is or may be one. */
  private cutOff(from: number, isAlive: (section: number) => boolean): Iterable<number> {
    const { graph, supply } = this.model;
    const seen = new Set([from]);
    for (const section of seen) {
      if (graph.isSource[section] || seen.size > MOST_LOOKED_AT) return [];
      for (const link of linksOf(graph, section)) {
        const next = otherEnd(graph, link, section);
        if (supply[link] && isAlive(next)) seen.add(next);
      }
    }
    return seen;
  }
}
