import type { LampState } from '../../core/job';

const WORDS: Readonly<Record<LampState, string>> = {
  lit: 'LIT',
  shuttered: 'SHUTTERED',
  dark: 'DARK',
};

/** The picture of one lamp: rays when lit, slats when shuttered, a plain dark disc when proved dead. Never by colour alone. */
export function LampSign({
  state,
  size = 24,
}: {
  readonly state: LampState;
  readonly size?: number;
}) {
  const rays = [0, 45, 90, 135, 180, 225, 270, 315];
  return (
    <svg
      width={size}
      height={size}
      className="shrink-0"
      viewBox="-12 -12 24 24"
      role="img"
      aria-label={WORDS[state].toLowerCase()}
    >
      {state === 'lit' &&
        rays.map((turn) => (
          <line
            key={turn}
            y1="-8"
            y2="-11.5"
            transform={`rotate(${turn})`}
            className="stroke-warning"
            strokeWidth="2"
          />
        ))}
      <circle
        r={state === 'lit' ? 6 : 8}
        strokeWidth="1.5"
        className={
          state === 'lit'
            ? 'fill-warning stroke-warning'
            : state === 'dark'
              ? 'fill-base-content stroke-base-content'
              : 'fill-base-100 stroke-base-content'
        }
      />
      {state === 'shuttered' &&
        [-4, 0, 4].map((y) => (
          <line
            key={y}
            x1="-6.5"
            x2="6.5"
            y1={y}
            y2={y}
            className="stroke-base-content"
            strokeWidth="2"
          />
        ))}
    </svg>
  );
}

/** A lamp's state as a word. */
export function LampWord({ state }: { readonly state: LampState }) {
  return (
    <span className={`font-mono text-xs ${state === 'lit' ? 'font-bold text-warning' : ''}`}>
      {WORDS[state]}
    </span>
  );
}
