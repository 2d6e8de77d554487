import type { LinkKind, Plant, Scope } from '../../src/core/plant';
import { Dice } from './random-plant';

type Rows<Table extends 'sections' | 'links' | 'outlets'> = Plant[Table][number];

/** A job on a made plant. */
export interface MadeJob {
  readonly kind: 'pump' | 'motor' | 'vessel' | 'exchanger' | 'valve' | 'cable';
  readonly scope: Scope;
}

const MEDIA = [
  { id: 'WATER', energy: 'process', phase: 'liquid', hazards: [], bar: 4, c: 15 },
  { id: 'SLURRY', energy: 'process', phase: 'liquid', hazards: ['toxic'], bar: 3, c: 40 },
  { id: 'FUEL', energy: 'process', phase: 'gas', hazards: ['flammable'], bar: 2, c: 20 },
  { id: 'HOT', energy: 'process', phase: 'liquid', hazards: ['hot'], bar: 6, c: 110 },
  { id: 'AIR', energy: 'pressure', phase: 'gas', hazards: [], bar: 7, c: 20 },
] as const;
type Fluid = (typeof MEDIA)[number]['id'];

/** Builds up the tables of a works; every part gets the next number. */
class Works {
  readonly sections: Rows<'sections'>[] = [];
  readonly links: Rows<'links'>[] = [];
  readonly outlets: Rows<'outlets'>[] = [];
  readonly jobs: MadeJob[] = [];

  constructor(readonly dice: Dice) {}

  section(medium: string, more: object = {}): string {
    const id = `S${this.sections.length}`;
    const fluid = MEDIA.find((one) => one.id === medium);
    const figures = fluid
      ? { pressure_bar: fluid.bar, temperature_c: fluid.c }
      : { voltage_v: medium === 'HV' ? 11000 : 400 };
    this.sections.push({
      id,
      name: id,
      medium,
      area: 'A',
      ...(medium === 'SHAFT' ? {} : figures),
      ...(this.dice.chance(0.2) ? { serves: 1 + this.dice.below(9) } : {}),
      ...more,
    });
    return id;
  }

  link(kind: LinkKind, a: string, b: string, more: object = {}): void {
    this.links.push({ id: `L${this.links.length}`, kind, between: [a, b], ...more });
  }

  outlet(section: string, kind: 'vent' | 'drain' | 'bleed' | 'earth'): void {
    const leads_to = kind === 'earth' ? 'earth' : 'safe';
    this.outlets.push({ id: `O${this.outlets.length}`, section, kind, leads_to });
  }

  /** A line from `from` with two valves, a bled space between them and, often, a blind; answers its far end. */
  blocked(medium: string, from: string, blind = 0.6): string {
    const between = this.section(medium);
    this.link(this.dice.pick(['gate-valve', 'ball-valve'] as const), from, between);
    this.outlet(between, 'bleed');
    const end = this.section(medium);
    this.link('gate-valve', between, end);
    if (!this.dice.chance(blind)) return end;
    const past = this.section(medium);
    this.link(this.dice.pick(['spectacle-blind', 'spool'] as const), end, past);
    return past;
  }
}

interface Mains {
  readonly boards: readonly string[];
  readonly headers: Readonly<Record<Fluid, readonly string[]>>;
}

/** Two intakes, a ring of boards with a tie that stands open, and a standby generator. */
function makePower(works: Works, count: number): string[] {
  const intakes = [0, 1].map(() => works.section('HV', { source: { name: 'intake' } }));
  const bars = intakes.map((intake) => {
    const bar = works.section('HV');
    works.link('withdrawn-breaker', intake, bar);
    works.outlet(bar, 'earth');
    return bar;
  });
  works.link('circuit-breaker', bars[0] as string, bars[1] as string, { normal: 'closed' });
  const boards = Array.from({ length: count }, (_, n) => {
    const primary = works.section('HV');
    works.link('withdrawn-breaker', bars[n % 2] as string, primary);
    const secondary = works.section('LV');
    works.link('transformer', primary, secondary);
    const board = works.section('LV');
    works.link('withdrawn-breaker', secondary, board);
    return board;
  });
  boards.slice(1).forEach((board, n) => {
    works.link('circuit-breaker', boards[n] as string, board, { normal: 'closed' });
  });
  const generator = works.section('LV', { source: { name: 'generator' } });
  works.link('withdrawn-breaker', generator, boards[0] as string, { normal: 'closed' });
  return boards;
}

/** A main of one medium: several sources, headers joined in a row with crossovers that stand closed. */
function makeHeaders(works: Works, medium: Fluid, count: number): string[] {
  const headers = Array.from({ length: count }, () => works.section(medium));
  headers.forEach((header, n) => {
    if (n > 0) works.link('gate-valve', headers[n - 1] as string, header);
    if (n > 2 && works.dice.chance(0.3)) {
      works.link('gate-valve', headers[works.dice.below(n - 1)] as string, header, {
        normal: 'closed',
      });
    }
    if (n % 3 === 0) {
      const source = works.section(medium, { source: { name: `${medium} supply` } });
      works.link('gate-valve', source, header);
    }
  });
  return headers;
}

