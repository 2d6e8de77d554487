import type { z } from 'zod';
import type { Result } from '../result';
import { readJsonText } from '../text';
import {
  gradesSchema,
  planSchema,
  plantSchema,
  scopeSchema,
  type Grade,
  type IsolationPlan,
  type Plant,
  type Scope,
} from './schema';
import { findWhyNotEmptied } from './emptied';
import { followRenamed } from './renamed';
import { canMove, carrierOf, findCrossing, listForms } from './carriers';
import { formatPath, listSchemaProblems, showValue, type FileProblem } from './problems';

/** A plant of 50,000 links takes about 15 MB; what is larger than this is not a plant file. */
export const LARGEST_FILE_BYTES = 40 * 1024 * 1024;

/** At most this many problems of one file are listed; the rest is counted. */
export const MOST_PROBLEMS = 200;

/** The most rows of one table: four times the largest plant that is planned for. */
export const MOST_ROWS = 200_000;

function limitProblems(problems: readonly FileProblem[]): FileProblem[] {
  if (problems.length <= MOST_PROBLEMS) return [...problems];
  const rest = problems.length - MOST_PROBLEMS;
  return [
    ...problems.slice(0, MOST_PROBLEMS),
    { path: '(file)', message: `and ${rest} more problems like these` },
  ];
}

/** Reads JSON text: the document, or one problem that says where reading stopped. */
export function parseJson(text: string): Result<unknown, FileProblem> {
  const size = text.length;
  if (size > LARGEST_FILE_BYTES) {
    const message = `is ${(size / 1048576).toFixed(0)} MB, at most ${LARGEST_FILE_BYTES / 1048576} MB is read`;
    return { ok: false, problems: [{ path: '(file)', message }] };
  }
  const read = readJsonText(text.replace(/^\uFEFF/, ''));
  return read.ok
    ? { ok: true, value: read.document }
    : { ok: false, problems: [{ path: '(file)', message: read.says }] };
}

function parseWith<Schema extends z.ZodType>(
  schema: Schema,
  document: unknown,
): Result<z.infer<Schema>, FileProblem> {
  const read = schema.safeParse(document);
  if (read.success) return { ok: true, value: read.data };
  return {
    ok: false,
    problems: limitProblems(listSchemaProblems(document, read.error.issues)),
  };
}

class IdBook {
  readonly problems: FileProblem[] = [];
  private readonly seen = new Map<string, string>();

  /** Takes an id for a row; `among` says in words what no two of may share one. */
  claim(id: string, path: readonly PropertyKey[], among: string): void {
    const first = this.seen.get(`${among} ${id}`);
    const here = formatPath(path);
    if (first === undefined) this.seen.set(`${among} ${id}`, here);
    else {
      const words = `id ${showValue(id)} is already used at ${first}; each of the ${among} has an id of its own`;
      this.add(path, words);
    }
  }

  add(path: readonly PropertyKey[], message: string): void {
    this.problems.push({ path: formatPath(path), message });
  }

  refer(known: ReadonlySet<string>, table: string, id: string, path: readonly PropertyKey[]): void {
    if (!known.has(id)) this.add(path, `leads to ${showValue(id)}, which is not in ${table}`);
  }
}

const idsOf = (rows: readonly { readonly id: string }[]) => new Set(rows.map((row) => row.id));

/** What a tag, a plan or a reading may name by its id alone. */
const AT_THE_PLANT = 'sections, links, outlets, gauges and stores';

/** Ids are unique in each table, and among everything that is gone to at the plant: a tag has to mean one place. */
function claimIds(plant: Plant, book: IdBook): void {
  for (const table of ['areas', 'media', 'equipment', 'surroundings', 'interlocks'] as const) {
    plant[table]?.forEach((row, index) => book.claim(row.id, [table, index, 'id'], table));
  }
  for (const table of ['sections', 'links', 'outlets', 'gauges'] as const) {
    plant[table].forEach((row, index) => book.claim(row.id, [table, index, 'id'], AT_THE_PLANT));
  }
  plant.sections.forEach((section, index) =>
    section.stores?.forEach((store, at) =>
      book.claim(store.id, ['sections', index, 'stores', at, 'id'], AT_THE_PLANT),
    ),
  );
}

