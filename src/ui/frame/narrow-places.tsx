'use client';

import { Menu } from 'lucide-react';
import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import { isAt, PLACES } from './places';

/** The places behind one button, where there is no room for the rail. */
export function NarrowPlaces({ path }: { readonly path: string }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger aria-label="Places" className="rounded p-1 hover:bg-base-300 md:hidden">
        <Menu size={20} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          className="z-50 min-w-44 rounded-box border border-base-300 bg-base-100 p-1 shadow-xl"
        >
          {PLACES.map(({ href, label, Icon }) => (
            <DropdownMenu.Item key={href} asChild>
              <Link
                href={href}
                aria-current={isAt(path, href) ? 'page' : undefined}
                className="flex items-center gap-2 rounded px-3 py-2 outline-none aria-[current]:font-bold data-[highlighted]:bg-primary data-[highlighted]:text-primary-content"
              >
                <Icon size={18} aria-hidden />
                {label}
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
