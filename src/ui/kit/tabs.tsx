'use client';

import { Tabs as Parts } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/** One tab: what it is called, how much in it wants to be seen, and what it holds. */
export interface Tab<Id extends string = string> {
  readonly id: Id;
  readonly label: string;
  /** So many things in it ask for somebody. */
  readonly count?: number;
  readonly content: ReactNode;
}

/** Parts of one view side by side. A tab is made when it is first looked at; from then on what is typed in it stays when another is. */
export function Tabs<Id extends string>({
  label,
  tabs,
  shown,
  onShow,
}: {
  readonly label: string;
  readonly tabs: readonly Tab<Id>[];
  readonly shown: string;
  readonly onShow: (id: Id) => void;
}) {
  // A tab that there is no longer gives way to the first.
  const value = tabs.find(({ id }) => id === shown)?.id ?? tabs[0]?.id ?? '';
  const [seen, setSeen] = useState<readonly string[]>([value]);
  if (!seen.includes(value)) setSeen([...seen, value]);
  return (
    <Parts.Root
      value={value}
      onValueChange={(id) => onShow(id as Id)}
      className="flex flex-col gap-3"
    >
      <Parts.List
        aria-label={label}
        className="flex flex-wrap gap-1 border-b border-base-300 print:hidden"
      >
        {tabs.map(({ id, label, count = 0 }) => (
          <Parts.Trigger
            key={id}
            value={id}
            className="rounded-t px-3 py-1.5 data-[state=active]:bg-primary data-[state=active]:font-bold data-[state=active]:text-primary-content data-[state=inactive]:hover:bg-base-200"
          >
            {label}
            {count > 0 && <span className="ml-1 font-mono text-xs">({count})</span>}
          </Parts.Trigger>
        ))}
      </Parts.List>
      {tabs.map(({ id, content }) => (
        <Parts.Content
          key={id}
          value={id}
          forceMount={seen.includes(id) || undefined}
          className="flex flex-col gap-4 outline-none data-[state=inactive]:hidden"
        >
          {content}
        </Parts.Content>
      ))}
    </Parts.Root>
  );
}
