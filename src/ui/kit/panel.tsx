import type { ReactNode } from 'react';

/** One titled block of a view. */
export function Panel({
  title,
  spot,
  children,
}: {
  readonly title: string;
  readonly spot?: string;
  readonly children: ReactNode;
}) {
  return (
    <section
      aria-label={title}
      data-spot={spot}
      className="flex scroll-mt-44 flex-col gap-2 border-t-2 border-base-content pt-2"
    >
      <h2 className="text-lg font-bold">{title}</h2>
      {children}
    </section>
  );
}
