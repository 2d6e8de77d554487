'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { MenuProps } from './menu-types';

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
