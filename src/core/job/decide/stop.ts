import { refuse, type Refusal } from '../../rules/refuse';
import { gateAir } from '../air';
import { type Command, type CommandKind, type CommandOf } from '../commands';
import { gateAccounted } from '../entry';
import { gateHalt } from '../gates-permit';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';
import { requireNotPerformer } from './performer';

/** What lets energy or people in, and so waits while a job is stopped. What makes it safer goes on. */
const WAITS: ReadonlySet<CommandKind> = new Set<CommandKind>([
  'open-outlet',
  'lift-for-test',
  'run-test',
  'free-store',
  'close-outlet',
  'unlock-point',
  'open-box',
  'see-start',
  'take-back',
  'close-job',
]);

/** Refuses to let energy or people in while the job is stopped; what the gates of permit and work refuse they say themselves. */
export const requireGoing = (dossier: Dossier, { kind }: Command, { site }: Context): Refusal[] =>
  WAITS.has(kind) ? gateHalt(dossier, site) : [];

/** Anyone may stop a job at any time; only an issuing authority who does not do the work lets it go on. */
export function decideStop(
  dossier: Dossier,
  command: CommandOf<'stop-work' | 'lift-stop'>,
  context: Context,
): Outcome {
  const { halt, isolation } = dossier;
  if (command.kind === 'stop-work') {
    return {
      refusals: halt ? [refuse('already-done', { what: 'Stopping' })] : [],
      event: { ...command, kind: 'work-stopped' },
    };
  }
  const { alarm } = isolation;
  // Those who are still signed on would go on working in it.
  const unfit = gateAir(dossier, context.site, context.now).filter(
    ({ code }) => code === 'air-unfit' || code === 'detector-silent',
  );
  return {
    refusals: [
      ...(halt ? [] : [refuse('nothing-stopped')]),
      ...(alarm ? [refuse('alarm-standing', { place: alarm.where, seen: alarm.seen })] : []),
      ...unfit,
      ...gateAccounted(dossier, context.site),
      ...requireNotPerformer(dossier, context),
    ],
    event: { ...command, kind: 'stop-lifted' },
  };
}
