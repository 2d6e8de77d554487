'use client';

import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

/** How an item of a menu looks. */
export const MENU_ITEM =
  'flex cursor-pointer items-center gap-2 rounded px-3 py-2 outline-none aria-[current]:font-bold data-[highlighted]:bg-primary data-[highlighted]:text-primary-content';

/** A menu behind a button. Its items are those of the headless library, which sees to the keyboard. */
export function Menu({
  label,
  className,
  button,
  align = 'end',
  children,
}: {
  /** What the button is called, where what it shows does not say so. */
  readonly label?: string;
  readonly className: string;
  readonly button: ReactNode;
  readonly align?: 'start' | 'end';
  readonly children: ReactNode;
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger aria-label={label} className={className}>
        {button}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          className="z-50 min-w-44 rounded-box border border-base-300 bg-base-100 p-1 shadow-xl"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
