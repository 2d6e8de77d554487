import type { Clause } from './programme';

/** Names of the 0-1 variables: what is closed, opened, restrained and left without supply, and whether a node stands at a level or above. */
export const closeOf = (link: number) => `c${link}`;
export const openOf = (outlet: number) => `o${outlet}`;
export const restrainOf = (store: number) => `r${store}`;
export const levelOf = (node: number, level: 1 | 2) => `${level === 1 ? 'x' : 'y'}${node}`;
export const lostOf = (section: number) => `l${section}`;

/** Collects the terms of one clause; `not` adds 1 - x and so moves the constant to the right-hand side. */
export class ClauseBuilder {
  private readonly terms = new Map<string, number>();
  private constant = 0;

  plus(name: string, factor = 1): this {
    this.terms.set(name, (this.terms.get(name) ?? 0) + factor);
    return this;
  }

  not(name: string): this {
    this.constant += 1;
    return this.plus(name, -1);
  }

  atLeast(bound: number): Clause {
    return { terms: this.terms, atLeast: bound - this.constant };
  }
}
