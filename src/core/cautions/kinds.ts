/** What a kind of equipment does to people who do not know it, beside what its drawing says. */
export interface KindOfCaution {
  readonly title: string;
  /** One sentence each, as it is said at the place. */
  readonly says: readonly string[];
  readonly basis: string;
}

/**
 * Cautions by kind of equipment: data, so that a kind that is missing is one entry more. The kinds are those that a drawing gives its equipment. What stands
 * here was written from memory of common practice where no standard is named; local rules and licensed practice come first.
 */
export const CAUTIONS = {
  'voltage transformer': {
    title: 'Voltage transformer',
    says: [
      'Never short its secondary: it burns.',
      'A test voltage on its secondary makes high voltage on the other side: isolate and tag both sides, and take its fuses out.',
    ],
    basis: 'EN 50110-1, 6.2 on feeding back (from memory); practice',
  },
  'current transformer': {
    title: 'Current transformer',
    says: [
      'Never open its secondary while current flows through it: the voltage across the gap kills and burns. Short it first, and see that it is shorted.',
      'Measure with no meter that has a fuse inside: one that blows opens the secondary.',
    ],
    basis: 'practice',
  },
  'capacitor bank': {
    title: 'Capacitor bank',
    says: [
      'Wait until it has discharged itself (to 50 V within 5 min), and mistrust the resistor: it may be broken.',
      'Prove it dead, then short every terminal to each other and to the frame, by a rod, before anything is touched.',
      'The frame of a bank may be live: it is proved and earthed too.',
    ],
    basis: 'NFPA 70, 460.28 on discharge (from memory); EN 50110-1, 6.2 (from memory)',
  },
  'relay panel': {
    title: 'Relay panel',
    says: [
      'A voltage that is applied for a test comes out at other circuits: find each that it makes live, isolate and tag it.',
      'A contact that is worked by hand trips or closes something elsewhere: tell whoever has it.',
    ],
    basis: 'practice',
  },
  'control panel': {
    title: 'Control panel',
    says: [
      'It may hold voltages of other panels (interlocks, signals) with its own main switch off: prove every terminal that is touched.',
      'A voltage that is applied for a test comes out at other circuits: find each that it makes live, isolate and tag it.',
    ],
    basis: 'practice',
  },
  'screened cable': {
    title: 'Cable whose screen is earthed elsewhere',
    says: [
      'Its screen may be at another potential than the earth here, and carries current when there is a fault elsewhere: treat it as live until it is measured.',
    ],
    basis: 'practice',
  },
  'pilot cable': {
    title: 'Pilot wires',
    says: [
      'They lie beside power cables and may carry what those induce: treat them as live until they are measured, each against earth.',
    ],
    basis: 'practice',
  },
  earthing: {
    title: 'Earth connections',
    says: [
      'Never part an earth connection while anybody may be the bridge between its two sides: put a second one across it first.',
      'Nobody touches a lead while any of its clamps is on.',
    ],
    basis: 'EN 50110-1, 6.2.5 (from memory); practice',
  },
} as const satisfies Record<string, KindOfCaution>;

export type CautionKind = keyof typeof CAUTIONS;

/** The caution for a kind of equipment as a drawing writes it: "Current-Transformer" is a current transformer. Undefined for a kind without one. */
export function findCautionKind(kind: string): CautionKind | undefined {
  const plain = kind
    .toLowerCase()
    .replaceAll(/[-_\s]+/g, ' ')
    .trim();
  return Object.hasOwn(CAUTIONS, plain) ? (plain as CautionKind) : undefined;
}
