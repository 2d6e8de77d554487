/** How the cover of an opening is drawn. */
export const COVER_WAYS = ['one', 'two', 'gear', 'none'] as const;
export type CoverWay = (typeof COVER_WAYS)[number];

/** Before the cover moves, or before the first one goes in. */
export type CheckPhase = 'open' | 'enter';

interface SpaceCheck {
  readonly phase: CheckPhase;
  readonly asks: string;
  /** Only in machines that turn or move, or with hot work inside. */
  readonly only?: readonly ('machine' | 'hot')[];
  /** Somebody is named for it, who stays with it. */
  readonly byName?: true;
}

/**
 * What is looked at round the opening and inside, beside isolation, air, rescue and attendant. Source: practice; light at extra-low voltage: IEC 60364-7-706
 * (from memory); cylinders outside: 29 CFR 1910.252(a)(4)(i).
 */
export const SPACE_CHECKS = {
  vehicles: { phase: 'open', asks: 'Vehicles and exhausts are kept away from the opening and from where the blower draws its air' },
  hatch: { phase: 'open', asks: 'The hatch is lifted by a crane that can be held fine, and set down where it cannot fall', only: ['machine'] },
  'dust-collector': { phase: 'open', asks: 'The dust collector is stopped and isolated', only: ['machine', 'hot'] },
  ladder: { phase: 'enter', asks: 'The fixed ladder is sound, or one of our own stands there' },
  tools: { phase: 'enter', asks: 'Tools go down on a line, none from hand to hand' },
  light: { phase: 'enter', asks: 'Light inside is of extra-low voltage' },
  cylinders: { phase: 'enter', asks: 'Gas cylinders stay outside' },
  monitor: { phase: 'enter', asks: 'The monitor hangs at head height where people work', byName: true },
  blower: { phase: 'enter', asks: 'The blower is watched, so that nothing covers it or stops it', byName: true },
  anchor: { phase: 'enter', asks: 'There is a way up, with a line to anchor to', only: ['machine'] },
  dust: { phase: 'enter', asks: 'The air that is blown in raises no dust', only: ['machine'] },
  contents: { phase: 'enter', asks: 'What must not be heated is out of it', only: ['hot'] },
} as const satisfies Record<string, SpaceCheck>; // prettier-ignore
export type SpaceCheckCode = keyof typeof SPACE_CHECKS;
export const SPACE_CHECK_CODES = Object.keys(SPACE_CHECKS) as [SpaceCheckCode, ...SpaceCheckCode[]];

/** What the space is that is opened: a machine in which something can turn or move, a place of hot work. */
export interface SpaceFacts {
  readonly machine: boolean;
  readonly hot: boolean;
}

/** What is looked at in a phase. */
export const listSpaceChecks = (phase: CheckPhase, facts: SpaceFacts): SpaceCheckCode[] =>
  SPACE_CHECK_CODES.filter((code) => {
    const { phase: of, only = [] }: SpaceCheck = SPACE_CHECKS[code];
    return of === phase && only.every((one) => facts[one]);
  });

/** Whether somebody is named who stays with it. */
export const isByName = (code: SpaceCheckCode): boolean =>
  (SPACE_CHECKS[code] as SpaceCheck).byName === true;
