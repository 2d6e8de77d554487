'use client';

import { ChevronDown, UserRound } from 'lucide-react';
import { Menu } from '../kit/menu';
import type { Deed } from './deed';

/** Who is signed in, and what they can do about it. */
export function PersonMenu({
  name,
  deeds,
}: {
  readonly name: string;
  readonly deeds: readonly Deed[];
}) {
  const button = (
    <>
      <UserRound size={16} aria-hidden />
      <span className="max-w-40 truncate max-sm:max-w-20">{name}</span>
      <ChevronDown size={14} aria-hidden />
    </>
  );
  return (
    <Menu
      className="flex items-center gap-1 whitespace-nowrap rounded px-1 py-0.5 hover:bg-base-300"
      button={button}
      items={deeds}
    />
  );
}
