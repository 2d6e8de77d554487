import { HAND_VALVE_KINDS } from '../../core/plant/kinds';

/** Diagram symbols, drawn by us after ISO 10628-2 (valves, pumps, blinds) and IEC 60617 (switchgear, transformers). */
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
  switch (kind) {
    case 'check-valve':
      return <path d="M-9,-7 V7 L9,-7 V7" className="fill-base-100" />;
    case 'pump':
      return (
        <>
          <circle r="10" className="fill-base-100" />
          <path d="M0,-10 L10,0 L0,10" />
        </>
      );
    case 'motor':
      return (
        <>
          <circle r="10" className="fill-base-100" />
          <text textAnchor="middle" y="4" fontSize="11" className="fill-current stroke-none">
            M
          </text>
        </>
      );
    case 'transformer':
      return (
        <>
          <circle cx="-4" r="7" className="fill-none" />
          <circle cx="4" r="7" className="fill-none" />
        </>
      );
    case 'exchanger':
      return (
        <>
          <circle r="10" className="fill-base-100" />
          <path d="M-12,4 H-5 L0,-5 L5,4 H12" />
        </>
      );
    case 'spectacle-blind':
      return (
        <>
          <circle cy="-6" r="5" className={closed ? 'fill-base-100' : 'fill-current'} />
          <circle cy="6" r="5" className={closed ? 'fill-current' : 'fill-base-100'} />
        </>
      );
    case 'spade':
    case 'spool':
    case 'coupling':
      return <path d="M-5,-9 V9 M5,-9 V9 M-5,0 H5" />;
    case 'joint':
      return <circle r="2.5" className="fill-current" />;
    default:
      return <rect x="-9" y="-8" width="18" height="16" className="fill-base-100" />;
  }
}

/** One link's symbol, centred on 0, 0. Shut ones are filled or stand open, as their standard shows it. */
export function LinkSymbol({ kind, closed }: { readonly kind: string; readonly closed: boolean }) {
  return (
    <g className="fill-none stroke-current" strokeWidth="1.5">
      <Shape kind={kind} closed={closed} />
    </g>
  );
}
