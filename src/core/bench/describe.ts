import { fromSi, writeFigure, writeUnit } from '../units';
import type { Figure } from './define';

/** A figure in words: label, value and unit as shown first; times in the unit that reads best. */
export function describeFigure({ label, symbol, value, quantity, unit }: Figure): string {
  return `${label}: ${symbol} = ${writeFigure(fromSi(value, quantity, unit))} ${writeUnit(unit)}`.trim();
}
