/** What a report of a shift is read by, in this order. */
export const HANDOVER_PARTS = {
  live: 'Live permits',
  isolated: 'Isolated without a live permit',
  suspended: 'Stopped',
  bypassed: 'Out of action',
  defects: 'Defects',
  changes: 'Changes',
  overdue: 'Overdue',
  promised: 'Promised',
} as const;

export type HandoverPart = keyof typeof HANDOVER_PARTS;
export const HANDOVER_PART_NAMES = Object.keys(HANDOVER_PARTS) as HandoverPart[];

/** One line of the report. */
export interface HandoverLine {
  /** The job that it is about; none when it is about the site. */
  readonly job?: string;
  readonly words: string;
  /** By when (ISO 8601, UTC), where there is a moment. */
  readonly until?: string;
  /** People it is about, by id. */
  readonly people?: readonly string[];
}

/** What one shift hands to the next, made from the record. */
export type HandoverReport = Readonly<Record<HandoverPart, readonly HandoverLine[]>>;
