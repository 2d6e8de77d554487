/** Something that can be done from anywhere. */
export interface Deed {
  readonly label: string;
  readonly does: () => void;
}
