'use client';

import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';

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

const load = () => import('./open-menu').then((part) => part.OpenMenu);
const OpenMenu = dynamic(load, { ssr: false });

/** A menu behind a button. What opens it is loaded when somebody is about to press it. */
export function Menu(props: MenuProps) {
  const [isWanted, setWanted] = useState(false);
  const { label, className, button } = props;
  if (isWanted) return <OpenMenu {...props} />;
  return (
    <button
      type="button"
      aria-label={label}
      aria-haspopup="menu"
      aria-expanded={false}
      className={className}
      onPointerEnter={() => void load()}
      onFocus={() => void load()}
      onClick={() => setWanted(true)}
    >
      {button}
    </button>
  );
}
