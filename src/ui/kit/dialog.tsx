'use client';

import { Dialog as Parts } from 'radix-ui';
import type { ReactNode } from 'react';

/** A dialog that stands open until it is closed: by its own button, the Escape key, or a press beside it. */
export function Dialog({
  title,
  leave,
  onClose,
  children,
}: {
  readonly title: string;
  /** What the button that closes it says. */
  readonly leave: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  return (
    <Parts.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Parts.Portal>
        <Parts.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Parts.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-16 z-50 flex max-h-[calc(100dvh-5rem)] w-[min(28rem,calc(100vw-2rem))] -translate-x-1/2 flex-col gap-3 overflow-y-auto rounded-box border border-base-300 bg-base-100 p-4 shadow-xl"
        >
          <Parts.Title className="text-lg font-bold">{title}</Parts.Title>
          {children}
          <Parts.Close className="btn btn-sm self-start">{leave}</Parts.Close>
        </Parts.Content>
      </Parts.Portal>
    </Parts.Root>
  );
}
