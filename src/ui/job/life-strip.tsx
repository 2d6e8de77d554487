import { useEffect, useRef } from 'react';
import type { DossierView } from '../../core/job';
import { listLife } from '../../core/job/life';
import { useMoments } from '../kit/moment';

/** What a job has behind it: when, what, who, in a row of which the newest is in sight. */
export function LifeStrip({
  view,
  names,
}: {
  readonly view: DossierView;
  readonly names: Readonly<Record<string, string>>;
}) {
  const { clock, day, instant } = useMoments();
  const life = listLife(view.dossier);
  const strip = useRef<HTMLOListElement>(null);
  useEffect(() => {
    strip.current?.scrollTo({ left: strip.current.scrollWidth });
  }, [life.length]);
  // That it was raised alone is no news.
  if (life.length < 2) return null;
  return (
    <ol
      ref={strip}
      aria-label="So far"
      tabIndex={0}
      className="flex overflow-x-auto pb-1 text-xs print:flex-wrap"
    >
      {life.map(({ what, by, at, figure }, n) => {
        const before = life[n - 1];
        const isNewDay = before === undefined || day(before.at) !== day(at);
        return (
          <li
            key={`${what} ${at}`}
            title={`${instant(at)}: ${what}${figure === undefined ? '' : `, ${figure}`}, ${names[by] ?? by}`}
            className="relative flex shrink-0 flex-col border-t-2 border-primary pr-5 pt-2"
          >
            <span
              aria-hidden
              className="absolute -top-[5px] left-0 size-2 rounded-full bg-primary"
            />
            <span className="font-mono">
              {isNewDay && day(at) !== day(view.now) && `${day(at)} `}
              {clock(at)}
            </span>
            <span>
              <strong>{what}</strong>
              {figure !== undefined && `, ${figure}`}
            </span>
            <span>{names[by] ?? by}</span>
          </li>
        );
      })}
    </ol>
  );
}
