'use client';

import { Tabs } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/** One tab of a job: what it is called, how much in it wants to be seen, and what it holds. */
export interface JobTab {
  readonly id: string;
  readonly label: string;
  /** So many things in it ask for somebody. */
  readonly count?: number;
  readonly content: ReactNode;
}

/**
 * The work of the stage, and what does not depend on it, side by side. A tab is made when it is first looked at; from then on what is typed in
 * it stays when another is.
 */
export function JobTabs({
  tabs,
  shown,
  onShow,
}: {
  readonly tabs: readonly JobTab[];
  readonly shown: string;
  readonly onShow: (id: string) => void;
}) {
  // A tab that the job has no longer gives way to its first.
  const value = tabs.some(({ id }) => id === shown) ? shown : (tabs[0]?.id ?? '');
  const [seen, setSeen] = useState<readonly string[]>([value]);
  if (!seen.includes(value)) setSeen([...seen, value]);
  return (
    <Tabs.Root value={value} onValueChange={onShow} className="flex flex-col gap-3">
      <Tabs.List
        aria-label="Parts of this job"
        className="flex flex-wrap gap-1 border-b border-base-300 print:hidden"
      >
        {tabs.map(({ id, label, count = 0 }) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="rounded-t px-3 py-1.5 data-[state=active]:bg-primary data-[state=active]:font-bold data-[state=active]:text-primary-content data-[state=inactive]:hover:bg-base-200"
          >
            {label}
            {count > 0 && <span className="ml-1 font-mono text-xs">({count})</span>}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tabs.map(({ id, content }) => (
        <Tabs.Content
          key={id}
          value={id}
          forceMount={seen.includes(id) || undefined}
          className="flex flex-col gap-4 outline-none data-[state=inactive]:hidden"
        >
          {content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
