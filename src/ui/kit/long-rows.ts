'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';

/** Up to so many rows stand in the page as they are; of more only those in sight are drawn. */
const MOST_PLAIN = 100;
const OVERSCAN = 12;

/** Which rows of a long list are drawn, and the room (px) that those before and after them take. */
export function useLongRows(count: number, heightOf: (index: number) => number) {
  const scroller = useRef<HTMLDivElement>(null);
  const isLong = count > MOST_PLAIN;
  // eslint-disable-next-line react-hooks/incompatible-library -- what it answers is used by one list alone
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: heightOf,
    overscan: OVERSCAN,
    enabled: isLong,
  });
  if (!isLong) {
    return {
      scroller,
      isLong,
      drawn: Array.from({ length: count }, (_, n) => n),
      before: 0,
      after: 0,
    };
  }
  const items = virtual.getVirtualItems();
  return {
    scroller,
    isLong,
    drawn: items.map(({ index }) => index),
    before: items[0]?.start ?? 0,
    after: virtual.getTotalSize() - (items.at(-1)?.end ?? 0),
  };
}
