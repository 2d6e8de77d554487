import type { ReactNode } from 'react';
import { HAND_VALVE_KINDS } from '../../core/plant/kinds';

/** Diagram symbols, drawn by us after ISO 10628-2 (valves, pumps, blinds), ISO 1219-1 (cylinders) and IEC 60617 (switchgear, transformers). */
const VALVES: ReadonlySet<string> = new Set([...HAND_VALVE_KINDS, 'control-valve', 'relief-valve']);
const SWITCHES = new Set([
  'isolator',
  'circuit-breaker',
  'fuse-switch',
  'withdrawn-breaker',
  'contactor',
  'disconnected-cable',
  'interlock-contact',
  'stop-button',
]);

/** A machine: a circle with its letter. */
const machine = (letter: string) => (
  <>
    <circle r="10" className="fill-base-100" />
    <text textAnchor="middle" y="4" fontSize="11" className="fill-current stroke-none">
      {letter}
    </text>
  </>
);

/** What is filled when shut. */
const filled = (closed: boolean) => (closed ? 'fill-current' : 'fill-base-100');

/** Two plates that face each other, with what stands between them while it is shut or out. */
const plates = (closed: boolean, between: string) => (
  <>
    <path d="M-5,-9 V9 M5,-9 V9" />
    {closed ? <path d="M-2,-4 L2,4 M-2,4 L2,-4" /> : <path d={between} />}
  </>
);

/** The rest by kind. */
const SYMBOLS: Readonly<Record<string, (closed: boolean) => ReactNode>> = {
  'check-valve': () => <path d="M-9,-7 V7 L9,-7 V7" className="fill-base-100" />,
  'steam-trap': () => (
    <>
      <circle r="9" className="fill-base-100" />
      <path d="M-6.4,6.4 A9,9 0 0 0 6.4,-6.4 Z" className="fill-current" />
    </>
  ),
  pump: () => (
    <>
      <circle r="10" className="fill-base-100" />
      <path d="M0,-10 L10,0 L0,10" />
    </>
  ),
  motor: () => machine('M'),
  generator: () => machine('G'),
  engine: () => <path d="M-9,-4 L9,-10 V10 L-9,4 Z" className="fill-base-100" />,
  cylinder: () => (
    <>
      <rect x="-11" y="-6" width="15" height="12" className="fill-base-100" />
      <path d="M-3,-6 V6 M-3,0 H12" />
    </>
  ),
  heater: () => (
    <>
      <rect x="-10" y="-8" width="20" height="16" className="fill-base-100" />
      <path d="M-10,0 H-7 L-5,-5 L-1,5 L3,-5 L6,0 H10" />
    </>
  ),
  agitator: () => <path d="M0,-10 V6 M0,6 L-9,2 V10 Z M0,6 L9,2 V10 Z" className="fill-base-100" />,
  actuator: () => <path d="M0,10 V0 M-8,0 A8,8 0 0 1 8,0 Z" className="fill-base-100" />,
  gearbox: () => (
    <>
      <circle cx="-4" r="7" className="fill-base-100" />
      <circle cx="7" r="4" className="fill-base-100" />
      <path d="M-4,-2 V2 M-6,0 H-2 M7,-1 V1" />
    </>
  ),
  brake: () => (
    <>
      <circle r="5" className="fill-base-100" />
      <path d="M-6,-9 A11,11 0 0 0 -6,9 M6,-9 A11,11 0 0 1 6,9" />
    </>
  ),
  transformer: () => (
    <>
      <circle cx="-4" r="7" className="fill-none" />
      <circle cx="4" r="7" className="fill-none" />
    </>
  ),
  'static-switch': () => (
    <path d="M-12,0 H-6 M-6,-7 V7 L6,0 Z M6,-7 V7 M6,0 H12 M6,3 L11,8" className="fill-base-100" />
  ),
  'drive-controller': () => (
    <>
      <rect x="-10" y="-8" width="20" height="16" className="fill-base-100" />
      <path d="M-6,0 A3,3 0 0 1 0,0 A3,3 0 0 0 6,0" />
    </>
  ),
  exchanger: () => (
    <>
      <circle r="10" className="fill-base-100" />
      <path d="M-12,4 H-5 L0,-5 L5,4 H12" />
    </>
  ),
  'spectacle-blind': (closed) => (
    <>
      <circle cy="-6" r="5" className={filled(!closed)} />
      <circle cy="6" r="5" className={filled(closed)} />
    </>
  ),
  spade: (closed) => (
    <>
      <path d="M0,-10 V10" />
      <rect x="-2.5" y="-6" width="5" height="12" className={filled(closed)} />
    </>
  ),
  flange: (closed) => (
    <>
      <path d="M-3,-9 V9 M3,-9 V9" />
      {closed && <rect x="-1.5" y="-9" width="3" height="18" className="fill-current" />}
    </>
  ),
  spool: (closed) => plates(closed, 'M-5,-3 H5 M-5,3 H5'),
  coupling: (closed) => plates(closed, 'M-5,0 H5'),
  clutch: (closed) => plates(closed, 'M-5,-4 L5,0 L-5,4'),
  pin: (closed) => (
    <>
      <path d={closed ? 'M0,-10 V10' : 'M0,-14 V-4'} />
      <circle r="4" className="fill-base-100" />
    </>
  ),
  hose: () => <path d="M-12,0 C-8,-8 -4,-8 0,0 S8,8 12,0" />,
  'removed-hose': (closed) => (
    <path
      d={
        closed
          ? 'M-12,0 C-9,-6 -7,-6 -5,-2 M5,2 C7,6 9,6 12,0 M-6,-5 L-3,0 M3,0 L6,5'
          : 'M-12,0 C-8,-8 -4,-8 0,0 S8,8 12,0 M-12,-4 V4 M12,-4 V4'
      }
    />
  ),
  plug: (closed) => (
    <>
      <path d={closed ? 'M-13,0 H-9 M-9,-4 V4' : 'M-12,0 H-3 M-3,-4 V4'} />
      <path d="M1,-7 A7,7 0 0 0 1,7 Z M1,0 H12" className="fill-base-100" />
    </>
  ),
  shutter: (closed) => (
    <>
      <path d="M-12,0 H12" strokeDasharray="3 2" />
      <rect x="-2" y={closed ? -8 : -17} width="4" height="16" className="fill-current" />
    </>
  ),
  joint: () => <circle r="2.5" className="fill-current" />,
  other: () => <rect x="-9" y="-8" width="18" height="16" className="fill-base-100" />,
};

