'use client';

import { Dialog } from 'radix-ui';

/** The keys that work on every screen, for whoever presses "?". */
const KEYS: readonly (readonly [string, string])[] = [
  ['Ctrl K', 'find anything, go anywhere, do what can be done from anywhere'],
  ['?', 'this list'],
  ['Tab', 'the next thing that can be pressed or filled in'],
  ['Enter', 'press it'],
  ['Esc', 'close what is open, without doing anything'],
];

export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-16 z-50 flex w-[min(30rem,calc(100vw-2rem))] -translate-x-1/2 flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 shadow-xl"
        >
          <Dialog.Title className="text-lg font-bold">Keys</Dialog.Title>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="kbd kbd-sm">{key}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className="btn btn-sm self-end">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
