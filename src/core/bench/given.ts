/** A field of a calculation, its value if the plant file gives one, and the unit. */
export type Given = readonly [field: string, value: number | string | undefined, unit?: string];
