'use client';

import { ChevronsLeft, ChevronsRight } from 'lucide-react';
import Link from 'next/link';
import { isAt, type Place } from './places';

/** The places down the left side, icon and word; or icons alone when it is drawn in. */
export function Rail({
  path,
  places,
  isDrawnIn,
  onDraw,
}: {
  readonly path: string;
  readonly places: readonly Place[];
  readonly isDrawnIn: boolean;
  readonly onDraw: () => void;
}) {
  const Chevrons = isDrawnIn ? ChevronsRight : ChevronsLeft;
  return (
    <nav
      aria-label="Places"
      className={`sticky top-0 flex h-screen shrink-0 flex-col gap-0.5 overflow-y-auto bg-neutral py-1 text-neutral-content max-md:hidden ${isDrawnIn ? 'w-11' : 'w-[4.75rem]'}`}
    >
      {places.map(({ href, label, Icon }) => {
        const isHere = isAt(path, href);
        return (
          <Link
            key={href}
            href={href}
            title={isDrawnIn ? label : undefined}
            aria-label={isDrawnIn ? label : undefined}
            aria-current={isHere ? 'page' : undefined}
            className={`mx-1 flex flex-col items-center gap-0.5 rounded py-1.5 text-xs ${isHere ? 'bg-base-100 font-bold text-base-content' : 'hover:bg-neutral-content/15'}`}
          >
            <Icon size={20} aria-hidden />
            {!isDrawnIn && label}
          </Link>
        );
      })}
      <button
        className="mx-1 mt-auto flex justify-center rounded py-2 hover:bg-neutral-content/15"
        aria-label={isDrawnIn ? 'Show the words of the rail' : 'Show icons alone'}
        onClick={onDraw}
      >
        <Chevrons size={18} aria-hidden />
      </button>
    </nav>
  );
}
