import type { ReactNode } from 'react';

/** What a menu offers: something to do, somewhere to go, or something to tick. */
export interface MenuItem {
  readonly label: string;
  readonly icon?: ReactNode;
  readonly does?: () => void;
  readonly href?: string;
  readonly isCurrent?: boolean;
  /** For what is ticked: the menu stays open. */
  readonly isTicked?: boolean;
}

export interface MenuProps {
  /** What the button is called, where what it shows does not say so. */
  readonly label?: string;
  readonly className: string;
  readonly button: ReactNode;
  readonly align?: 'start' | 'end';
  readonly items: readonly MenuItem[];
}
