import type { ScaleTime } from 'd3';
import type { BoardMark, BoardMarkKind, BoardRow, Stay } from '../../core/watch';
import { useMoments } from '../kit/moment';

const BAR_TOP = 20;
const BAR_HEIGHT = 18;

type Scale = ScaleTime<number, number>;
const x = (scale: Scale, at: string) => scale(new Date(at));

/** The sign of each mark, told apart by shape. */
const MARK_SIGNS: Readonly<Record<BoardMarkKind, string>> = {
  issued: '┃',
  proved: '▪',
  alarm: '▲',
  stopped: '■',
  checked: '◉',
  air: '○',
  lifted: '□',
  extended: '»',
  revalidated: '✓',
  test: '◇',
  back: '┃',
  entry: '⌄',
};

const MARK_WORDS: Readonly<Record<BoardMarkKind, string>> = {
  issued: 'issued',
  proved: 'reading taken',
  alarm: 'alarm',
  stopped: 'stopped',
  checked: 'checked at the place',
  air: 'gas test',
  lifted: 'let go on after a stop',
  extended: 'extended',
  revalidated: 'revalidated',
  test: 'test sanctioned',
  back: 'handed back',
  entry: 'into or out of a space',
};

/** What the signs on the board mean. */
export function Legend() {
  return (
    <details className="text-xs">
      <summary className="cursor-pointer">What the signs mean</summary>
      <p className="flex flex-wrap gap-x-3">
        {Object.entries(MARK_WORDS).map(([kind, words]) => (
          <span key={kind} className="whitespace-nowrap">
            <span aria-hidden>{MARK_SIGNS[kind as BoardMarkKind]}</span> {words}
          </span>
        ))}
        <span className="whitespace-nowrap">━ someone on</span>
        <span className="whitespace-nowrap">┄ fire watch</span>
      </p>
    </details>
  );
}

function Mark({ mark, scale }: { readonly mark: BoardMark; readonly scale: Scale }) {
  const { time } = useMoments();
  const grave = mark.kind === 'alarm' || mark.kind === 'stopped';
  return (
    <text
      x={x(scale, mark.at)}
      y={BAR_TOP - 5}
      textAnchor="middle"
      fontSize={grave ? 15 : 12}
      className={grave ? 'fill-error' : 'fill-base-content'}
    >
      {MARK_SIGNS[mark.kind]}
      <title>{`${time(mark.at)} ${MARK_WORDS[mark.kind]}: ${mark.words}`}</title>
    </text>
  );
}

/** A line for each stay, so that it is seen how many are on. */
function Stays({
  stays,
  scale,
  now,
}: {
  readonly stays: readonly Stay[];
  readonly scale: Scale;
  readonly now: string;
}) {
  return stays.map(({ person, since, until }, n) => (
    <line
      key={`${person} ${since}`}
      x1={x(scale, since)}
      x2={x(scale, until ?? now)}
      y1={BAR_TOP + BAR_HEIGHT + 4 + (n % 4) * 3.5}
      y2={BAR_TOP + BAR_HEIGHT + 4 + (n % 4) * 3.5}
      strokeWidth={2}
      className="stroke-base-content"
    />
  ));
}

const STATE_WORDS: Readonly<Partial<Record<BoardRow['state'], string>>> = {
  suspended: 'STOPPED',
  lapsed: 'LAPSED',
  'handed-back': 'handed back',
  watched: 'fire watch',
};

/** One permit on the time scale: from issue to lapse, who was on when, what happened, and the watch after hot work. */
export function Strip({
  row,
  scale,
  now,
}: {
  readonly row: BoardRow;
  readonly scale: Scale;
  readonly now: string;
}) {
  const { clock } = useMoments();
  const { state, from, until, backAt, watchedUntil, trace } = row;
  const start = x(scale, from);
  const end = x(scale, backAt ?? until);
  const overrun = state === 'lapsed' ? x(scale, now) : end;
  const words = STATE_WORDS[state];
  const live = state === 'issued';
  return (
    <g data-strip={row.job} data-state={state}>
      <rect
        x={start}
        y={BAR_TOP}
        width={Math.max(2, end - start)}
        height={BAR_HEIGHT}
        strokeWidth={1.5}
        className={live ? 'fill-primary stroke-primary' : 'fill-base-200 stroke-base-content'}
        strokeDasharray={live ? undefined : '5 3'}
      />
      {overrun > end && (
        <rect
          x={end}
          y={BAR_TOP}
          width={overrun - end}
          height={BAR_HEIGHT}
          fill="url(#overrun)"
          className="stroke-error"
        />
      )}
      {watchedUntil !== undefined && (
        <line
          x1={end}
          x2={x(scale, watchedUntil)}
          y1={BAR_TOP + BAR_HEIGHT / 2}
          y2={BAR_TOP + BAR_HEIGHT / 2}
          strokeDasharray="3 4"
          strokeWidth={5}
          className="stroke-warning"
        />
      )}
      {words && (
        <text
          x={watchedUntil === undefined ? Math.max(start, overrun) - 6 : x(scale, watchedUntil) + 6}
          y={BAR_TOP + 13}
          textAnchor={watchedUntil === undefined ? 'end' : 'start'}
          fontSize={12}
          fontWeight="bold"
          className={state === 'lapsed' ? 'fill-error' : 'fill-base-content'}
        >
          {words}
        </text>
      )}
      {live && (
        <text
          x={end - 5}
          y={BAR_TOP + 13}
          textAnchor="end"
          fontSize={12}
          className="fill-primary-content font-mono"
        >
          {clock(until)}
        </text>
      )}
      {trace.marks.map((mark, n) => (
        <Mark key={`${mark.at} ${n}`} mark={mark} scale={scale} />
      ))}
      <Stays stays={trace.stays} scale={scale} now={now} />
    </g>
  );
}
