import type { Command } from '../../core/job';
import type { RestoreStep } from '../../core/sequence';

/** The command of a restoring step. */
export function commandFor({ kind, subject }: RestoreStep): Command {
  switch (kind) {
    case 'earth-off':
    case 'close-outlet':
      return { kind: 'close-outlet', outlet: subject };
    case 'free-store':
      return { kind: 'free-store', store: subject };
    case 'blind-out':
    case 'unlock':
      return { kind: 'unlock-point', link: subject };
  }
}
