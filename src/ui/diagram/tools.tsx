'use client';

import { Maximize2, Minus, Plus, Scan } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import { Finder } from './finder';
import { listTags } from './places';

/** What can be done with a diagram: find a tag, zoom, see all of it, fill the screen. */
export function DiagramTools({
  drawing,
  onFind,
  onZoom,
  onAll,
  onFull,
  children,
}: {
  readonly drawing: Diagram;
  readonly onFind: (id: string) => void;
  readonly onZoom: (factor: number) => void;
  readonly onAll: () => void;
  readonly onFull: () => void;
  readonly children: ReactNode;
}) {
  return (
    <div className="no-print flex flex-wrap items-center gap-1 pb-1">
      <Finder tags={listTags(drawing)} onFind={onFind} />
      <button type="button" className="btn btn-xs" onClick={() => onZoom(1.3)}>
        <Plus aria-hidden size={13} />
        <span className="sr-only">Larger</span>
      </button>
      <button type="button" className="btn btn-xs" onClick={() => onZoom(1 / 1.3)}>
        <Minus aria-hidden size={13} />
        <span className="sr-only">Smaller</span>
      </button>
      <button type="button" className="btn btn-xs gap-1" onClick={onAll}>
        <Scan aria-hidden size={13} /> Show all of it
      </button>
      <button type="button" className="btn btn-xs gap-1" onClick={onFull}>
        <Maximize2 aria-hidden size={13} /> Full screen
      </button>
      {children}
    </div>
  );
}