function referSections(plant: Plant, book: IdBook): void {
  const areas = idsOf(plant.areas);
  const media = idsOf(plant.media);
  const outlets = idsOf(plant.outlets);
  plant.sections.forEach((section, index) => {
    book.refer(areas, 'areas', section.area, ['sections', index, 'area']);
    book.refer(media, 'media', section.medium, ['sections', index, 'medium']);
    section.stores?.forEach((store, at) => {
      if (store.release === 'restrain' || store.release === 'wait') return;
      const path = ['sections', index, 'stores', at, 'release'];
      book.refer(outlets, 'outlets (nor "restrain" or "wait")', store.release, path);
    });
  });
}

function referLinks(plant: Plant, book: IdBook): void {
  const sections = idsOf(plant.sections);
  const links = idsOf(plant.links);
  plant.links.forEach((link, index) => {
    link.between.forEach((end, at) =>
      book.refer(sections, 'sections', end, ['links', index, 'between', at]),
    );
    if (link.between[0] === link.between[1]) {
      book.add(['links', index, 'between'], `joins ${showValue(link.between[0])} to itself`);
    }
    if (link.powered_by !== undefined) {
      book.refer(sections, 'sections', link.powered_by, ['links', index, 'powered_by']);
    }
    link.excludes?.forEach((other, at) =>
      book.refer(links, 'links', other, ['links', index, 'excludes', at]),
    );
    link.protects?.forEach((end, at) =>
      book.refer(sections, 'sections', end, ['links', index, 'protects', at]),
    );
  });
}

/** Refuses links that cannot be: a valve between two cables, a transformer in a pipe. Two fluids may meet at any fitting. */
function compareCarriers(plant: Plant, book: IdBook): void {
  const media = new Map(plant.media.map((medium) => [medium.id, medium]));
  const mediumOf = new Map(plant.sections.map(({ id, medium }) => [id, media.get(medium)]));
  plant.links.forEach(({ kind, between, powered_by }, index) => {
    const mover = powered_by === undefined ? undefined : mediumOf.get(powered_by);
    if (mover && !canMove(carrierOf(mover))) {
      const what = `${showValue(powered_by)} (${mover.name}, ${carrierOf(mover)})`;
      const path = ['links', index, 'powered_by'];
      book.add(path, `leads to ${what}: only a fluid, a current or a motion moves a device`);
    }
    const [a, b] = between.map((end) => mediumOf.get(end));
    if (!a || !b) return;
    const [one, other] = [carrierOf(a), carrierOf(b)];
    if (findCrossing(kind, one, other)) return;
    const ends = `${showValue(between[0])} (${a.name}, ${one}) and ${showValue(between[1])} (${b.name}, ${other})`;
    book.add(
      ['links', index, 'between'],
      `joins ${ends} by a ${kind}, which can only join ${listForms(kind).join(', or ')}`,
    );
  });
}

function referTheRest(plant: Plant, book: IdBook): void {
  const sections = idsOf(plant.sections);
  const areas = idsOf(plant.areas);
  plant.outlets.forEach((outlet, index) => {
    book.refer(sections, 'sections', outlet.section, ['outlets', index, 'section']);
  });
  plant.gauges.forEach((gauge, index) =>
    book.refer(sections, 'sections', gauge.section, ['gauges', index, 'section']),
  );
  plant.equipment.forEach((item, index) => {
    book.refer(areas, 'areas', item.area, ['equipment', index, 'area']);
    item.sections.forEach((section, at) =>
      book.refer(sections, 'sections', section, ['equipment', index, 'sections', at]),
    );
  });
}

/** What stands in an interlock is drawn, and named once: nothing is open and closed at once as it is. */
function referInterlocks(plant: Plant, book: IdBook): void {
  const links = idsOf(plant.links);
  const openable = new Set([...links, ...plant.outlets.map(({ id }) => id)]);
  plant.interlocks?.forEach(({ open, closed }, index) => {
    open.forEach((id, at) =>
      book.refer(openable, 'links or outlets', id, ['interlocks', index, 'open', at]),
    );
    closed.forEach((id, at) => {
      const path = ['interlocks', index, 'closed', at];
      book.refer(links, 'links', id, path);
      if (open.includes(id))
        book.add(path, `${showValue(id)} is among those that are open as well`);
    });
  });
}

function referSurroundings(plant: Plant, book: IdBook): void {
  const sections = idsOf(plant.sections);
  const areas = idsOf(plant.areas);
  plant.surroundings?.forEach(({ area, section }, index) => {
    book.refer(areas, 'areas', area, ['surroundings', index, 'area']);
    if (section !== undefined) {
      book.refer(sections, 'sections', section, ['surroundings', index, 'section']);
    }
  });
}

