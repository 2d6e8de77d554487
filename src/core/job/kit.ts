import {
  findPressureDue,
  KIT_KINDS,
  refuseKit,
  refusePressure,
  type KitKindName,
  type KitRow,
  type PressureRow,
} from '../kit/kit';
import { listPlanPoints } from '../plant';
import { findLineVoltage } from '../proving';
import type { PaperKind } from '../permits';
import { explainIn } from '../rules/book';
import { refuse, type Refusal } from '../rules/refuse';
import { listPapers } from './papers';
import { findWorkOrder, type SiteFacts } from './site';
import type { Dossier, Mark } from './state';

/** A kind of kit that the work asks for, and why. */
export interface KitNeed {
  readonly kind: KitKindName;
  readonly why: string;
  /** What it may meet (V). */
  readonly volts: number;
}

/** The voltage up to which a hand may reach in without a rod (V). Source: practice, low voltage ends there. */
const ROD_FROM_V = 1000;
/** Touch voltage limit (V): up to it nothing insulating is asked for. */
const TOUCH_V = 50;

/** Highest voltage that the proofs of a plan may meet (V); what has none on the drawing may have any. */
function findVolts(dossier: Dossier, site: SiteFacts): number {
  const proofs =
    findWorkOrder(dossier, site)?.proofs.filter(({ kind }) => kind === 'voltage') ?? [];
  return Math.max(0, ...proofs.map((proof) => findLineVoltage(proof, site.graph) || Infinity));
}

/** Kit that the field work asks for: what insulates, where conductors are proved dead or earthed. */
function listFieldNeeds(dossier: Dossier, site: SiteFacts): KitNeed[] {
  const volts = findVolts(dossier, site);
  if (volts <= TOUCH_V) return [];
  const why = 'conductors are proved dead';
  return [
    { kind: 'gloves', why, volts },
    ...(volts > ROD_FROM_V ? [{ kind: 'rod' as const, why, volts }] : []),
  ];
}

/** Kit that the work itself asks for, by its papers. */
function listWorkNeeds(dossier: Dossier, site: SiteFacts): KitNeed[] {
  const papers = listPapers(dossier, site);
  const of = (paper: (typeof papers)[number], why: string, ...kinds: KitKindName[]): KitNeed[] =>
    papers.includes(paper) ? kinds.map((kind) => ({ kind, why, volts: 0 })) : [];
  return [
    ...of('height', 'somebody can fall', 'harness', 'lanyard'),
    ...of('lifting', 'a load is lifted', 'sling'),
    ...of('confined-space', 'somebody goes into a space', 'harness', 'radio'),
  ];
}

/** A kind counts once the site registers the first of it: then it registers all. */
const isKept = ({ kit = [] }: SiteFacts, { kind }: KitNeed): boolean =>
  kit.some((row) => row.kind === kind);

const findRow = ({ kit = [] }: SiteFacts, id: string): KitRow | undefined =>
  kit.find((row) => row.id === id);
const findPressure = ({ pressure = [] }: SiteFacts, id: string): PressureRow | undefined =>
  pressure.find((row) => row.id === id);

/** Why something that is used may not be, whichever register has it. */
export function refuseItem(id: string, site: SiteFacts, now: string, volts = 0): Refusal[] {
  const [row, pressure] = [findRow(site, id), findPressure(site, id)];
  if (row) return refuseKit(row, now, volts);
  return pressure
    ? refusePressure(pressure, site.values, now)
    : [refuse('kit-unknown', { kit: id })];
}

const isFresh = ({ at }: Mark, { values }: SiteFacts, now: string): boolean =>
  Date.parse(now) - Date.parse(at) <= values['kit-check-h'] * 3_600_000;

/** Refuses while a kind of kit that is asked for was not looked at lately, by `actor` where it is theirs to do. */
function refuseNeed(
  { kitChecks }: Dossier,
  need: KitNeed,
  site: SiteFacts,
  { now, actor }: { readonly now: string; readonly actor?: string },
): Refusal[] {
  const looked = Object.entries(kitChecks).filter(
    ([id, mark]) =>
      findRow(site, id)?.kind === need.kind &&
      isFresh(mark, site, now) &&
      (actor === undefined || mark.by === actor),
  );
  const faults = looked.map(([id]) => refuseItem(id, site, now, need.volts));
  const [first] = faults;
  if (first) return faults.some((one) => one.length === 0) ? [] : first;
  const { name } = KIT_KINDS[need.kind];
  return [refuse('kit-missing', { what: name, why: need.why, hours: site.values['kit-check-h'] })];
}

/** Refuses to prove or earth conductors before whoever does it has looked at what insulates them. */
export const requireFieldKit = (
  dossier: Dossier,
  site: SiteFacts,
  who: { readonly now: string; readonly actor: string },
): Refusal[] =>
  listFieldNeeds(dossier, site)
    .filter((need) => isKept(site, need))
    .flatMap((need) => refuseNeed(dossier, need, site, who));

