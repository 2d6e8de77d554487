import type { RegisterName, Registers } from '../../core/registers/schema';

type InUseNow = Readonly<Record<RegisterName, Readonly<Record<string, string>>>>;

/** What the screen of the registers is given. */
export interface RegisterProps {
  readonly registers: Registers;
  readonly version: number;
  readonly inUse: InUseNow;
  readonly people: readonly { readonly id: string; readonly label: string }[];
  readonly past: readonly { readonly at: string; readonly by: string; readonly words: string }[];
  readonly mayChange: boolean;
  readonly now: string;
}
