interface ChangeKind {
  readonly label: string;
  /** Whether it ends on a day: then it has a date until which it may stand. */
  readonly isTemporary: boolean;
  /** Whether something can flow through it that the drawing does not show. */
  readonly connects?: 'bodies' | 'conductors';
}

/** What can be changed at a plant, by kind. Source: practice; 29 CFR 1910.119(l) asks for the review of every change but a replacement in kind. */
export const CHANGES = {
  hose: { label: 'temporary hose or line', isTemporary: true, connects: 'bodies' },
  jumper: { label: 'jumper or temporary cable', isTemporary: true, connects: 'conductors' },
  blank: { label: 'blank left in', isTemporary: true },
  position: { label: 'valve or switch left in another position', isTemporary: true },
  modification: { label: 'modification of the plant', isTemporary: false },
  drawing: { label: 'change of the drawing', isTemporary: false },
} as const satisfies Record<string, ChangeKind>;

export type ChangeKindName = keyof typeof CHANGES;
export const CHANGE_KINDS = Object.keys(CHANGES) as [ChangeKindName, ...ChangeKindName[]];

/** What can be reported by hand: a change of the drawing is recorded when the drawing is saved. */
export const REPORTED_KINDS = CHANGE_KINDS.filter((kind) => kind !== 'drawing') as [
  Exclude<ChangeKindName, 'drawing'>,
  ...Exclude<ChangeKindName, 'drawing'>[],
];

export const kindOf = (change: ChangeKindName): ChangeKind => CHANGES[change];
