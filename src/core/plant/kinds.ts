/**
 * Strength of a link as a barrier, by kind. Source: practice (isolation grades as used in process plants);
 * the site may adjust them. 0 never isolates, 1 isolates when closed and locked, 2 is a physical gap or blank.
 */
export const STRENGTH_BY_KIND = {
  joint: 0,
  'check-valve': 0,
  'control-valve': 0,
  'relief-valve': 0,
  pump: 0,
  motor: 0,
  generator: 0,
  cylinder: 0,
  engine: 0,
  heater: 0,
  agitator: 0,
  gearbox: 0,
  brake: 0,
  transformer: 0,
  exchanger: 0,
  'steam-trap': 0,
  hose: 0,
  contactor: 0,
  'drive-controller': 0,
  'stop-button': 0,
  'interlock-contact': 0,
  'static-switch': 0,
  actuator: 0,
  'gate-valve': 1,
  'ball-valve': 1,
  'plug-valve': 1,
  'globe-valve': 1,
  'butterfly-valve': 1,
  'needle-valve': 1,
  isolator: 1,
  'circuit-breaker': 1,
  'fuse-switch': 1,
  clutch: 1,
  shutter: 1,
  'spectacle-blind': 2,
  spade: 2,
  spool: 2,
  'removed-hose': 2,
  flange: 2,
  'withdrawn-breaker': 2,
  'disconnected-cable': 2,
  plug: 2,
  coupling: 2,
  pin: 2,
} as const satisfies Record<string, 0 | 1 | 2>;

export type LinkKind = keyof typeof STRENGTH_BY_KIND;
export type Strength = 0 | 1 | 2;

/** What is drawn as a link. An actuator is not: it follows from the device that it moves (`powered_by`). */
export const LINK_KINDS = Object.keys(STRENGTH_BY_KIND).filter((kind) => kind !== 'actuator') as [
  LinkKind,
  ...LinkKind[],
];

/** Links through which supply passes from one medium into another (electricity to shaft, 11 kV to 400 V). */
export const SUPPLY_CONVERTING_KINDS: ReadonlySet<LinkKind> = new Set([
  'motor',
  'generator',
  'transformer',
  'gearbox',
  'drive-controller',
]);

/** Links that pass hazard but never supply: nobody is fed through them. */
export const NEVER_SUPPLY_KINDS: ReadonlySet<LinkKind> = new Set([
  'exchanger',
  'heater',
  'agitator',
  'relief-valve',
  'interlock-contact',
  'stop-button',
  'actuator',
]);

/** Positive links that can only be fitted by breaking into the line: they need a valved isolation first. */
export const STAGED_KINDS: ReadonlySet<LinkKind> = new Set([
  'spectacle-blind',
  'spade',
  'spool',
  'flange',
  'disconnected-cable',
  'coupling',
]);

/** Valves that are opened and shut by hand where the drawing does not say otherwise. */
export const HAND_VALVE_KINDS: ReadonlySet<LinkKind> = new Set([
  'gate-valve',
  'ball-valve',
  'plug-valve',
  'globe-valve',
  'butterfly-valve',
  'needle-valve',
]);
