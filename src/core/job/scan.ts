import { describePoint, findPlace } from '../sequence/places';
import { computeWalkMetres, type Place } from '../sequence/walk';
import type { PlantGraph } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import type { Command } from './commands';
import type { WorkOrder } from './site';

/** The code of a tag: which job it was printed for, where it says so, and which point it hangs at. */
export interface TagCode {
  readonly job?: string;
  readonly point: string;
}

/** Writes the code of a tag, as it stands in its QR field and in print. */
export const writeCode = (job: string, point: string): string => `${job}/${point}`;

/** Reads a code as scanned or typed: with or without the job, in any case. Spaces at the ends do not count. */
export function readCode(code: string): TagCode {
  const found = /^(J-\d+)\/(.+)$/i.exec(code.trim());
  return found ? { job: found[1]?.toUpperCase(), point: found[2] ?? '' } : { point: code.trim() };
}

/** Where a step is done: the codes that stand there, and how to find it. */
export interface ScanTarget {
  readonly subject: string;
  readonly codes: readonly string[];
  readonly where: string;
  readonly at?: Place;
}

/** Where `subject` is done: at the point itself; for a proof at its gauges or section. */
export function findTarget(
  graph: PlantGraph,
  order: Pick<WorkOrder, 'proofs'>,
  subject: string,
): ScanTarget {
  const proof = order.proofs.find(({ id }) => id === subject);
  const codes = proof ? [...proof.gauges, proof.section, subject] : [subject];
  const [found] = codes.flatMap((code) => describePoint(graph, code) ?? []);
  const [at] = codes.flatMap((code) => {
    const place = findPlace(graph, code);
    return place ? [place] : [];
  });
  const where = found ? `${found.what}, ${found.where}` : subject;
  return { subject, codes, where, ...(at ? { at } : {}) };
}

const isSame = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

/** Whether a code is one of a place, printed for this job or for none. */
export function isCodeOf(code: string, job: string, { codes }: ScanTarget): boolean {
  const read = readCode(code);
  return (
    (read.job === undefined || read.job === job) && codes.some((one) => isSame(one, read.point))
  );
}

/** Something on the drawing that a code means. */
interface Known {
  readonly id: string;
  readonly at?: Place;
}

/** Finds what a code means on a drawing, in whatever case it was typed. */
export function findCode(graph: PlantGraph, code: string): Known | undefined {
  const { point } = readCode(code);
  const ids = [graph.linkAt, graph.outletAt, graph.storeAt, graph.sectionAt].flatMap((all) => [
    ...all.keys(),
  ]);
  const id = [...ids, ...graph.plant.gauges.map((one) => one.id)].find((one) => isSame(one, point));
  return id === undefined ? undefined : { id, at: findPlace(graph, id) };
}

/** Refuses a code of another place than that where a step is done, and says where the right one is. `here` is what it means. */
export function refuseScan(
  code: string,
  job: string,
  target: ScanTarget,
  here: Known | undefined,
): Refusal[] {
  if (isCodeOf(code, job, target)) return [];
  const read = readCode(code);
  if (read.job !== undefined && read.job !== job) {
    return [refuse('tag-of-other-job', { scanned: code, job: read.job })];
  }
  const way =
    here?.at && target.at
      ? `, about ${Math.ceil(computeWalkMetres(here.at, target.at))} m from there`
      : '';
  return [
    refuse('wrong-point', {
      scanned: here?.id ?? `${read.point}, which is no point known here`,
      subject: target.subject,
      where: `${target.where}${way}`,
    }),
  ];
}

/** The point, proof or station that a command is about, where it is about one. */
export function findSubject(command: Command): string | undefined {
  switch (command.kind) {
    case 'lock-point':
    case 'tag-point':
    case 'unlock-point':
    case 'see-open':
      return command.link;
    case 'open-outlet':
    case 'close-outlet':
    case 'take-watch':
    case 'end-watch':
      return command.outlet;
    case 'restrain-store':
    case 'wait-out-store':
    case 'free-store':
      return command.store;
    case 'prove':
      return command.proof;
    case 'leak-test':
      return command.section;
    case 'try-start':
      return command.station;
    case 'walk-lineup':
    case 'check-label':
      return command.point;
    case 'add-photo':
      return command.subject;
    default:
      return undefined;
  }
}
