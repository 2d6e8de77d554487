import { describeLine, listUnfit } from '../../gas';
import { refuse, type Refusal } from '../../rules/refuse';
import { airLimits, listAirUses } from '../air';
import { type CommandOf } from '../commands';
import { listDetectors, refuseDevice } from '../detectors';
import { listPapers } from '../papers';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';

/** What a device says of itself is said by nobody else, and only where it stands. */
function refuseSpeaker(dossier: Dossier, device: string, context: Context): Refusal[] {
  const stands = listDetectors(dossier).some((one) => one.device === device);
  return [
    ...(context.device === device ? [] : [refuse('device-speaks-itself', { device })]),
    ...(stands ? [] : [refuse('detector-not-placed', { device })]),
  ];
}

/** What a detector reads is not fit. A value that cannot be believed is none the less bad news: here nothing of it is refused. */
function decideReport(
  dossier: Dossier,
  command: CommandOf<'report-air'>,
  context: Context,
): Outcome {
  const { site } = context;
  const { device, readings } = command;
  const standing = listDetectors(dossier).find((one) => one.device === device);
  const detector = site.instruments.get(device)?.detector;
  const use = standing?.use ?? 'entry';
  const unfit =
    detector && standing ? listUnfit(readings, detector, airLimits(site.values, use)) : [];
  return {
    refusals: [
      ...refuseSpeaker(dossier, device, context),
      ...(unfit.length > 0 || !standing ? [] : [refuse('air-is-fit', { device })]),
    ],
    event: {
      ...command,
      kind: 'air-alarmed',
      use,
      place: standing?.place ?? '',
      findings: unfit.map(describeLine),
    },
  };
}

/** A detector that is silent or cannot be believed, or can be again. */
function decideFault(
  dossier: Dossier,
  command: CommandOf<'report-fault' | 'hear-detector'>,
  context: Context,
): Outcome {
  const { device } = command;
  const refusals = refuseSpeaker(dossier, device, context);
  if (command.kind === 'hear-detector') {
    const isKnown = device in dossier.faults;
    return {
      refusals: [...refusals, ...(isKnown ? [] : [refuse('air-is-fit', { device })])],
      event: { ...command, kind: 'detector-heard' },
    };
  }
  const { use = 'entry', place = '' } =
    listDetectors(dossier).find((one) => one.device === device) ?? {};
  return { refusals, event: { ...command, kind: 'detector-failed', use, place } };
}

/** Decides which detectors stand at a job, and what one of them reports. */
export function decideDetector(
  dossier: Dossier,
  command: CommandOf<
    'place-detector' | 'take-detector' | 'report-air' | 'report-fault' | 'hear-detector'
  >,
  context: Context,
): Outcome {
  const { site, now, jobId, others } = context;
  const { device } = command;
  switch (command.kind) {
    case 'place-detector': {
      const isAsked = listAirUses(listPapers(dossier, site)).includes(command.use);
      return {
        refusals: [
          ...(isAsked ? [] : [refuse('air-not-asked', { use: command.use })]),
          ...refuseDevice(device, site, { now, jobId, others: others.open() }),
        ],
        event: { ...command, kind: 'detector-placed' },
      };
    }
    case 'take-detector':
      return {
        refusals: device in dossier.detectors ? [] : [refuse('detector-not-placed', { device })],
        event: { ...command, kind: 'detector-taken' },
      };
    case 'report-air':
      return decideReport(dossier, command, context);
    case 'report-fault':
    case 'hear-detector':
      return decideFault(dossier, command, context);
  }
}
