'use client';

import { Dialog } from '../kit/dialog';

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
    <Dialog title="Keys" leave="Close" onClose={onClose}>
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
    </Dialog>
  );
}
