/** A job with people at work that was stopped because it stands on a device that was reported, and who is on, by id. */
export interface StoppedJob {
  readonly job: string;
  readonly title: string;
  readonly on: readonly string[];
}

/** A job that a defect touches: its plan names the device or no longer passes, or what can come at its work comes over the device. */
export interface TouchedByDefect {
  readonly job: string;
  readonly title: string;
  /** Whether it is held up by it now. */
  readonly isHeld: boolean;
}
