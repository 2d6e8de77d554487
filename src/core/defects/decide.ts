import { disciplineOf, requireRole, requireSigned, within } from '../job/authority';
import { isWithin } from '../hours';
import { drawnNow, type SiteFacts } from '../job/site';
import type { Role } from '../people/people';
import type { RecordDecision } from '../rules/decision';
import { refuse, type Refusal } from '../rules/refuse';
import type { DefectCommand } from './commands';
import { findDevice, isSafetyCritical, listAreasOf, listFitting, type Device } from './devices';
import { DEFECTS } from './kinds';
import {
  isStanding,
  listDefectSigners,
  nameDefect,
  type Defect,
  type DefectEvent,
  type DefectRecord,
} from './record';

/** The facts given with a command. */
export interface DefectContext {
  readonly actor: string;
  readonly now: string;
  readonly signed: ReadonlySet<string>;
  readonly site: SiteFacts;
  readonly hasJob: (id: string) => boolean;
  readonly hasPicture: (digest: string) => boolean;
}

/** Who may say that a defect stands and what stands in for the device. */
export const GUARDING_ROLES: readonly Role[] = ['issuing-authority', 'site-manager'];

/** Who may say what was done about a defect. */
export const REPAIRING_ROLES: readonly Role[] = [
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
  'area-operator',
  'performing-authority',
  'coordinator',
];

/** Who may try a device of a drawing after its repair: whoever isolates there, an area operator; a gas detector is tried by a gas tester as well. */
export function listProvingRoles({ graph }: SiteFacts, id: string): readonly Role[] {
  const device = findDevice(graph, id);
  const isDetector = device?.table === 'gauges' && isSafetyCritical(device);
  const discipline: Role[] =
    device?.table === 'links' || device?.table === 'outlets' ? [disciplineOf(graph, id)] : [];
  return [...discipline, ...(isDetector ? (['gas-tester'] as const) : []), 'area-operator'];
}

/** So far ahead somebody may expect a repair (h): a leap year. */
const FAR_H = 8784;

/** Refuses a defect that such a device cannot have. */
function refuseUnfit(device: Device, defect: Defect['defect']): Refusal[] {
  const fits = listFitting(device);
  if (fits.includes(defect)) return [];
  const said = fits.map((one) => DEFECTS[one].label).join('; ');
  return [refuse('defect-unfit', { device: device.id, defect: DEFECTS[defect].label, fits: said })];
}

function decideReport(
  record: DefectRecord,
  command: Extract<DefectCommand, { kind: 'report-defect' }>,
  { site, now, hasJob, hasPicture }: DefectContext,
): Refusal[] {
  const { device: id, defect, job, photo, until } = command;
  const device = findDevice(drawnNow(site), id);
  const known = record.find((one) => isStanding(one) && one.device === id && one.defect === defect);
  return [
    ...(device ? refuseUnfit(device, defect) : [refuse('defect-device-unknown', { device: id })]),
    ...(known
      ? [
          refuse('defect-known', {
            name: nameDefect(known.number),
            device: id,
            defect: DEFECTS[defect].label,
          }),
        ]
      : []),
    ...(job !== undefined && !hasJob(job) ? [refuse('defect-job-unknown', { job })] : []),
    ...(photo !== undefined && !hasPicture(photo) ? [refuse('defect-picture-missing')] : []),
    ...(until !== undefined && !isWithin(until, now, FAR_H)
      ? [refuse('defect-until-wrong', { until, most: FAR_H })]
      : []),
  ];
}

function decideAbout(
  one: Defect,
  command: Exclude<DefectCommand, { kind: 'report-defect' }>,
  context: DefectContext,
): Refusal[] {
  const { actor, site, now } = context;
  const device = findDevice(drawnNow(site), one.device);
  const areas = device ? listAreasOf(drawnNow(site), device) : [];
  const at = within(context, areas);
  const name = nameDefect(one.number);
  if (one.kind === 'proved') return [refuse('defect-mended', { name })];
  switch (command.kind) {
    case 'guard-defect': {
      const most = site.values['defect-most-h'];
      return [
        ...requireRole(at, actor, GUARDING_ROLES),
        ...(isWithin(command.until, now, most)
          ? []
          : [refuse('defect-until-wrong', { until: command.until, most })]),
      ];
    }
    case 'repair-defect':
      return [
        ...requireRole(at, actor, REPAIRING_ROLES),
        ...(one.kind === 'open' ? [] : [refuse('defect-not-open', { name })]),
      ];
    case 'prove-defect': {
      const isOwn = one.kind === 'repaired' && one.repair.by === actor;
      const person = site.people.get(actor)?.name ?? actor;
      return [
        ...requireRole(at, actor, listProvingRoles(site, one.device)),
        ...(one.kind === 'repaired' ? [] : [refuse('defect-not-repaired', { name })]),
        ...(isOwn ? [refuse('defect-own-proof', { person })] : []),
      ];
    }
  }
}

const toEvent = (command: DefectCommand): DefectEvent => {
  switch (command.kind) {
    case 'report-defect':
      return { ...command, kind: 'defect-reported' };
    case 'guard-defect':
      return { ...command, kind: 'defect-guarded' };
    case 'repair-defect':
      return { ...command, kind: 'defect-repaired' };
    case 'prove-defect':
      return { ...command, kind: 'defect-tried' };
  }
};

/** Decides a command about defects: the event that follows, or every reason against it. */
export function decideDefect(
  record: DefectRecord,
  command: DefectCommand,
  context: DefectContext,
): RecordDecision<DefectEvent> {
  const unsigned = requireSigned(listDefectSigners(command, context.actor), context);
  const about = (number: number): Refusal[] => {
    const one = record[number - 1];
    return one && command.kind !== 'report-defect'
      ? decideAbout(one, command, context)
      : [refuse('defect-not-listed', { name: nameDefect(number) })];
  };
  const refusals =
    command.kind === 'report-defect'
      ? [...requireRole(context, context.actor, []), ...decideReport(record, command, context)]
      : about(command.number);
  const all = [...unsigned, ...refusals];
  return all.length > 0 ? { ok: false, refusals: all } : { ok: true, event: toEvent(command) };
}