function Shape({ kind, closed }: { readonly kind: string; readonly closed: boolean }) {
  if (VALVES.has(kind)) {
    return (
      <>
        <path
          d="M-11,-7 L11,7 L11,-7 L-11,7 Z"
          className={closed ? 'fill-current' : 'fill-base-100'}
        />
        {kind === 'ball-valve' && <circle r="3.5" className="fill-base-100" />}
        {kind === 'globe-valve' && <circle r="3" className="fill-current" />}
        {kind === 'control-valve' && (
          <path d="M0,0 V-7 M-5,-7 A5,5 0 0 1 5,-7 Z" className="fill-base-100" />
        )}
        {kind === 'relief-valve' && <path d="M0,0 V-10 M-3,-5 L3,-7 M-3,-8 L3,-10" />}
      </>
    );
  }
  if (SWITCHES.has(kind)) {
    return (
      <>
        <path d={closed ? 'M-12,0 H-6 L4,-9 M6,0 H12' : 'M-12,0 H12'} />
        <circle cx="-6" r="1.5" className="fill-current" />
        {kind === 'circuit-breaker' || kind === 'withdrawn-breaker' ? (
          <path d="M3,-3 L9,3 M3,3 L9,-3" />
        ) : kind === 'isolator' ? (
          <path d="M6,-4 V4" />
        ) : kind === 'fuse-switch' ? (
          <rect x="-4" y="-3" width="9" height="6" className="fill-base-100" />
        ) : (
          <path d="M4,-4 A4,4 0 0 1 4,4" />
        )}
        {kind === 'withdrawn-breaker' && <path d="M-12,-4 L-8,0 L-12,4 M12,-4 L8,0 L12,4" />}
      </>
    );
  }
  const draw = SYMBOLS[kind] ?? SYMBOLS.other;
  return draw?.(closed);
}

/** One link's symbol, centred on 0, 0. Shut ones are filled or stand open, as their standard shows it. */
export function LinkSymbol({ kind, closed }: { readonly kind: string; readonly closed: boolean }) {
  return (
    <g className="fill-none stroke-current" strokeWidth="1.5">
      <Shape kind={kind} closed={closed} />
    </g>
  );
}
