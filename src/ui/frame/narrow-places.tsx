'use client';

import { Menu as MenuIcon } from 'lucide-react';
import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import { Menu, MENU_ITEM } from '../kit/menu';
import { isAt, PLACES } from './places';

/** The places behind one button, where there is no room for the rail. */
export function NarrowPlaces({ path }: { readonly path: string }) {
  return (
    <Menu
      label="Places"
      align="start"
      className="rounded p-1 hover:bg-base-300 md:hidden"
      button={<MenuIcon size={20} aria-hidden />}
    >
      {PLACES.map(({ href, label, Icon }) => (
        <DropdownMenu.Item key={href} asChild>
          <Link
            href={href}
            aria-current={isAt(path, href) ? 'page' : undefined}
            className={MENU_ITEM}
          >
            <Icon size={18} aria-hidden />
            {label}
          </Link>
        </DropdownMenu.Item>
      ))}
    </Menu>
  );
}
