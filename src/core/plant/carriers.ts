import type { LinkKind } from './kinds';
import type { Medium } from './schema';

/** What a medium carries its energy by. */
export const CARRIERS = ['fluid', 'current', 'motion', 'heat', 'radiation'] as const;
export type Carrier = (typeof CARRIERS)[number];

const FLUID_PHASES: ReadonlySet<Medium['phase']> = new Set(['gas', 'liquid', 'vapour']);

/** The carrier of a medium: what is hot and flows is a fluid, what is only hot is heat. */
export function carrierOf({ energy, phase }: Pick<Medium, 'energy' | 'phase'>): Carrier {
  switch (energy) {
    case 'pressure':
    case 'process':
      return 'fluid';
    case 'electrical':
      return 'current';
    case 'mechanical':
    case 'gravity':
      return 'motion';
    case 'thermal':
      return FLUID_PHASES.has(phase) ? 'fluid' : 'heat';
    case 'radiation':
      return 'radiation';
  }
}

/**
 * How energy gets from one end of a link to the other, before it is asked whether the link is closed.
 * `through`: one carrier on both sides. `wall`: two fluids, each on its side. `drive`: the carrier at the end `from` makes
 * that at the other; with `backs` what is itself at the far end makes the carrier at `from`, too. `ends`: heat, blades or rays of
 * the end `from` reach the other and go no further; with `backs` the other way as well.
 */
export type Crossing =
  | { readonly kind: 'through' | 'wall' }
  | { readonly kind: 'drive' | 'ends'; readonly from: 0 | 1; readonly backs: boolean };

const THROUGH: Crossing = { kind: 'through' };
const WALL: Crossing = { kind: 'wall' };

/** What a link drives, by kind: from which carrier to which. A pump is no route backwards: it asks for a hold step instead. */
const DRIVES: Partial<Record<LinkKind, readonly (readonly [Carrier, Carrier])[]>> = {
  motor: [
    ['current', 'motion'],
    // A canned or submersible pump, drawn as one with its motor.
    ['current', 'fluid'],
  ],
  generator: [
    ['motion', 'current'],
    ['fluid', 'current'],
  ],
  pump: [
    ['motion', 'fluid'],
    ['current', 'fluid'],
  ],
  cylinder: [['fluid', 'motion']],
  engine: [
    ['fluid', 'motion'],
    ['fluid', 'current'],
  ],
};

/** What ends at the other side of a link, by kind. */
const ENDS: Partial<Record<LinkKind, readonly (readonly [Carrier, Carrier])[]>> = {
  heater: [
    ['current', 'fluid'],
    ['heat', 'fluid'],
    ['current', 'heat'],
  ],
  exchanger: [
    ['current', 'fluid'],
    ['heat', 'fluid'],
    ['current', 'heat'],
  ],
  agitator: [
    ['motion', 'fluid'],
    ['current', 'fluid'],
  ],
  joint: [
    ['motion', 'fluid'],
    ['radiation', 'fluid'],
    ['radiation', 'current'],
    ['radiation', 'motion'],
    ['radiation', 'heat'],
  ],
  shutter: [
    ['radiation', 'fluid'],
    ['radiation', 'current'],
    ['radiation', 'motion'],
    ['radiation', 'heat'],
  ],
};

const FLUID: readonly Carrier[] = ['fluid'];
const CURRENT: readonly Carrier[] = ['current'];
const MOTION: readonly Carrier[] = ['motion'];

/** The carriers within which a link of a kind may join two sections. */
const WITHIN: Readonly<Record<LinkKind, readonly Carrier[]>> = {
  joint: CARRIERS,
  'check-valve': FLUID,
  'control-valve': FLUID,
  'relief-valve': FLUID,
  pump: FLUID,
  motor: [],
  generator: [],
  cylinder: [],
  engine: [],
  heater: FLUID,
  agitator: [],
  gearbox: MOTION,
  brake: MOTION,
  transformer: CURRENT,
  exchanger: ['fluid', 'heat'],
  'steam-trap': FLUID,
  hose: FLUID,
  contactor: CURRENT,
  'drive-controller': CURRENT,
  'stop-button': CURRENT,
  'interlock-contact': CURRENT,
  'static-switch': CURRENT,
  actuator: [],
  'gate-valve': FLUID,
  'ball-valve': FLUID,
  'plug-valve': FLUID,
  'globe-valve': FLUID,
  'butterfly-valve': FLUID,
  'needle-valve': FLUID,
  isolator: CURRENT,
  'circuit-breaker': CURRENT,
  'fuse-switch': CURRENT,
  clutch: MOTION,
  shutter: ['fluid', 'motion', 'radiation'],
  'spectacle-blind': FLUID,
  spade: FLUID,
  spool: FLUID,
  'removed-hose': FLUID,
  flange: FLUID,
  'withdrawn-breaker': CURRENT,
  'disconnected-cable': CURRENT,
  plug: CURRENT,
  coupling: ['motion', 'fluid'],
  pin: MOTION,
};

/** Kinds whose two fluids have a wall between them. */
const WALLS: ReadonlySet<LinkKind> = new Set(['exchanger', 'heater']);

/** Which way round a pair of carriers stands in a table; undefined when it does not. */
function findForm(
  forms: readonly (readonly [Carrier, Carrier])[] | undefined,
  a: Carrier,
  b: Carrier,
): 0 | 1 | undefined {
  if (forms?.some(([from, to]) => from === a && to === b)) return 0;
  return forms?.some(([from, to]) => from === b && to === a) ? 1 : undefined;
}

/** How energy crosses a link of a kind between two carriers; undefined when there can be no such link. */
export function findCrossing(kind: LinkKind, a: Carrier, b: Carrier): Crossing | undefined {
  if (a === b) {
    if (!WITHIN[kind].includes(a)) return undefined;
    return a === 'fluid' && WALLS.has(kind) ? WALL : THROUGH;
  }
  const drives = findForm(DRIVES[kind], a, b);
  if (drives !== undefined) {
    const isPump = kind === 'pump' || (kind === 'motor' && [a, b].includes('fluid'));
    return { kind: 'drive', from: drives, backs: !isPump };
  }
  const ends = findForm(ENDS[kind], a, b);
  if (ends === undefined) return undefined;
  const isShaftInFluid = kind === 'joint' && [a, b].every((one) => one !== 'radiation');
  return { kind: 'ends', from: ends, backs: isShaftInFluid };
}

/** What can move a device, and in what its moving part then lies. */
const MOVERS: ReadonlySet<Carrier> = new Set(['fluid', 'current', 'motion']);
const MOVED_IN: ReadonlySet<Carrier> = new Set(['fluid', 'motion']);

export const canMove = (carrier: Carrier): boolean => MOVERS.has(carrier);
export const hasMovingPart = (carrier: Carrier): boolean => MOVED_IN.has(carrier);

/** How what feeds an actuator (the first end) comes at whoever is at the device: it moves the plug, the blade or the jaws, and ends there. */
export const BY_ACTUATOR: Crossing = { kind: 'ends', from: 0, backs: false };

/** What a link of a kind may join, in words, for whoever drew it otherwise. */
export function listForms(kind: LinkKind): string[] {
  const pairs = [...(DRIVES[kind] ?? []), ...(ENDS[kind] ?? [])];
  return [
    ...WITHIN[kind].map((carrier) => `${carrier} and ${carrier}`),
    ...pairs.map(([from, to]) => `${from} and ${to}`),
  ];
}
