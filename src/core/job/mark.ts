/** Who did something and when (ISO 8601, UTC). */
export interface Mark {
  readonly by: string;
  readonly at: string;
}
