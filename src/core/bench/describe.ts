import { fromSi, writeFigure, writeUnit } from '../units';
import type { Calculation, Figure } from './define';

/** A figure in words: label, value and unit as shown first; times in the unit that reads best. */
export function describeFigure({ label, symbol, value, quantity, unit }: Figure): string {
  return `${label}: ${symbol} = ${writeFigure(fromSi(value, quantity, unit))} ${writeUnit(unit)}`.trim();
}

/** Below two of a unit the next smaller reads better, and above two of the next larger that one does. */
const READS = 2;

/** The unit in which a figure reads best: times by their length, small pressures in millibar. */
function bestUnit({ value, quantity, unit }: Figure): string {
  const size = Math.abs(value);
  if (quantity === 'time') return size < READS * 60 ? 's' : size < READS * 3600 ? 'min' : 'h';
  if (quantity === 'gauge-pressure' && unit === 'bar' && size > 0 && size < 1000) return 'mbar';
  return unit;
}

const sayFigure = (one: Figure): string => {
  const unit = bestUnit(one);
  return `${writeFigure(fromSi(one.value, one.quantity, unit))} ${writeUnit(unit)}`.trim();
};

const SYMBOL = /\{(\w+)\}/g;

/** What comes out, in one sentence: the first answer of the calculation whose figures are all there. */
export function sayAnswer({ answer }: Calculation, figures: readonly Figure[]): string {
  const said = new Map(figures.map((one) => [one.symbol, sayFigure(one)]));
  const [main] = figures.filter(({ isMain }) => isMain);
  const answers = typeof answer === 'string' ? [answer] : answer;
  const fits = answers.find((one) =>
    [...one.matchAll(SYMBOL)].every(([, symbol = '']) => said.has(symbol)),
  );
  if (fits === undefined) return main ? `${main.label}: ${sayFigure(main)}` : '';
  return fits.replace(SYMBOL, (_, symbol: string) => said.get(symbol) ?? '');
}
