import { describeLine, judgeAir, refuseReading } from '../../gas';
import { refuse } from '../../rules/book';
import { airLimits, listAirUses } from '../air';
import { type CommandOf } from '../commands';
import { listDetectors, refuseDevice } from '../detectors';
import { listPapers } from '../papers';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';

/** What a detector itself says is not fit: only one that stands here, only what it can read, only what is indeed not fit. */
function decideReport(
  dossier: Dossier,
  command: CommandOf<'report-air'>,
  { site, actor }: Context,
): Outcome {
  const { device, readings } = command;
  const standing = listDetectors(dossier).find((one) => one.device === device);
  const detector = site.instruments.get(device)?.detector;
  const use = standing?.use ?? 'entry';
  const unfit =
    detector && standing
      ? judgeAir(readings, detector, airLimits(site.values, use)).lines.filter(
          ({ isFit }) => !isFit,
        )
      : [];
  const event = {
    ...command,
    kind: 'air-alarmed',
    use,
    place: standing?.place ?? '',
    findings: unfit.map(describeLine),
  } as const;
  if (!standing || !detector || actor !== device) {
    return { refusals: [refuse('detector-not-placed', { device })], event };
  }
  return {
    refusals: [
      ...readings.flatMap((reading) => refuseReading(reading, { instrument: device, detector })),
      ...(unfit.length > 0 ? [] : [refuse('air-is-fit', { device })]),
    ],
    event,
  };
}

/** Decides which detectors stand at a job, and what one of them reports. */
export function decideDetector(
  dossier: Dossier,
  command: CommandOf<'place-detector' | 'take-detector' | 'report-air'>,
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
  }
}