/** Pressure equipment that a job leans on: points of its plan, and what was brought to it. */
function listLeanedOn({ plan, kitChecks }: Dossier, { pressure = [] }: SiteFacts): PressureRow[] {
  const points = plan.kind === 'none' ? [] : listPlanPoints(plan.plan);
  return pressure.filter(
    ({ id, at }) => id in kitChecks || (at !== undefined && points.includes(at)),
  );
}

const listHoses = (dossier: Dossier, site: SiteFacts): PressureRow[] =>
  listLeanedOn(dossier, site).filter(({ id, of }) => of === 'hose' && id in dossier.kitChecks);

/** Whether somebody has said that something is repaired under pressure. */
export const isRepairedUnderPressure = ({ papers }: Dossier): boolean =>
  papers?.answers.pressurised === 'yes';

/** What is repaired under pressure has its written clearance, while that counts. */
function gatePressureRepair(dossier: Dossier, now: string): Refusal[] {
  if (!isRepairedUnderPressure(dossier)) return [];
  const { pressureRepair } = dossier;
  if (!pressureRepair) return [refuse('pressure-repair-unwritten')];
  const { until } = pressureRepair;
  return Date.parse(until) > Date.parse(now) ? [] : [refuse('pressure-repair-over', { until })];
}

/** Before flame and sparks somebody has said how gas cylinders stand, or that there are none. */
const gateCylinders = ({ cylinders }: Dossier, papers: readonly PaperKind[]): Refusal[] =>
  papers.includes('hot-work') && !cylinders ? [refuse('cylinders-unsaid')] : [];

/** What of its kit keeps a permit from being issued, and anyone from signing on. */
export function gateKit(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  return [
    ...listWorkNeeds(dossier, site)
      .filter((need) => isKept(site, need))
      .flatMap((need) => refuseNeed(dossier, need, site, { now })),
    ...listLeanedOn(dossier, site).flatMap((row) => refusePressure(row, site.values, now)),
    ...gateCylinders(dossier, listPapers(dossier, site)),
    ...gatePressureRepair(dossier, now),
    ...(listHoses(dossier, site).length > 0 && dossier.joints === undefined
      ? [refuse('joints-uncounted')]
      : []),
  ];
}

/** Pressure equipment where the work is. */
function listHere({ equipment, scope }: Dossier, { pressure = [] }: SiteFacts): PressureRow[] {
  const here = [equipment, ...scope.work.map(({ section }) => section)];
  return pressure.filter(({ at }) => at !== undefined && here.includes(at));
}

/** Such equipment is not put into use again while something speaks against it. */
export function gatePressureUse(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  return listHere(dossier, site).flatMap((row) => refusePressure(row, site.values, now));
}

/** A piece of kit that the page of a job offers or shows. */
export interface KitView {
  readonly needs: readonly (KitNeed & {
    readonly name: string;
    readonly isKept: boolean;
    readonly isMet: boolean;
  })[];
  readonly checked: readonly {
    readonly id: string;
    readonly name: string;
    readonly mark: Mark & { readonly seen: string };
    /** What speaks against it by now, in words. */
    readonly faults: readonly string[];
  }[];
  readonly offered: readonly {
    readonly id: string;
    readonly label: string;
    readonly air: boolean;
  }[];
  readonly hasHoses: boolean;
  /** Pressure equipment where the work is, with when it is due. */
  readonly pressure: readonly {
    readonly id: string;
    readonly name: string;
    readonly inspect: string | undefined;
    readonly test: string | undefined;
  }[];
}

/** What a job needs of kit, what was looked at for it, and what the registers offer. */
export function viewKit(dossier: Dossier, site: SiteFacts, now: string): KitView {
  const { kit = [], pressure = [] } = site;
  const named = (id: string) => (findRow(site, id) ?? findPressure(site, id))?.name ?? id;
  return {
    needs: [...listFieldNeeds(dossier, site), ...listWorkNeeds(dossier, site)].map((need) => ({
      ...need,
      name: KIT_KINDS[need.kind].name,
      isKept: isKept(site, need),
      isMet: refuseNeed(dossier, need, site, { now }).length === 0,
    })),
    checked: Object.entries(dossier.kitChecks).map(([id, mark]) => ({
      id,
      name: named(id),
      mark,
      faults: refuseItem(id, site, now).map((one) => explainIn(site.values.zone)(one).says),
    })),
    offered: [
      ...kit.map(({ id, name, kind }) => ({
        id,
        label: `${id} ${name}`,
        air: kind === 'gloves',
      })),
      ...pressure
        .filter(({ portable, of }) => portable === true || of === 'hose')
        .map(({ id, name }) => ({ id, label: `${id} ${name}`, air: false })),
    ],
    hasHoses: listHoses(dossier, site).length > 0,
    pressure: listHere(dossier, site).map((row) => ({
      id: row.id,
      name: row.name,
      ...findPressureDue(row, site.values),
    })),
  };
}
