import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';
import { drop, put } from './ledger';

type Kept = Pick<Dossier, 'kitChecks' | 'joints'>;

/** What was looked at before use. The next permit has it looked at anew. */
export function evolveKit({ kitChecks, joints }: Kept, event: JobEvent, mark: Mark): Kept {
  switch (event.kind) {
    case 'kit-checked': {
      const { seen } = event;
      const checks = event.kit.reduce<Dossier['kitChecks']>(
        (all, id) => put(all, id, { ...mark, seen }),
        kitChecks,
      );
      return { joints, kitChecks: checks };
    }
    case 'kit-failed':
      return { joints, kitChecks: drop(kitChecks, event.kit) };
    case 'joints-counted': {
      const { joints: counted, fixed } = event;
      return { kitChecks, joints: { ...mark, joints: counted, fixed } };
    }
    case 'permit-closed':
      return { kitChecks: {}, joints: undefined };
    default:
      return { kitChecks, joints };
  }
}
