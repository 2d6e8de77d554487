'use client';

import { Command } from 'cmdk';
import { Search } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';

/** Something that is found by its tag or its name. */
export interface Tagged {
  readonly id: string;
  readonly name: string;
}

/** Finds one of some tags by its letters or its name. */
export function Finder({
  label = 'Find a tag',
  tags,
  onFind,
}: {
  readonly label?: string;
  readonly tags: readonly Tagged[];
  readonly onFind: (id: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const [isFound, setFound] = useState(false);
  return (
    <Popover.Root
      open={isOpen}
      onOpenChange={(open) => {
        setFound(false);
        setOpen(open);
      }}
    >
      <Popover.Trigger className="btn btn-xs gap-1">
        <Search aria-hidden size={13} /> {label}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          // What was found has the focus now.
          onCloseAutoFocus={(event) => isFound && event.preventDefault()}
          className="z-50 w-72 rounded-box border border-base-300 bg-base-100 p-1 shadow-xl"
        >
          <Command label={label}>
            <Command.Input placeholder="Tag or name" className="input input-sm mb-1 w-full" />
            <Command.List className="max-h-64 overflow-auto">
              <Command.Empty className="px-3 py-1.5 text-sm">
                Nothing of that name is drawn here.
              </Command.Empty>
              {tags.map(({ id, name }) => (
                <Command.Item
                  key={id}
                  value={`${id} ${name}`}
                  onSelect={() => {
                    setFound(true);
                    setOpen(false);
                    onFind(id);
                  }}
                  className="flex cursor-pointer items-baseline gap-2 rounded px-2 py-1 text-sm data-[selected=true]:bg-primary data-[selected=true]:text-primary-content"
                >
                  <span className="font-mono">{id}</span>
                  <span className="truncate">{name}</span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