/** An old id is nobody's today, and leads to what is drawn. */
function referRenamed(plant: Plant, book: IdBook): void {
  const drawn = new Set(
    [plant.sections, plant.links, plant.outlets, plant.gauges, plant.equipment].flatMap((rows) =>
      rows.map((row) => row.id),
    ),
  );
  const steps = new Map((plant.renamed ?? []).map(({ id, now }) => [id, now]));
  plant.renamed?.forEach(({ id, now }, index) => {
    book.claim(id, ['renamed', index, 'id'], 'renamed');
    if (drawn.has(id)) {
      book.add(['renamed', index, 'id'], `is ${showValue(id)}, which is drawn under this id today`);
    }
    const end = followRenamed(steps, id);
    if (end === undefined)
      book.add(['renamed', index, 'now'], `leads from ${showValue(id)} round in a circle`); // prettier-ignore
    else if (!drawn.has(end)) book.refer(drawn, 'the drawing', now, ['renamed', index, 'now']);
  });
}

/** Tables with more rows than any plant has: each row of them would only be one more problem. */
function listLongTables(document: unknown): FileProblem[] {
  if (typeof document !== 'object' || document === null) return [];
  return Object.entries(document).flatMap(([table, rows]) =>
    Array.isArray(rows) && rows.length > MOST_ROWS
      ? [{ path: table, message: `has ${rows.length} rows, at most ${MOST_ROWS} are read` }]
      : [],
  );
}

/**
 * Reads a plant document (already parsed JSON). Answers the plant, or every problem with its path:
 * unknown field, wrong type, value out of range, id used twice, reference to nothing.
 */
export function parsePlant(document: unknown): Result<Plant, FileProblem> {
  const long = listLongTables(document);
  if (long.length > 0) return { ok: false, problems: long };
  const read = parseWith(plantSchema, document);
  if (!read.ok) return read;
  const book = new IdBook();
  claimIds(read.value, book);
  referSections(read.value, book);
  referLinks(read.value, book);
  compareCarriers(read.value, book);
  referTheRest(read.value, book);
  referSurroundings(read.value, book);
  referInterlocks(read.value, book);
  referRenamed(read.value, book);
  if (book.problems.length > 0) return { ok: false, problems: limitProblems(book.problems) };
  return read;
}

/** Reads plant text as it stands in a file. */
export function parsePlantText(text: string): Result<Plant, FileProblem> {
  const json = parseJson(text);
  return json.ok ? parsePlant(json.value) : json;
}

/** Reads a job's scope; every section must be in the plant, none of the work a source that is not run empty. */
export function parseScope(document: unknown, plant: Plant): Result<Scope, FileProblem> {
  const read = parseWith(scopeSchema, document);
  if (!read.ok) return read;
  const sections = new Map(plant.sections.map((section) => [section.id, section]));
  const { emptied = [] } = read.value;
  const atWork = read.value.work.flatMap((work, index) => {
    const section = sections.get(work.section);
    if (section && (!section.source || emptied.includes(section.id))) return [];
    const what = section
      ? `is a source (${section.source?.name}): nothing can stand between it and the work unless it is run empty (emptied)`
      : `is not a section of ${plant.name}`;
    return [
      {
        path: formatPath(['work', index, 'section']),
        message: `${showValue(work.section)} ${what}`,
      },
    ];
  });
  const atEmptied = emptied.flatMap((id, index) => {
    const why = findWhyNotEmptied(plant, id);
    if (why === undefined) return [];
    return [{ path: formatPath(['emptied', index]), message: `${showValue(id)} ${why}` }];
  });
  const problems = [...atWork, ...atEmptied];
  return problems.length > 0 ? { ok: false, problems } : read;
}

/** Reads grades that override the table; every key must be a source of the plant. */
export function parseGrades(
  document: unknown,
  plant: Plant,
): Result<Readonly<Record<string, Grade>>, FileProblem> {
  const read = parseWith(gradesSchema, document);
  if (!read.ok) return read;
  const sources = new Set(
    plant.sections.filter((section) => section.source).map((section) => section.id),
  );
  const problems = Object.keys(read.value)
    .filter((id) => !sources.has(id))
    .map((id) => ({ path: id, message: `is not a source of ${plant.name}` }));
  return problems.length > 0 ? { ok: false, problems } : read;
}

/** Reads a plan. Unknown ids in it are findings of the check, not problems of the file. */
export function parsePlan(document: unknown): Result<IsolationPlan, FileProblem> {
  const read = parseWith(planSchema, document);
  if (!read.ok) return read;
  const { close, open, restrain, stand } = read.value;
  const value = { close, open, restrain, ...(stand.length > 0 ? { stand } : {}) };
  return { ok: true, value };
}
