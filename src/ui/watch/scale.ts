import { scaleUtc, type ScaleTime } from 'd3';

/** A stretch of the board, around the now line. */
export const SPANS = {
  '6h': { words: '6 hours', back: 2, ahead: 4 },
  shift: { words: 'a shift', back: 4, ahead: 10 },
  day: { words: 'a day', back: 8, ahead: 24 },
} as const;
export type SpanName = keyof typeof SPANS;

const HOUR = 3_600_000;

export function scaleAround(now: string, span: SpanName, width: number): ScaleTime<number, number> {
  const { back, ahead } = SPANS[span];
  const at = Date.parse(now);
  return scaleUtc()
    .domain([new Date(at - back * HOUR), new Date(at + ahead * HOUR)])
    .range([0, width])
    .clamp(true);
}
