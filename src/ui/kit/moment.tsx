'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { momentsIn, type Moments } from '../../core/moments';

const Zone = createContext('UTC');

/** The time zone of the site, for every screen below. */
export const SiteZone = ({
  zone,
  children,
}: {
  readonly zone: string;
  readonly children: ReactNode;
}) => <Zone value={zone}>{children}</Zone>;

/** How instants are said on the screens: by the clock on the site's wall. */
export const useMoments = (): Moments => momentsIn(useContext(Zone));

interface At {
  /** An instant (ISO 8601, UTC). */
  readonly at: string;
}

const shown = (at: string, words: string) => <time dateTime={at}>{words}</time>;

/** "14:30 UTC". */
export const Time = ({ at }: At) => shown(at, useMoments().time(at));

/** "2026-11-24 14:30 UTC". */
export const Instant = ({ at }: At) => shown(at, useMoments().instant(at));

/** "2026-11-24". */
export const Day = ({ at }: At) => shown(at, useMoments().day(at));

/** "14:30 UTC (in 12 min)". */
export const Beside = ({ at, now }: At & { readonly now: string }) =>
  shown(at, useMoments().beside(at, now));
