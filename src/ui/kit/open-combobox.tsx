'use client';

import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { findChoices, MOST_SHOWN, type Choice } from './choice';

/** The open list of a combobox: a field to search in and what it finds. The headless libraries see to keys, focus and place. */
export function OpenCombobox({
  listId,
  label,
  options,
  value,
  typed,
  onType,
  onPick,
  onClose,
  onShut,
}: {
  readonly listId: string;
  readonly label: string;
  readonly options: readonly Choice[];
  readonly value: string | undefined;
  readonly typed: string;
  readonly onType: (typed: string) => void;
  readonly onPick: (id: string) => void;
  readonly onClose: () => void;
  /** Gives the keyboard back to the field that opened it. */
  readonly onShut: () => void;
}) {
  const found = findChoices(options, typed);
  const shown = found.slice(0, MOST_SHOWN);
  return (
    <Popover.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Popover.Anchor className="absolute inset-0 -z-10" />
      <Popover.Portal>
        <Popover.Content
          id={listId}
          align="start"
          sideOffset={2}
          aria-label={label}
          className="z-[60] w-[max(var(--radix-popover-trigger-width),14rem)] max-w-[calc(100vw-2rem)] rounded-box border border-base-300 bg-base-100 shadow-xl"
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            onShut();
          }}
          // A key before the list was there is typed already: the caret goes behind it.
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            const field = (event.target as HTMLElement).querySelector('input');
            field?.focus();
            field?.setSelectionRange(typed.length, typed.length);
          }}
        >
          <Command
            shouldFilter={false}
            label={label}
            {...(value === undefined || typed !== '' ? {} : { defaultValue: value })}
          >
            <Command.Input
              value={typed}
              onValueChange={onType}
              placeholder="Type to find"
              className="w-full border-b border-base-300 px-3 py-2 outline-none max-sm:py-3 max-sm:text-base"
            />
            <Command.List label={label} className="max-h-64 overflow-auto p-1">
              {shown.map(({ id, label: words }) => (
                <Command.Item
                  key={id}
                  value={id}
                  data-id={id}
                  onSelect={() => onPick(id)}
                  className="flex cursor-pointer items-center gap-2 rounded px-2 py-1 text-sm data-[selected=true]:bg-primary data-[selected=true]:text-primary-content max-sm:py-3 max-sm:text-base"
                >
                  <span className="w-4 shrink-0">{id === value ? '✓' : ''}</span> {words}
                </Command.Item>
              ))}
              {found.length > shown.length && (
                <p className="px-2 py-1 text-sm">
                  {found.length - shown.length} more: type to find them.
                </p>
              )}
              {found.length === 0 && <p className="px-2 py-1 text-sm">Nothing is called that.</p>}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
