import { readFileSync, statSync } from 'node:fs';
import {
  buildGraph,
  LARGEST_FILE_BYTES,
  parseGrades,
  parseJson,
  parsePlan,
  parsePlant,
  parseScope,
  type FileProblem,
  type Grade,
  type IsolationPlan,
  type Plant,
  type PlantGraph,
  type Scope,
} from '../core/plant';
import { computeRequirement, type Requirement } from '../core/isolation';
import type { Result } from '../core/result';

/** A file that could not be used: which one, and every problem in it. */
export class BadFile extends Error {
  constructor(
    readonly file: string,
    readonly problems: readonly FileProblem[],
  ) {
    super(`${file}: ${problems.length} problems`);
  }
}

function readDocumentOrThrow(file: string): unknown {
  const refuse = (message: string) => new BadFile(file, [{ path: '(file)', message }]);
  let size: number;
  try {
    size = statSync(file).size;
  } catch {
    throw refuse('cannot be read: there is no such file');
  }
  if (size > LARGEST_FILE_BYTES) {
    throw refuse(
      `is ${(size / 1048576).toFixed(0)} MB, at most ${LARGEST_FILE_BYTES / 1048576} MB is read`,
    );
  }
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw refuse('cannot be read: it is not a readable file');
  }
  return acceptOrThrow(file, parseJson(text));
}

function acceptOrThrow<Value>(file: string, result: Result<Value, FileProblem>): Value {
  if (!result.ok) throw new BadFile(file, result.problems);
  return result.value;
}

export interface Job {
  readonly graph: PlantGraph;
  readonly scope: Scope;
  readonly requirement: Requirement;
}

/** Reads a plant file. */
export const readPlantOrThrow = (file: string): Plant =>
  acceptOrThrow(file, parsePlant(readDocumentOrThrow(file)));

/** Reads plant, scope and, where given, grades. */
export function readJobOrThrow(plantFile: string, scopeFile: string, gradesFile?: string): Job {
  const plant = readPlantOrThrow(plantFile);
  const scope = acceptOrThrow(scopeFile, parseScope(readDocumentOrThrow(scopeFile), plant));
  const grades: Readonly<Record<string, Grade>> = gradesFile
    ? acceptOrThrow(gradesFile, parseGrades(readDocumentOrThrow(gradesFile), plant))
    : {};
  const graph = buildGraph(plant);
  return { graph, scope, requirement: computeRequirement(graph, scope, grades) };
}

export function readPlanOrThrow(planFile: string): IsolationPlan {
  return acceptOrThrow(planFile, parsePlan(readDocumentOrThrow(planFile)));
}
