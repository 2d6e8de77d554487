import { readFileSync, statSync } from 'node:fs';
import { extname } from 'node:path';
import {
  buildGraph,
  describeSheetProblem,
  LARGEST_FILE_BYTES,
  parseGrades,
  parseJson,
  parsePlan,
  parsePlant,
  parseScope,
  parseSheets,
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

function readBytesOrThrow(file: string): Buffer {
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
  try {
    return readFileSync(file);
  } catch {
    throw refuse('cannot be read: it is not a readable file');
  }
}

const readDocumentOrThrow = (file: string): unknown =>
  acceptOrThrow(file, parseJson(readBytesOrThrow(file).toString('utf8')));

function acceptOrThrow<Value>(file: string, result: Result<Value, FileProblem>): Value {
  if (!result.ok) throw new BadFile(file, result.problems);
  return result.value;
}

export interface Job {
  readonly graph: PlantGraph;
  readonly scope: Scope;
  readonly requirement: Requirement;
}

/** Whether a file is a zip: by its name, or by its first bytes whatever it is called. */
const isZip = (file: string, bytes: Buffer): boolean =>
  extname(file) === '.zip' || bytes.subarray(0, 2).toString('latin1') === 'PK';

/** Reads a plant file: one JSON document, or a zip of CSV sheets. */
export function readPlantOrThrow(file: string): Plant {
  const bytes = readBytesOrThrow(file);
  if (!isZip(file, bytes)) {
    return acceptOrThrow(file, parsePlant(acceptOrThrow(file, parseJson(bytes.toString('utf8')))));
  }
  const read = parseSheets(bytes);
  if (read.ok) return read.value;
  const problems = read.problems.map((problem) => ({
    path: problem.file,
    message: describeSheetProblem(problem),
  }));
  throw new BadFile(file, problems);
}

/** What a site has set and accepted, for commands about a job: a file of its rules, and relief valves whose loss is accepted by name. */
export interface JobOptions {
  readonly rules?: string;
  readonly acceptRelief?: string;
}

/** Rules are read only when they are asked for: a trace need not wait for the whole book. */
async function readRulesOrThrow(file: string | undefined) {
  if (file === undefined) return undefined;
  const { applySiteRules, parseSiteRules } = await import('./site-rules');
  return applySiteRules(acceptOrThrow(file, parseSiteRules(readDocumentOrThrow(file))));
}

/** The relief valves that are named, each of them one of the plant. */
function readReliefsOrThrow(plantFile: string, plant: Plant, named: string | undefined): string[] {
  const ids = (named ?? '').split(',').flatMap((id) => id.trim() || []);
  const known = new Set(
    plant.links.filter(({ kind }) => kind === 'relief-valve').map(({ id }) => id),
  );
  const problems = ids
    .filter((id) => !known.has(id))
    .map((id) => ({ path: '--accept-relief', message: `"${id}" is no relief valve of the plant` }));
  if (problems.length > 0) throw new BadFile(plantFile, problems);
  return ids;
}

/** Reads plant, scope and, where given, grades, the site's rules and what it has accepted. */
export async function readJobOrThrow(
  plantFile: string,
  scopeFile: string,
  gradesFile?: string,
  options: JobOptions = {},
): Promise<Job> {
  const plant = readPlantOrThrow(plantFile);
  const scope = acceptOrThrow(scopeFile, parseScope(readDocumentOrThrow(scopeFile), plant));
  const grades: Readonly<Record<string, Grade>> = gradesFile
    ? acceptOrThrow(gradesFile, parseGrades(readDocumentOrThrow(gradesFile), plant))
    : {};
  const rules = await readRulesOrThrow(options.rules);
  const accepted = readReliefsOrThrow(plantFile, plant, options.acceptRelief);
  const graph = buildGraph(plant, rules?.strengths);
  const requirement = computeRequirement(graph, scope, grades, rules?.policy, accepted);
  return { graph, scope, requirement };
}

export function readPlanOrThrow(planFile: string): IsolationPlan {
  return acceptOrThrow(planFile, parsePlan(readDocumentOrThrow(planFile)));
}
