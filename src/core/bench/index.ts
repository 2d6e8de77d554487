export {
  listStartInputs,
  type Calculation,
  type CalculationResult,
  type Curve,
  type Field,
  type Figure,
  type Typed,
  type TypedInputs,
} from './define';

export { describeFigure, sayAnswer } from './describe';
export {
  listStored,
  findLetDown,
  findStored,
  findWaitSeconds,
  type StoredEnergy,
} from './from-plant';
export { BENCH_GROUPS, CALCULATIONS, findCalculation } from './list';
