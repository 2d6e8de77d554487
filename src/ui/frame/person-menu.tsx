'use client';

import { ChevronDown, UserRound } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { Deed } from './deed';

const ITEM =
  'cursor-pointer rounded px-3 py-2 outline-none data-[highlighted]:bg-primary data-[highlighted]:text-primary-content';

/** Who is signed in, and what they can do about it. */
export function PersonMenu({
  name,
  deeds,
}: {
  readonly name: string;
  readonly deeds: readonly Deed[];
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="flex items-center gap-1 whitespace-nowrap rounded px-1 py-0.5 hover:bg-base-300">
        <UserRound size={16} aria-hidden />
        <span className="max-w-40 truncate max-sm:max-w-20">{name}</span>
        <ChevronDown size={14} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 min-w-52 rounded-box border border-base-300 bg-base-100 p-1 shadow-xl"
        >
          {deeds.map(({ label, does }) => (
            <DropdownMenu.Item key={label} className={ITEM} onSelect={does}>
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
