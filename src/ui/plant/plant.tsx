'use client';

import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import type { Activity } from '../../core/plant/schema';
import { ACTIVITIES } from '../../core/plant/vocabulary';
import type { PlantMap, SectionAnswer } from '../../core/watch';
import { PlantDiagram } from '../diagram/diagram';
import { Finder } from '../diagram/finder';
import type { Marks, Presses } from '../diagram/marks';
import { useAsked } from '../planning/use-asked';
import { PlantRegions } from './plant-map';
import { SectionCard } from './section-card';

/** What of the plant is looked at. */
interface Look {
  readonly area?: string | undefined;
  readonly section?: string | undefined;
  readonly activity: Activity;
}

const HEIGHT = 'calc(100vh - 12rem)';

/** The answer of an address; 'none' when there was none. */
function useFetched<T>(url: string | undefined): T | 'none' | undefined {
  const [answer, setAnswer] = useState<{ readonly url: string; readonly value: T | 'none' }>();
  useEffect(() => {
    if (url === undefined) return;
    const stop = new AbortController();
    const read = async () => {
      const said = await fetch(url, { signal: stop.signal });
      setAnswer({ url, value: said.ok ? ((await said.json()) as T) : 'none' });
    };
    // Another address was asked for meanwhile, or the server is out of reach.
    read().catch(() => undefined);
    return () => stop.abort();
  }, [url]);
  return answer?.url === url ? answer?.value : undefined;
}

const Drawing = () => (
  <p role="status" className="border border-base-300 p-3" style={{ height: HEIGHT }}>
    The diagram is being drawn…
  </p>
);

/** One area in lanes; a press on a section asks about it. */
function AreaDiagram({
  area,
  asBuilt,
  onSection,
}: {
  readonly area: string;
  readonly asBuilt: Readonly<Record<string, string>>;
  readonly onSection: (id: string) => void;
}) {
  const drawing = useFetched<Diagram>(`/api/plant/area?area=${encodeURIComponent(area)}`);
  const marks = useMemo((): Marks => ({ asBuilt }), [asBuilt]);
  const presses = useMemo((): Presses => ({ onSection, onMore: onSection }), [onSection]);
  if (drawing === 'none') {
    return (
      <p role="alert">
        This area is too large to be drawn whole. Choose one of its sections: what lies round it is
        drawn.
      </p>
    );
  }
  return drawing ? (
    <PlantDiagram drawing={drawing} marks={marks} presses={presses} height={HEIGHT} />
  ) : (
    <Drawing />
  );
}

/** What lies round the section that is asked about, with the ways of what is lit. */
function AroundDiagram({
  section,
  links,
  asBuilt,
  onSection,
}: {
  readonly section: string;
  readonly links: readonly string[];
  readonly asBuilt: Readonly<Record<string, string>>;
  readonly onSection: (id: string) => void;
}) {
  const [opened, setOpened] = useState<readonly string[]>([]);
  const drawing = useAsked<Diagram>('/api/plant/around', { section, links, opened }, 0);
  const marks = useMemo(
    (): Marks => ({ work: [section], lit: links, asBuilt }),
    [section, links, asBuilt],
  );
  const presses = useMemo(
    (): Presses => ({ onSection, onMore: (id) => setOpened((now) => [...now, id]) }),
    [onSection],
  );
  return drawing ? (
    <PlantDiagram drawing={drawing} marks={marks} presses={presses} height={HEIGHT} />
  ) : (
    <Drawing />
  );
}

/** The plant: whole at first sight, an area in lanes, and any section asked what can reach it before a job is raised. */
export function PlantScreen({
  name,
  map,
  asBuilt,
  start,
  tools,
  children,
}: {
  readonly name: string;
  readonly map: PlantMap;
  readonly asBuilt: Readonly<Record<string, string>>;
  readonly start: { readonly area?: string | undefined; readonly section?: string | undefined };
  readonly tools: ReactNode;
  /** What stands below the plant: cautions and versions. */
  readonly children: ReactNode;
}) {
  const [look, setLook] = useState<Look>({ ...start, activity: ACTIVITIES[0] });
  const [lit, setLit] = useState<string>();
  const { area, section, activity } = look;
  const go = useCallback((change: Partial<Look>) => {
    setLook((now) => ({ ...now, ...change }));
    setLit(undefined);
  }, []);
  const showSection = useCallback((id: string) => go({ section: id }), [go]);
  useEffect(() => {
    const where = new URLSearchParams({
      ...(area === undefined ? {} : { area }),
      ...(section === undefined ? {} : { section }),
    }).toString();
    window.history.replaceState(null, '', where === '' ? '/plant' : `/plant?${where}`);
  }, [area, section]);
  const query =
    section === undefined ? undefined : new URLSearchParams({ section, activity }).toString();
  const asked = useFetched<SectionAnswer>(query && `/api/plant/ask?${query}`);
  const answer = asked === 'none' ? undefined : asked;
  const links = useMemo(
    () =>
      answer?.arrivals.find(({ id }) => id === lit)?.sources.flatMap(({ route }) => route) ?? [],
    [answer, lit],
  );
  const tags = useMemo(
    () => map.areas.flatMap(({ lanes }) => lanes.flatMap(({ shown }) => shown)),
    [map],
  );
  const areaName = map.areas.find(({ id }) => id === area)?.name;
  const isWhole = area === undefined && section === undefined;
  return (
    <main className="flex flex-col gap-3 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-xl font-bold">{name}</h1>
        {!isWhole && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => go({ area: undefined, section: undefined })}
          >
            Whole plant
          </button>
        )}
        {section !== undefined && area !== undefined && (
          <button type="button" className="btn btn-sm" onClick={() => go({ section: undefined })}>
            {areaName}
          </button>
        )}
        {section === undefined && areaName !== undefined && (
          <strong aria-current="page">{areaName}</strong>
        )}
        <Finder label="Find a section" tags={tags} onFind={showSection} />
        <span className="ml-auto flex flex-wrap items-center gap-3">{tools}</span>
      </div>
      <div className={section === undefined ? '' : 'grid gap-4 lg:grid-cols-[minmax(0,1fr)_21rem]'}>
        <div className="min-w-0">
          {section !== undefined ? (
            <AroundDiagram
              key={section}
              section={section}
              links={links}
              asBuilt={asBuilt}
              onSection={showSection}
            />
          ) : area !== undefined ? (
            <AreaDiagram area={area} asBuilt={asBuilt} onSection={showSection} />
          ) : (
            <PlantRegions
              map={map}
              onArea={(id) => go({ area: id, section: undefined })}
              onSection={showSection}
            />
          )}
        </div>
        {section !== undefined && (
          <aside
            aria-label={`About ${section}`}
            className="lg:max-h-[calc(100vh-9rem)] lg:overflow-auto"
          >
            {answer ? (
              <SectionCard
                key={query}
                answer={answer}
                activity={activity}
                lit={lit}
                onActivity={(one) => go({ activity: one })}
                onLight={(id) => setLit((now) => (now === id ? undefined : id))}
              />
            ) : (
              <p role="status">
                {asked === 'none'
                  ? `Nothing can be said of ${section}: load the plant again.`
                  : `Asking what can reach ${section}…`}
              </p>
            )}
          </aside>
        )}
      </div>
      {isWhole && children}
    </main>
  );
}
