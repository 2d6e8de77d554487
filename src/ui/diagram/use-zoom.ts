import { select, zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import { findSpot } from './places';

/** Below this a tag of 12 px can no longer be read at arm's length: no diagram begins smaller. */
const LEAST_AT_FIRST = 0.92;
const STEP_PX = 80;

/** What part of a diagram is looked at: drag to move, Ctrl and wheel or keys to zoom. It begins with `middle` in the middle. */
export function useZoom(drawing: Diagram, middle: string | undefined) {
  const frame = useRef<SVGSVGElement>(null);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown>>(undefined);
  const [view, setView] = useState({ x: 0, y: 0, k: 1 });
  const [size, setSize] = useState({ width: 0, height: 0 });

  useEffect(() => {
    const svg = frame.current;
    if (!svg) return;
    behaviour.current = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.1, 3])
      .filter((event: MouseEvent) => (event.type === 'wheel' ? event.ctrlKey : event.button === 0))
      .on('zoom', ({ transform: { x, y, k } }: D3ZoomEvent<SVGSVGElement, unknown>) =>
        setView({ x, y, k }),
      );
    select(svg).call(behaviour.current);
    const measure = () => setSize({ width: svg.clientWidth, height: svg.clientHeight });
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(svg);
    return () => watch.disconnect();
  }, []);

  const look = (x: number, y: number, k: number) => {
    const svg = frame.current;
    if (!svg || !behaviour.current) return;
    const { clientWidth, clientHeight } = svg;
    const there = zoomIdentity
      .translate(clientWidth / 2 - x * k, clientHeight / 2 - y * k)
      .scale(k);
    select(svg).call((selection) => behaviour.current?.transform(selection, there));
  };
  const fitOf = (least: number) => {
    const { clientWidth = 1, clientHeight = 1 } = frame.current ?? {};
    const fits = Math.min(clientWidth / drawing.width, clientHeight / drawing.height);
    return Math.max(least, Math.min(1.2, fits));
  };
  const showAll = () => look(drawing.width / 2, drawing.height / 2, fitOf(0.1));
  /** Puts a tag in the middle, large enough to be read. */
  const goTo = (id: string) => {
    const spot = findSpot(drawing, id);
    if (spot) look(spot.x, spot.y, Math.max(view.k, LEAST_AT_FIRST));
  };
  const zoomBy = (factor: number) => {
    const svg = frame.current;
    if (svg) select(svg).call((selection) => behaviour.current?.scaleBy(selection, factor));
  };
  const move = (x: number, y: number) => {
    const svg = frame.current;
    if (svg) select(svg).call((selection) => behaviour.current?.translateBy(selection, x, y));
  };

  // A new drawing begins at its middle; where all of it fits, all of it is shown.
  useEffect(() => {
    const k = fitOf(LEAST_AT_FIRST);
    const { clientWidth = 0, clientHeight = 0 } = frame.current ?? {};
    const fits = drawing.width * k <= clientWidth && drawing.height * k <= clientHeight;
    const spot = fits ? undefined : findSpot(drawing, middle);
    look(spot?.x ?? drawing.width / 2, spot?.y ?? drawing.height / 2, k);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a new drawing or middle moves the eye
  }, [drawing, middle]);

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.altKey || event.metaKey) return;
    const keys: Readonly<Record<string, () => void>> = {
      ArrowLeft: () => move(STEP_PX / view.k, 0),
      ArrowRight: () => move(-STEP_PX / view.k, 0),
      ArrowUp: () => move(0, STEP_PX / view.k),
      ArrowDown: () => move(0, -STEP_PX / view.k),
      '+': () => zoomBy(1.3),
      '-': () => zoomBy(1 / 1.3),
      '0': showAll,
      Home: () => middle !== undefined && goTo(middle),
    };
    const work = keys[event.key];
    if (!work) return;
    event.preventDefault();
    event.stopPropagation();
    work();
  };
  return { frame, view, size, look, goTo, showAll, zoomBy, onKeyDown };
}
