import {
  describeSheetProblem,
  formatPlantProblem,
  parsePlantText,
  parseSheets,
  type Plant,
} from '../../core/plant';
import { computePrice, type DefectPrice, type PriceQuestion } from '../../core/defects/price';
import { decodeText } from '../../core/text';
import { layInLanes, type LaidDrawing, type LaneDrawing } from './lanes';

/** Work that takes long: a drawing to be laid out, a plant file to be read and checked, a job to be planned with a defect and without. */
export type Task =
  | { readonly kind: 'layout'; readonly drawing: LaneDrawing }
  | { readonly kind: 'read-plant'; readonly bytes: Uint8Array }
  | { readonly kind: 'price'; readonly question: PriceQuestion };

/** A plant that was read, or everything wrong with its file in words. */
export type PlantRead =
  | { readonly ok: true; readonly plant: Plant }
  | { readonly ok: false; readonly problems: readonly string[] };

export interface ResultOf {
  readonly layout: LaidDrawing;
  readonly 'read-plant': PlantRead;
  readonly price: DefectPrice;
}

/** Zip files begin with these two letters. */
const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads a plant file, JSON or a zip of CSV sheets. */
export function readPlantFile(bytes: Uint8Array): PlantRead {
  if (isZip(bytes)) {
    const read = parseSheets(bytes);
    return read.ok
      ? { ok: true, plant: read.value }
      : { ok: false, problems: read.problems.map(describeSheetProblem) };
  }
  const text = decodeText(bytes);
  if (text === undefined) return { ok: false, problems: ['(file) is not text in UTF-8'] };
  const read = parsePlantText(text);
  return read.ok
    ? { ok: true, plant: read.value }
    : { ok: false, problems: read.problems.map(formatPlantProblem) };
}

/** Does a task where it stands. */
export function doTask(task: Task): ResultOf[Task['kind']] | Promise<ResultOf[Task['kind']]> {
  switch (task.kind) {
    case 'layout':
      return layInLanes(task.drawing);
    case 'read-plant':
      return readPlantFile(task.bytes);
    case 'price':
      return computePrice(task.question, () => performance.now());
  }
}
