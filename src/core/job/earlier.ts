import type { AssessmentDrift } from '../permits';
import type { JobEvent } from './events';
import type { Assessment, Dossier, Mark } from './state';

/** Something that went wrong on a job. */
export interface Mishap extends Mark {
  readonly what: string;
}

/** An earlier job on the same equipment: what was assessed, what has changed since, and what went wrong. */
export interface EarlierJob {
  readonly job: string;
  readonly title: string;
  readonly raisedAt: string;
  readonly mishaps: readonly Mishap[];
  readonly assessment?: Assessment;
  readonly drift?: AssessmentDrift;
}

/** An event in words when it tells of something that went wrong. */
export function describeMishap(event: JobEvent): string | undefined {
  switch (event.kind) {
    case 'alarm-raised':
      return `alarm at ${event.where}: ${event.seen}`;
    case 'air-tested':
      return event.isFit ? undefined : `air not fit: ${event.findings.join('; ')}`;
    case 'permit-audited': {
      const differing = Object.values(event.answers).filter(({ found }) => found === 'differs');
      const seen = differing.map(({ seen: what }) => what).join('; ');
      return differing.length > 0 ? `a check found: ${seen}` : undefined;
    }
    case 'work-stopped':
      return `stopped: ${event.reason}`;
    case 'found-live':
      return `${event.proof} read ${event.reading} ${event.unit}`;
    case 'found-moving':
      return `something moved when started from ${event.station}`;
    case 'lock-found-unfit':
      return `lock ${event.lock} unfit: ${event.seen}`;
    case 'label-checked':
      return event.found === 'as-drawn' ? undefined : `${event.point}: ${event.note}`;
    case 'leak-tested':
      return event.tight ? undefined : `${event.section} leaked`;
    case 'lineup-differed':
      return `${event.point} was found ${event.found}`;
    default:
      return undefined;
  }
}

/** The newest assessment of a job, of the permit at hand or of one before. */
export function findAssessment({ permit, pastPermits }: Dossier): Assessment | undefined {
  return 'assessment' in permit ? permit.assessment : pastPermits.at(-1)?.assessment;
}
