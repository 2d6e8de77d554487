import type { Command } from '../../core/job';
import type { RestoreStep } from '../../core/sequence';

/** The command of a restoring step; a point that another job holds is left as it stands. */
export function commandFor({ kind, subject }: RestoreStep, heldBy: string | undefined): Command {
  const left = heldBy === undefined ? {} : { left: true };
  switch (kind) {
    case 'earth-off':
    case 'close-outlet':
      return { kind: 'close-outlet', outlet: subject, ...left };
    case 'free-store':
      return { kind: 'free-store', store: subject, ...left };
    case 'blind-out':
    case 'unlock':
      return { kind: 'unlock-point', link: subject };
  }
}
