'use client';

import { ChevronDown, Waypoints } from 'lucide-react';
import type { DossierView, Lamp, LampSource } from '../../core/job';
import { LampSign, LampWord } from '../kit/lamp';
import { ProofsEnd } from './proofs-end';
import { useLight } from './light';

/** What stands on a route, by what is done there: closed and locked, to be closed, or nothing. */
function listStops(route: readonly string[], { plan, dossier }: DossierView) {
  const { locked } = dossier.isolation;
  return route
    .filter((id) => plan?.close.includes(id))
    .map((id) => ({ id, isLocked: id in locked }));
}

/** One source behind a lamp: its way to the work, what stops it there, and how well it has to be held back. */
function SourceRoute({
  source,
  view,
}: {
  readonly source: LampSource;
  readonly view: DossierView;
}) {
  const { id, name, route, state, why } = source;
  const traced = view.sources.find((one) => one.id === id);
  const isEmptied = view.emptied.some((one) => one.id === id);
  const stops = listStops(route, view);
  return (
    <li data-source={id} className="border-t border-base-300 py-1">
      <p>
        <span className="font-mono font-bold">{id}</span> {name}{' '}
        <span className="text-xs">({state})</span>
      </p>
      <p className="text-xs [overflow-wrap:anywhere]">
        {[id, ...route].map((step, at) => (
          <span key={`${step}-${at}`} className="font-mono">
            {stops.some((stop) => stop.id === step) ? (
              <strong className="bg-base-300 px-0.5">{step}</strong>
            ) : (
              step
            )}
            {' › '}
          </span>
        ))}
        the work
      </p>
      {route.length > 0 && !isEmptied && (
        <p className="text-xs">
          {stops.length === 0
            ? 'No point of the plan stands on this way.'
            : `Stopped by ${stops.map((stop) => `${stop.id}${stop.isLocked ? ' (locked)' : ' (planned)'}`).join(', ')}.`}
        </p>
      )}
      <p className="text-xs">{why}</p>
      {isEmptied && (
        <p className="text-xs">
          It is run empty before anything is shut, and has to be proved empty.
        </p>
      )}
      {traced && (
        <p className="text-xs">
          Has to be held back by {traced.grade}: {traced.reasons.join('; ')}
          {traced.score ? ` (stricter: ${traced.score})` : ''}.
        </p>
      )}
    </li>
  );
}

function LampRow({
  lamp,
  view,
  onShow,
}: {
  readonly lamp: Lamp;
  readonly view: DossierView;
  /** Goes to the diagram, where it is not in sight. */
  readonly onShow: (() => void) | undefined;
}) {
  const light = useLight();
  const isPressed = light.lamp?.id === lamp.id;
  const hasMore = lamp.sources.length > 0;
  const head = (
    <>
      <LampSign state={lamp.state} />
      <span className="min-w-0 grow">
        <span className="flex items-baseline gap-x-2">
          <LampWord state={lamp.state} />
          {lamp.kind === 'store' && <span className="font-mono text-sm">{lamp.id}</span>}
        </span>
        <span className={`text-sm ${isPressed ? 'block' : 'line-clamp-2'}`}>{lamp.name}</span>
      </span>
      {hasMore && (
        <ChevronDown
          aria-hidden
          size={16}
          className={`mt-1 shrink-0 ${isPressed ? 'rotate-180' : ''}`}
        />
      )}
    </>
  );
  return (
    <li data-lamp={lamp.state} className={`rounded ${isPressed ? 'bg-base-200' : ''}`}>
      {hasMore ? (
        <button
          type="button"
          aria-expanded={isPressed}
          onClick={() => light.press(lamp.id)}
          className="flex w-full cursor-pointer items-start gap-2 rounded p-1 text-left hover:bg-base-200"
        >
          {head}
        </button>
      ) : (
        <div className="flex items-start gap-2 p-1">{head}</div>
      )}
      {isPressed && (
        <div className="flex flex-col gap-1 px-2 pb-2 text-sm">
          {onShow && (
            <button type="button" className="btn btn-xs self-start" onClick={onShow}>
              <Waypoints aria-hidden size={13} /> Show the ways on the diagram
            </button>
          )}
          <ul>
            {lamp.sources.map((source) => (
              <SourceRoute key={source.id} source={source} view={view} />
            ))}
          </ul>
        </div>
      )}
    </li>
  );
}

/** Every way in which energy can reach the crew, as a lamp. A press lights its ways on the diagram and says what stops each. */
export function LampBoard({
  view,
  onShow,
}: {
  readonly view: DossierView;
  readonly onShow: (() => void) | undefined;
}) {
  const count = (state: Lamp['state']) => view.lamps.filter((lamp) => lamp.state === state).length;
  return (
    <section aria-label="Lamps">
      <h2 className="text-lg font-bold">Lamps</h2>
      <p className="text-sm">
        <span data-testid="lamps-lit">{count('lit')} lit</span>, {count('shuttered')} shuttered,{' '}
        <span data-testid="lamps-dark">{count('dark')} dark</span>
      </p>
      <ProofsEnd now={view.now} end={view.proofsEnd} />
      {view.lamps.length === 0 && (
        <p className="text-sm">
          Nothing reaches this work on the drawing: doubt the drawing before going on.
        </p>
      )}
      <ul className="flex flex-col gap-0.5">
        {view.lamps.map((lamp) => (
          <LampRow key={lamp.id} lamp={lamp} view={view} onShow={onShow} />
        ))}
      </ul>
    </section>
  );
}
