'use client';

import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import type { MenuItem, MenuProps } from './menu-types';

const LOOK =
  'flex cursor-pointer items-center gap-2 rounded px-3 py-2 outline-none aria-[current]:font-bold data-[highlighted]:bg-primary data-[highlighted]:text-primary-content';

function Item({ label, icon, does, href, isCurrent, isTicked }: MenuItem) {
  if (isTicked !== undefined) {
    return (
      <DropdownMenu.CheckboxItem
        checked={isTicked}
        // It stays open: more than one is chosen.
        onSelect={(event) => event.preventDefault()}
        onCheckedChange={does}
        className={LOOK}
      >
        <span className="w-4">{isTicked ? '✓' : ''}</span> {label}
      </DropdownMenu.CheckboxItem>
    );
  }
  if (href !== undefined) {
    return (
      <DropdownMenu.Item asChild>
        <Link href={href} aria-current={isCurrent ? 'page' : undefined} className={LOOK}>
          {icon}
          {label}
        </Link>
      </DropdownMenu.Item>
    );
  }
  return (
    <DropdownMenu.Item className={LOOK} onSelect={does}>
      {icon}
      {label}
    </DropdownMenu.Item>
  );
}

/** A menu that stands open at first. Its items are those of the headless library, which sees to the keyboard. */
export function OpenMenu({ label, className, button, align = 'end', items }: MenuProps) {
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger aria-label={label} className={className}>
        {button}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          className="z-50 min-w-44 rounded-box border border-base-300 bg-base-100 p-1 shadow-xl"
        >
          {items.map((item) => (
            <Item key={item.label} {...item} />
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
