'use client';

import Link from 'next/link';
import type { PlantMap } from '../../core/watch';
import { CARRIER_WORDS } from '../diagram/carrier-words';

type Area = PlantMap['areas'][number];

function Chip({
  section: { id, name, source, jobs },
  onPick,
}: {
  readonly section: Area['lanes'][number]['shown'][number];
  readonly onPick: (id: string) => void;
}) {
  const title = `${id}: ${name}${source ? ', a source' : ''}${jobs.length > 0 ? `, ${jobs.join(' and ')} ${jobs.length > 1 ? 'work' : 'works'} here` : ''}`;
  return (
    <button
      type="button"
      title={title}
      aria-label={title}
      onClick={() => onPick(id)}
      className={`cursor-pointer border px-1.5 font-mono text-xs leading-5 hover:border-primary ${source ? 'rounded-full border-base-content' : 'rounded-sm border-base-300'} ${jobs.length > 0 ? 'bg-primary text-primary-content' : 'bg-base-100'}`}
    >
      {id}
    </button>
  );
}

function Region({
  area,
  onArea,
  onSection,
}: {
  readonly area: Area;
  readonly onArea: (id: string) => void;
  readonly onSection: (id: string) => void;
}) {
  const { id, name, zone, lanes, jobs } = area;
  return (
    <section
      aria-label={name}
      className="mb-3 flex break-inside-avoid flex-col gap-1.5 rounded-box bg-base-200 p-2"
    >
      <div className="flex items-baseline gap-2">
        <button
          type="button"
          onClick={() => onArea(id)}
          className="cursor-pointer text-left font-bold underline decoration-base-content/30 hover:decoration-current"
        >
          {name}
        </button>
        {zone !== 'none' && <span className="text-xs">zone {zone}</span>}
        <span className="ml-auto text-xs">{area.sections}</span>
      </div>
      {jobs.length > 0 && (
        <p className="flex flex-wrap gap-x-2 text-xs">
          {jobs.map((job) => (
            <Link
              key={job.id}
              href={`/jobs/${job.id}`}
              className="inline-block min-w-6 py-0.5 underline"
              title={job.title}
            >
              <span className="font-mono">{job.id}</span> {job.title}
            </Link>
          ))}
        </p>
      )}
      {lanes.map(({ carrier, shown, more }) => (
        <div key={carrier} className="flex flex-wrap items-center gap-1">
          <span className="w-18 text-xs">{CARRIER_WORDS[carrier]}</span>
          {shown.map((section) => (
            <Chip key={section.id} section={section} onPick={onSection} />
          ))}
          {more > 0 && (
            <button
              type="button"
              className="cursor-pointer text-xs underline"
              onClick={() => onArea(id)}
            >
              {more} more
            </button>
          )}
        </div>
      ))}
    </section>
  );
}

/** The whole plant at first sight: a region for each area, a lane for each carrier in it, a chip for each section. */
export function PlantRegions({
  map,
  onArea,
  onSection,
}: {
  readonly map: PlantMap;
  readonly onArea: (id: string) => void;
  readonly onSection: (id: string) => void;
}) {
  return (
    <div className="columns-1 gap-3 sm:columns-2 xl:columns-3">
      {map.areas.map((area) => (
        <Region key={area.id} area={area} onArea={onArea} onSection={onSection} />
      ))}
    </div>
  );
}