function makeMotor(works: Works, mains: Mains): { cable: string; shaft: string } {
  const cable = works.section('LV');
  works.link('withdrawn-breaker', works.dice.pick(mains.boards), cable);
  const terminals = works.section('LV');
  works.link('isolator', cable, terminals);
  const shaft = works.section('SHAFT');
  works.link('motor', terminals, shaft);
  works.jobs.push(
    { kind: 'motor', scope: { work: [{ section: shaft, activity: 'touch' }], hours: 8 } },
    { kind: 'cable', scope: { work: [{ section: cable, activity: 'touch' }], hours: 8 } },
  );
  return { cable, shaft };
}

function makePump(works: Works, mains: Mains): void {
  const medium = works.dice.pick(MEDIA.slice(0, 4)).id;
  const suction = works.blocked(medium, works.dice.pick(mains.headers[medium]));
  const delivery = works.blocked(medium, works.dice.pick(mains.headers[medium]));
  const body = works.section(medium);
  works.link('joint', suction, body);
  works.outlet(body, 'drain');
  const after = works.section(medium);
  works.link('check-valve', body, after);
  works.link('joint', after, delivery);
  if (works.dice.chance(0.4)) {
    works.link('globe-valve', suction, works.dice.pick(mains.headers[medium]), {
      normal: 'closed',
    });
  }
  if (works.dice.chance(0.5)) {
    works.link('joint', works.blocked('WATER', works.dice.pick(mains.headers.WATER), 0.3), body);
  }
  const { shaft } = makeMotor(works, mains);
  const impeller = works.section('SHAFT');
  works.link('coupling', shaft, impeller);
  works.link('pump', impeller, body);
  works.jobs.push({
    kind: 'pump',
    scope: { work: [{ section: body, activity: 'open' }], hours: 8 },
  });
}

function makeVessel(works: Works, mains: Mains): void {
  const medium = works.dice.pick(MEDIA.slice(0, 4)).id;
  const vessel = works.section(medium, { volume_m3: 20 });
  works.outlet(vessel, 'vent');
  works.outlet(vessel, 'drain');
  const lines = 3 + works.dice.below(3);
  for (let n = 0; n < lines; n++) {
    const other = n < 2 ? medium : works.dice.pick(MEDIA).id;
    const line = works.blocked(other, works.dice.pick(mains.headers[other]), 1);
    works.link('joint', line, vessel);
    if (n === 0) {
      works.jobs.push({
        kind: 'valve',
        scope: { work: [{ section: line, activity: 'open' }], hours: 8 },
      });
    }
  }
  if (works.dice.chance(0.6)) {
    const { shaft } = makeMotor(works, mains);
    const stirrer = works.section('SHAFT');
    works.link('coupling', shaft, stirrer);
    works.link('agitator', stirrer, vessel);
  }
  works.jobs.push({
    kind: 'vessel',
    scope: { work: [{ section: vessel, activity: 'enter' }], hours: 24 },
  });
}

function makeExchanger(works: Works, mains: Mains): void {
  const side = (medium: Fluid): string => {
    const body = works.section(medium);
    works.outlet(body, 'drain');
    for (let n = 0; n < 2; n++) {
      works.link('joint', works.blocked(medium, works.dice.pick(mains.headers[medium])), body);
    }
    works.link('globe-valve', works.dice.pick(mains.headers[medium]), body, { normal: 'closed' });
    return body;
  };
  const shell = side('HOT');
  works.link('exchanger', shell, side(works.dice.pick(['WATER', 'SLURRY'] as const)));
  works.jobs.push({
    kind: 'exchanger',
    scope: { work: [{ section: shell, activity: 'open' }], hours: 8 },
  });
}

/**
 * Makes a works of about `size` links, cross-connected as real ones are: mains with several sources and crossovers, boards
 * fed from two sides, pumps, vessels and exchangers hung between them. The same seed makes the same works. Invented.
 */
export function makeWorks(seed: number, size: number): { plant: Plant; jobs: readonly MadeJob[] } {
  const works = new Works(new Dice(seed));
  const spread = Math.max(3, Math.round(size / 150));
  const headers = Object.fromEntries(
    MEDIA.map(({ id }) => [id, makeHeaders(works, id, spread)]),
  ) as unknown as Mains['headers'];
  const mains = { boards: makePower(works, Math.max(2, Math.round(size / 200))), headers };
  const makers = [makePump, makePump, makeVessel, makeExchanger];
  while (works.links.length < size) works.dice.pick(makers)(works, mains);
  const energies = [
    { id: 'HV', energy: 'electrical' },
    { id: 'LV', energy: 'electrical' },
    { id: 'SHAFT', energy: 'mechanical' },
  ] as const;
  const plant: Plant = {
    format: 'heavy-lantern/plant',
    version: 1,
    name: `works ${seed}`,
    areas: [{ id: 'A', name: 'works', outline: [], zone: 'none' }],
    media: [
      ...MEDIA.map(({ id, energy, phase, hazards }) => ({
        id,
        name: id.toLowerCase(),
        energy,
        phase,
        hazards: [...hazards],
      })),
      ...energies.map(({ id, energy }) => ({
        id,
        name: id.toLowerCase(),
        energy,
        phase: 'none' as const,
        hazards: [],
      })),
    ],
    sections: works.sections,
    links: works.links,
    outlets: works.outlets,
    gauges: [],
    equipment: [],
  };
  return { plant, jobs: works.jobs };
}
